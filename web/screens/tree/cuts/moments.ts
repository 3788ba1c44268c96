import type { Scenario } from '@undrel/core/growth';
import type { Way } from '@undrel/core/pruning';

/** Years on at which the plan is looked at with and without it. */
export const LATER = 10;

/** A time to look at the roots, with what is cut by then. */
export interface Moment {
  label: string;
  /** Years from now. */
  years: number;
  cuts: Readonly<Record<string, number>>;
  /** Cuts of this stage are numbered on the plan; none where undefined. */
  stage?: number;
}

type Staged = Pick<Way, 'stages'>;

/** Years from now of each cut. */
const yearsOf = (way: Staged | undefined, interval: number): Record<string, number> =>
  Object.fromEntries(
    Object.entries(way?.stages ?? {}).map(([label, stage]) => [label, (stage - 1) * interval]),
  );

/** Nothing done, and the plan beside it where it cuts anything. */
export function scenariosOf(shown: Staged | undefined, interval: number): Scenario[] {
  const years = yearsOf(shown, interval);
  return [
    { name: 'nothing done', cuts: {} },
    ...(Object.keys(years).length > 0 ? [{ name: 'with the plan', cuts: years }] : []),
  ];
}

/** When the plan is looked at: at each stage, and years on with and without it. */
export function momentsOf(shown: Staged | undefined, interval: number, date: string): Moment[] {
  const years = yearsOf(shown, interval);
  const stages = [...new Set(Object.values(shown?.stages ?? {}))].sort((a, b) => a - b);
  const first = Number(date.slice(0, 4));
  return [
    ...(stages.length === 0 ? [{ label: 'today', years: 0, cuts: {} }] : []),
    // Roots that go in a stage are still there when it is looked at, with their cuts numbered.
    ...stages.map((stage) => ({
      label: `stage ${stage}, ${first + (stage - 1) * interval}`,
      years: (stage - 1) * interval,
      cuts: Object.fromEntries(Object.entries(years).filter(([l]) => shown!.stages[l]! < stage)),
      stage,
    })),
    { label: `${first + LATER}, with the plan`, years: LATER, cuts: years },
    { label: `${first + LATER}, left as it is`, years: LATER, cuts: {} },
  ];
}
