import type { CutDesign, CutLimits, Dig, Tree } from '../../records';
import { inOrder } from '../../labels';
import type { StemRate } from '../../growth/rates';
import { isAnchor, readDig, togetherOf, type DigReading } from '../../roots';
import type { SchoolInForce } from '../../practice';
import type { House } from '../../house';
import { reasonsOf, type RootReason } from './explain';
import { chosenBy, cutProblem, isUnseen, type CutProblem } from './problem';
import { alternativePlans, planCuts, priceOf, type Clash, type CutPlan, type Price } from './solve';
import type { Solver } from '../../milp';
import { broken, valueOf, type Chosen, type PlanValue } from './value';

/** All that a cut plan follows from. */
export interface CutsGiven {
  tree: Tree;
  /** ISO date of the visit. */
  date: string;
  dig: Dig;
  stem: StemRate;
  design: CutDesign;
  firm: House;
  stressed: boolean;
}

/** One root in the plan. Stages from 1. */
export interface CutRoot {
  label: string;
  stage: number | undefined;
  /** The gain or the rule that decided. */
  says: string;
  /** Share of this tree's root cross-section. */
  area: number;
  diameter: number;
  large: boolean;
  anchor: boolean;
  /** Neither bark nor root was looked at closely: to be done before it is cut. */
  unseen: boolean;
}

/** A way the roots may go, by label and stage (from 1), and what it comes to. */
export interface Way {
  stages: Record<string, number>;
  value: PlanValue;
  /** Share of the bark that is squeezed today and would not be without these roots, from the dig itself. */
  freesToday: number;
}

export interface CutAssessment {
  roots: CutRoot[];
  /** Share of the bark compressed today. */
  squeezed: number;
  stages: number;
  interval: number;
  limits: CutLimits;
  fewestAnchors: number;
  schools: SchoolInForce[];
  gentle: string | undefined;
  plan?: Way & { proved: boolean; gap: number };
  /** Roots about which the plan is better than what the dig proposes; rare, and none once a plan is agreed. */
  better: string[];
  clash?: Clash;
  /** The plan that was agreed, what it comes to today, and the rules it breaks now. */
  agreed?: Way & { broken: string[] };
}

/** What is worked out beside the plan, one after the other: it may take longer. */
export type CutsBeside = { alternatives: Way[] } | { price: Price | { stages: number; frees: number } };

/** The dig with its roots by label: the same dig gives the same plan, however it was stored. */
const readingOf = ({ tree, dig }: CutsGiven): DigReading => readDig(tree, inOrder(dig));

const problemOf = (given: CutsGiven, limits?: Partial<CutLimits>): CutProblem =>
  cutProblem({
    ...given,
    reading: readingOf(given),
    design: { ...given.design, ...(limits && { limits: { ...given.design.limits, ...limits } }) },
  });

const stagesOf = ({ candidates }: CutProblem, chosen: Chosen): Record<string, number> =>
  Object.fromEntries(
    candidates.flatMap((c, i): [string, number][] =>
      chosen[i] === undefined ? [] : [[c.label, chosen[i] + 1]],
    ),
  );

/** A plan as it is shown. */
function wayOf(
  problem: CutProblem,
  reading: DigReading,
  chosen: Chosen,
  value = valueOf(problem, chosen),
): Way {
  const left = togetherOf(
    reading.roots.filter((_, i) => chosen[i] === undefined).map((r) => r.compression),
    reading.outline,
  );
  return {
    stages: stagesOf(problem, chosen),
    value,
    freesToday: Math.max(0, reading.share - left.share),
  };
}

/** The best cut plan of a dig, or what clashes; with the plan that was agreed as it stands today. */
export const assessCuts = (given: CutsGiven, solve: Solver): CutAssessment =>
  workCuts(given, solve).assessment;

/** The same, with what is worked out beside it when it is asked for: the plan itself is made once. */
export function workCuts(
  given: CutsGiven,
  solve: Solver,
): { assessment: CutAssessment; beside: Iterable<CutsBeside> } {
  const problem = problemOf(given);
  const reading = readingOf(given);
  const planned = planCuts(problem, solve);
  const { agreed } = given.design;
  const plan = 'plan' in planned ? planned.plan : undefined;
  const shown = agreed
    ? chosenBy(problem, agreed)
    : (plan?.chosen ?? problem.candidates.map(() => undefined));
  const reasons = reasonsOf(problem, shown);
  const assessment: CutAssessment = {
    roots: problem.candidates.map((c, i) => ({
      label: c.label,
      stage: shown[i] === undefined ? undefined : shown[i] + 1,
      says: reasons[i]!.says,
      area: c.area,
      diameter: c.diameter,
      large: c.large,
      anchor: c.anchorAt !== undefined,
      unseen: isUnseen(reading.roots[i]!.root),
    })),
    squeezed: reading.share,
    stages: problem.stages,
    interval: problem.interval,
    limits: problem.limits,
    fewestAnchors: problem.fewestAnchors,
    schools: problem.schools,
    gentle: problem.gentle,
    better:
      'plan' in planned && !agreed
        ? problem.candidates.flatMap(({ label }, i) =>
            planned.plan.chosen[i] === planned.proposed[i] ? [] : [label],
          )
        : [],
    ...(plan && {
      plan: { ...wayOf(problem, reading, plan.chosen, plan.value), proved: plan.proved, gap: plan.gap },
    }),
    ...('clash' in planned && { clash: planned.clash }),
    ...(agreed && {
      agreed: {
        ...wayOf(problem, reading, shown),
        broken: broken(problem, shown),
      },
    }),
  };
  return { assessment, beside: plan ? cutsBeside(given, problem, reading, plan, solve) : [] };
}

const LIMITS_PRICED: readonly (keyof CutLimits)[] = [
  'stageLoss',
  'totalLoss',
  'anchorGap',
  'stageGap',
  'strictGap',
  'largest',
  'together',
  'nearDbh',
];

/** The plan that was agreed, with its reasons: no solver is needed for it. */
export interface AgreedCuts extends Way {
  broken: string[];
  reasons: RootReason[];
  /** Years from the visit in which each stage comes. */
  years: number[];
  limits: CutLimits;
  squeezed: number;
}

/** @returns undefined where no plan was agreed */
export function agreedCuts(given: CutsGiven): AgreedCuts | undefined {
  const { agreed } = given.design;
  if (!agreed) return undefined;
  const problem = problemOf(given);
  const reading = readingOf(given);
  const chosen = chosenBy(problem, agreed);
  return {
    ...wayOf(problem, reading, chosen),
    broken: broken(problem, chosen),
    reasons: reasonsOf(problem, chosen),
    years: Array.from({ length: problem.stages }, (_, s) => s * problem.interval),
    limits: problem.limits,
    squeezed: reading.share,
  };
}

/** Other plans nearly as good, then the price of each limit and of one stage more; each as it is found. */
function* cutsBeside(
  given: CutsGiven,
  problem: CutProblem,
  reading: DigReading,
  plan: CutPlan,
  solve: Solver,
): Generator<CutsBeside> {
  yield {
    alternatives: alternativePlans(problem, plan, solve).map(({ chosen, value }) =>
      wayOf(problem, reading, chosen, value),
    ),
  };
  for (const limit of LIMITS_PRICED) {
    if (limit === 'strictGap' && given.design.windward === undefined && given.design.target === undefined)
      continue;
    const price = priceOf(limit, problem.limits, plan, (limits) => problemOf(given, limits), solve);
    if (price) yield { price };
  }
  const more = oneStageMore(given, problem.stages + 1, plan, solve);
  if (more) yield { price: more };
}

function oneStageMore(given: CutsGiven, stages: number, plan: CutPlan, solve: Solver) {
  if (stages > MOST_STAGES) return undefined;
  const planned = planCuts(problemOf({ ...given, design: { ...given.design, stages } }), solve);
  if (!('plan' in planned) || planned.plan.value.objective <= plan.value.objective + 1e-9) return undefined;
  return { stages, frees: planned.plan.value.freed - plan.value.freed };
}

/** Stages a plan may have at most. */
export const MOST_STAGES = 5;

/** What is missing before a cut plan can be made; none where it can. */
export function missingForCuts(tree: Tree, dig: Dig | undefined): string[] {
  const drawn = dig?.roots.filter((r) => r.points.length > 0) ?? [];
  return [
    ...(drawn.length === 0 ? ['a dig: the roots about the collar, mapped at the station Dig'] : []),
    ...(drawn.length > 0 && !drawn.some((r) => r.start === 'stem')
      ? ['roots that leave the stem: without them no share of the root cross-section can be given']
      : []),
    ...(drawn.length > 0 && !drawn.some(isAnchor)
      ? ['sound anchors: none is mapped, so no plan can say what holds the tree']
      : []),
    ...(tree.stemDiameter === undefined && tree.dbh === undefined && !dig?.radii && !dig?.diameters
      ? ['the stem diameter']
      : []),
  ];
}
