import { percent } from '../../units/share';
import { CUT_PLAN } from '../../practice';
import { shortMark } from '../../units/marks';
import { CUT_RANGES } from '../../records/cuts';
import type { CutLimits } from '../../records';
import { chosenFrom, cutModel, type CutModel, type Ease } from './model';
import type { CutProblem } from './problem';
import { propose } from './propose';
import type { Solver } from '../../milp';
import { broken, gapRules, thickIn, valueOf, type Chosen, type PlanValue } from './value';

/** Time a plan may take, s; the others beside it get a share of it each. */
const SECONDS = 8;
const SECONDS_BESIDE = 2;
/** Plans that differ by less than this are worth the same: what a solver rounds to. */
const SAME = 1e-7;
/** Other plans that are shown at most. */
const ALTERNATIVES = 3;

export interface CutPlan {
  chosen: Chosen;
  value: PlanValue;
  /** Proved to be the best there is; else how far from the best it may be at most, as a share. */
  proved: boolean;
  gap: number;
}

/** Why no plan keeps to everything, and the least that would have to give. */
export interface Clash {
  says: string[];
  /** Limits that would let a plan through, where easing limits does it. */
  ease: Partial<CutLimits>;
  /** Roots whose hold would have to be given up, where that does it. */
  letGo: string[];
}

/** The best plan, with the proposal that the dig tells of; or what clashes. */
export type Planned = { plan: CutPlan; proposed: Chosen } | { clash: Clash };

/** The best plan, or what clashes. Where the proposal is as good as any, it is the plan. */
export function planCuts(problem: CutProblem, solve: Solver): Planned {
  const model = cutModel(problem);
  const solved = solve(model.mip, SECONDS);
  if (solved.state === 'infeasible') return { clash: clashOf(problem, solve) };
  const proposed = propose(problem);
  const found = solved.values && chosenFrom(model, solved.values);
  const worth = (chosen: Chosen) => valueOf(problem, chosen).objective;
  const better = found && (broken(problem, proposed).length > 0 || worth(found) > worth(proposed) + SAME);
  const chosen = better ? found : proposed;
  if (broken(problem, chosen).length > 0) return { clash: clashOf(problem, solve) };
  const value = valueOf(problem, chosen);
  const gap = Math.max(0, solved.bound - value.objective) / Math.max(1e-9, Math.abs(value.objective));
  return {
    plan: {
      chosen,
      value,
      proved: solved.state === 'optimal',
      gap: solved.state === 'optimal' ? 0 : gap,
    },
    proposed,
  };
}

/**
 * Plans nearly as good that differ from the best, and from each other, in at least one large root.
 *
 * @returns best first, at most three, none below nine tenths of the best
 */
export function alternativePlans(problem: CutProblem, best: CutPlan, solve: Solver): CutPlan[] {
  const found: CutPlan[] = [];
  const large = problem.candidates.flatMap((c, i) => (c.large && c.lock === undefined ? [i] : []));
  const least = CUT_PLAN.alternative.value * best.value.objective;
  while (found.length < ALTERNATIVES && best.value.objective > 0) {
    const model = cutModel(problem);
    for (const [n, { chosen }] of [best, ...found].entries()) differ(model, large, chosen, n);
    const solved = solve(model.mip, SECONDS_BESIDE);
    if (solved.state !== 'optimal' || !solved.values) break;
    const chosen = chosenFrom(model, solved.values);
    const value = valueOf(problem, chosen);
    if (value.objective < least - 1e-12) break;
    found.push({ chosen, value, proved: true, gap: 0 });
  }
  return found;
}

/** A row that asks for another choice of at least one of some roots than a plan makes. */
function differ({ mip, gone }: CutModel, roots: readonly number[], chosen: Chosen, n: number): void {
  let same = 0;
  const entries = roots.flatMap((i): [number, number][] => {
    const last = gone[i]?.at(-1);
    if (chosen[i] !== undefined) same++;
    return last === undefined ? [] : [[last, chosen[i] === undefined ? 1 : -1]];
  });
  mip.rows.push({ name: `other than ${n}`, lower: 1 - same, upper: Infinity, entries });
}

/** How much a limit is moved to tell its price: one more percent of root, ten degrees, a centimetre, half a DBH. */
const STEPS: Record<keyof CutLimits, number> = {
  stageLoss: 0.01,
  totalLoss: 0.01,
  anchorGap: 10,
  stageGap: 10,
  strictGap: 10,
  largest: 0.01,
  together: 0.01,
  nearDbh: -0.5,
};

export interface Price {
  limit: keyof CutLimits;
  /** The limit as it would be. */
  to: number;
  /** Bark that it frees more, as a share of the circumference, mean over the weighted years. */
  frees: number;
}

/** Steps that are tried, one after the other, until something is gained. */
const TRIED = [1, 2, 3, 5, 8, 13, 20] as const;
/** Bark, as a share of the circumference, from which on more is worth telling. */
const TELLING = 0.005;
/**
 * The least step of one limit that would free more, and how much more.
 *
 * @param problemWith the same problem under other limits
 * @returns undefined where no step gains anything
 */
export function priceOf(
  limit: keyof CutLimits,
  limits: CutLimits,
  plan: CutPlan,
  problemWith: (limits: Partial<CutLimits>) => CutProblem,
  solve: Solver,
): Price | undefined {
  const [least, most] = CUT_RANGES[limit];
  const at = (steps: number): { to: number; value: PlanValue } | undefined => {
    const to = Math.min(most, Math.max(least, Number((limits[limit] + steps * STEPS[limit]).toFixed(4))));
    const problem = problemWith({ [limit]: to });
    const model = cutModel(problem);
    const solved = solve(model.mip, SECONDS_BESIDE);
    if (!solved.values) return undefined;
    const value = valueOf(problem, chosenFrom(model, solved.values));
    const better = value.objective > plan.value.objective + 1e-9;
    return better && value.freed >= plan.value.freed + TELLING ? { to, value } : undefined;
  };
  let found: ReturnType<typeof at>;
  for (const steps of TRIED) if ((found = at(steps))) break;
  if (!found) return undefined;
  return {
    limit,
    to: found.to,
    frees: found.value.freed - plan.value.freed,
  };
}

/** A limit is eased to whole percents, upward. */
const upward = (share: number): number => Math.ceil(100 * share - 1e-6) / 100;

/** What the held roots break, and the least that has to give. */
export function clashOf(problem: CutProblem, solve: Solver): Clash {
  const { candidates, limits } = problem;
  const name = (i: number) => candidates[i]!.label;
  const model = cutModel(problem, true);
  const never = candidates.filter((c) => c.lock?.hold === 'cut' && c.barred?.by === 'nature');
  const solved = solve(model.mip, SECONDS);
  const used = (rule: Ease['rule']) =>
    model.eases
      .filter((e) => e.rule === rule)
      .map((e) => ({ ...e, by: solved.values?.[e.column] ?? 0 }))
      .filter((e) => e.by > 1e-6);
  const eased = solved.values && chosenFrom(model, solved.values);
  const held = candidates.filter((c) => c.lock?.hold === 'cut').map((c) => c.label);
  const beyond = candidates.filter((c) => c.lock?.hold === 'cut' && (c.lock.stage ?? 0) >= problem.stages);
  const says = [
    ...(held.length > 0 ? [`Held as cut: ${held.join(', ')}.`] : []),
    ...beyond.map(
      (c) =>
        `${c.label} is held in stage ${c.lock!.stage! + 1}; the plan has ${problem.stages} ${problem.stages === 1 ? 'stage' : 'stages'}. Hold it in one of those, or plan more stages.`,
    ),
    ...never.map((c) => `${c.label} cannot be cut: ${c.barred!.why}.`),
  ];
  const ease: Partial<CutLimits> = {};
  for (const { about, by } of used('stageLoss')) {
    const need = upward(limits.stageLoss + by);
    ease.stageLoss = Math.max(ease.stageLoss ?? 0, need);
    says.push(
      `Stage ${about[0]! + 1} would take ${percent(limits.stageLoss + by)} of the root cross-section; ${percent(limits.stageLoss)} is allowed.`,
    );
  }
  for (const { by } of used('totalLoss')) {
    ease.totalLoss = upward(limits.totalLoss + by);
    says.push(
      `All stages would take ${percent(limits.totalLoss + by)} of the root cross-section; ${percent(limits.totalLoss)} is allowed.`,
    );
  }
  for (const { about } of used('together')) {
    const thick = thickIn(problem, eased!, about[0]!);
    const second = thick[1]?.diameter;
    if (second === undefined) continue;
    // To whole millimetres, upward, so that the second of them no longer counts as thick.
    ease.together = Math.max(ease.together ?? 0, Math.ceil(1000 * second - 1e-6) / 1000);
    says.push(
      `Stage ${about[0]! + 1} would take ${thick.map((c) => c.label).join(' and ')}, each thicker than ${shortMark(limits.together)}, at once.`,
    );
  }
  for (const { about } of used('gap')) {
    const [from, to] = about as [number, number];
    const rule = gapRules(problem).find((r) => r.from === from && r.to === to)!;
    // A gap that is never allowed is not allowed in the first stage either.
    if (rule.never) ease.anchorGap = Math.max(ease.anchorGap ?? 0, Math.ceil(rule.degrees));
    ease.stageGap = Math.max(ease.stageGap ?? 0, Math.ceil(rule.degrees));
    says.push(
      `Nothing would hold over ${Math.round(rule.degrees)}° from ${name(from)} round to ${name(to)}; the widest gap allowed there ${!rule.never && problem.stages > 1 ? 'in the first stage ' : ''}is ${Math.round(rule.limit)}°.`,
    );
  }
  for (const { by } of used('anchors'))
    says.push(
      `${problem.fewestAnchors - Math.round(by)} anchors would stay; fewer than ${problem.fewestAnchors} do not hold it.`,
    );
  for (const { about } of used('order'))
    says.push(`${name(about[0]!)} lies on ${name(about[1]!)} and is held in a later stage.`);
  for (const { about } of used('hold')) {
    const i = about[0]!;
    const tried = eased!.map((s, k) => (k === i ? (candidates[i]!.lock?.stage ?? problem.stages - 1) : s));
    const why = broken(problem, tried).filter((b) => !b.includes('is held'))[0];
    if (why) says.push(`With ${name(i)} cut: ${why}.`);
  }
  const letGo = [
    ...used('hold').map(({ about }) => name(about[0]!)),
    ...beyond.map((c) => c.label),
    ...never.map((c) => c.label),
  ];
  if (ease.strictGap === undefined && ease.anchorGap !== undefined) ease.strictGap = ease.anchorGap;
  return { says, ease, letGo: [...new Set(letGo)] };
}

/** A limit in words. */
export const LIMIT_WORDS: Record<keyof CutLimits, { label: string; say: (value: number) => string }> = {
  stageLoss: { label: 'Root cross-section lost in a stage', say: percent },
  totalLoss: { label: 'Lost in all stages', say: percent },
  anchorGap: { label: 'Widest gap between anchors', say: (v) => `${Math.round(v)}°` },
  stageGap: { label: 'Widest gap that the first stage opens', say: (v) => `${Math.round(v)}°` },
  strictGap: { label: 'To windward and towards the target', say: (v) => `${Math.round(v)}°` },
  largest: { label: 'Largest root that is cut', say: shortMark },
  together: { label: 'Thicker roots go one a stage', say: shortMark },
  nearDbh: { label: 'No nearer to the stem than', say: (v) => `${v} × DBH` },
};
