import { CUT_PLAN } from '../../practice';
import { shortMark } from '../../units/marks';
import { CUT_RANGES } from '../../records/cuts';
import type { CutLimits } from '../../records';
import { chosenFrom, cutModel, type CutModel, type Ease } from './model';
import type { CutProblem } from './problem';
import type { Solver } from './solver';
import { broken, gapRules, thickIn, valueOf, type Chosen, type PlanValue } from './value';

/** Time a plan may take, s; the others beside it get a share of it each. */
const SECONDS = 8;
const SECONDS_BESIDE = 2;
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

export type Planned = { plan: CutPlan } | { clash: Clash };

/** Rounds in which what brought nothing at first is tried again. */
const ROUNDS = 3;

/** What a plan made step by step takes at once: one root, or all that press on one stretch of the bark by some year. */
function stepsOf({ candidates, weights, years }: CutProblem, free: ReadonlySet<number>): number[][] {
  const steps = new Map<string, number[]>();
  const add = (set: number[]) => steps.set(set.join(), set);
  for (const i of free) add([i]);
  for (let k = 0; k < weights.length; k++)
    for (const year of [0, years.length - 1]) {
      const set = candidates.flatMap((c, i) => (c.presses[k]! <= year ? [i] : []));
      if (set.length > 1 && set.every((i) => free.has(i))) add(set);
    }
  return [...steps.values()];
}

/**
 * A plan made step by step, the one that brings most first: what stands in when the time is up before any was found.
 * Gains are weighed once a round and again only when their turn comes, so that hundreds of roots take seconds.
 */
export function stepwise(problem: CutProblem): Chosen {
  let chosen: Chosen = problem.candidates.map(({ lock }) =>
    lock?.hold === 'cut' ? (lock.stage ?? 0) : undefined,
  );
  const free = new Set(problem.candidates.flatMap((c, i) => (c.barred || c.lock ? [] : [i])));
  const steps = stepsOf(problem, free);
  /** With a set gone in a stage, those that go already left where they are. */
  const withStep = (set: readonly number[], stage: number): Chosen =>
    chosen.map((s, i) => (s === undefined && set.includes(i) ? stage : s));
  let now = valueOf(problem, chosen).objective;
  for (let round = 0, took = true; round < ROUNDS && took; round++) {
    took = false;
    const ranked = steps
      .filter((set) => set.some((i) => chosen[i] === undefined))
      .flatMap((set) =>
        Array.from({ length: problem.stages }, (_, stage) => ({
          set,
          stage,
          gain: valueOf(problem, withStep(set, stage)).objective - now,
        })),
      )
      .filter(({ gain }) => gain > 1e-9)
      .sort((a, b) => b.gain - a.gain);
    for (const { set, stage } of ranked) {
      if (set.every((i) => chosen[i] !== undefined)) continue;
      const tried = withStep(set, stage);
      const { objective } = valueOf(problem, tried);
      if (objective <= now + 1e-9 || broken(problem, tried).length > 0) continue;
      chosen = tried;
      now = objective;
      took = true;
    }
  }
  return chosen;
}

/** The best plan, or what clashes. */
export function planCuts(problem: CutProblem, solve: Solver): Planned {
  const model = cutModel(problem);
  const solved = solve(model.mip, SECONDS);
  if (solved.state === 'infeasible') return { clash: clashOf(problem, solve) };
  const chosen = solved.values ? chosenFrom(model, solved.values) : stepwise(problem);
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

const percent = (share: number): string => `${Math.round(100 * share)} %`;
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
    ease.anchorGap = Math.max(ease.anchorGap ?? 0, Math.ceil(rule.degrees));
    says.push(
      `Nothing would hold over ${Math.round(rule.degrees)}° from ${name(from)} round to ${name(to)}; the widest gap allowed there is ${Math.round(problem.gapLimit(candidates[from]!.anchorAt!, candidates[to]!.anchorAt!))}°.`,
    );
  }
  for (const { by } of used('anchors'))
    says.push(
      `${problem.fewestAnchors - Math.round(by)} anchors would stay; fewer than ${problem.fewestAnchors} make no stand.`,
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
  strictGap: { label: 'To windward and towards the target', say: (v) => `${Math.round(v)}°` },
  largest: { label: 'Largest root that is cut', say: shortMark },
  together: { label: 'Thicker roots go one a stage', say: shortMark },
  nearDbh: { label: 'No nearer to the stem than', say: (v) => `${v} × DBH` },
};
