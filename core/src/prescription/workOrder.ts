import type { Visit } from '../casefile/model';
import type { WorkDone } from '../casefile/work';
import type { UnitSystem } from '../units/length';
import { formatQuantity } from '../units/quantity';
import { CUT_PLAN } from '../practice';
import type { Operation, OperationKey } from './operation';
import { HOLD_POINTS, REMEDIES, type HoldKey } from './remedies';

/** One line of the order of work: a point at which work stops until it is signed, or an operation. */
export type WorkStep =
  | { key: string; hold: HoldKey; text: string }
  | {
      key: string;
      operation: OperationKey;
      title: string;
      stage: number;
      year: number;
      /** The day a later stage is planned for. */
      on?: string;
      text: string;
      /** What has to be signed before it. */
      first: HoldKey[];
    };

/** Stages of an agreed cut plan with their years; one stage where none was agreed. */
export function stagesOf(
  visit: Pick<Visit, 'cuts' | 'date'>,
): { stage: number; year: number; on?: string; roots: string[] }[] {
  const first = Number(visit.date.slice(0, 4));
  const interval = visit.cuts?.interval ?? CUT_PLAN.interval.value;
  const agreed = visit.cuts?.agreed ?? [];
  const stages = [...new Set(agreed.map((a) => a.stage))].sort((a, b) => a - b);
  return stages.map((stage) => ({
    stage,
    ...plannedStage(visit, stage, first + (stage - 1) * interval),
    roots: agreed.filter((a) => a.stage === stage).map((a) => a.label),
  }));
}

/** Year of a stage, and its day where one was set. */
function plannedStage(
  { cuts }: Pick<Visit, 'cuts'>,
  stage: number,
  year: number,
): { year: number; on?: string } {
  const on = stage > 1 ? cuts?.days?.find((d) => d.stage === stage)?.on : undefined;
  return on ? { year: Number(on.slice(0, 4)), on } : { year };
}

/** Roots that the agreed cut plan takes before a stage. */
export const goneBefore = ({ cuts }: Pick<Visit, 'cuts'>, stage: number): ReadonlySet<string> =>
  new Set((cuts?.agreed ?? []).filter((a) => a.stage < stage).map((a) => a.label));

/**
 * A visit as the crew of a later stage of its cut plan finds it: roots of the stages before are gone, and what is agreed
 * for that stage is the work of today.
 */
export function atStage(visit: Visit, stage: number): Visit {
  const agreed = visit.cuts?.agreed ?? [];
  if (stage <= 1 || !visit.dig || !visit.cuts) return visit;
  const gone = goneBefore(visit, stage);
  return {
    ...visit,
    dig: { ...visit.dig, roots: visit.dig.roots.filter((r) => !gone.has(r.label)) },
    cuts: {
      ...visit.cuts,
      agreed: agreed.filter((a) => a.stage >= stage).map((a) => ({ ...a, stage: a.stage - stage + 1 })),
    },
  };
}

const PASSIVE: readonly OperationKey[] = ['watch', 'fertiliser'];

/**
 * The prescribed operations in the order in which they depend on each other, each behind the points that have to be
 * signed before it. A hold point is signed once a season of work: the later stages of a cut plan ask for theirs again.
 */
export function workOrder(planned: readonly Operation[], visit: Pick<Visit, 'cuts' | 'date'>): WorkStep[] {
  const year = Number(visit.date.slice(0, 4));
  const inOrder = planned
    .filter((o) => !PASSIVE.includes(o.key))
    .sort((a, b) => REMEDIES[a.key].order - REMEDIES[b.key].order);
  const season = (
    operations: readonly Operation[],
    stage: number,
    at: number,
    later?: { roots: string[]; on?: string },
  ): WorkStep[] => {
    const signed = new Set<HoldKey>();
    return operations.flatMap((o) => {
      const holds = o.first.filter((h) => !signed.has(h));
      holds.forEach((h) => signed.add(h));
      const suffix = stage > 1 ? `-${stage}` : '';
      return [
        ...holds.map((hold) => ({ key: `hold-${hold}${suffix}`, hold, text: HOLD_POINTS[hold] })),
        {
          key: `${o.key}${suffix}`,
          operation: o.key,
          title: stage > 1 ? `${o.title}, stage ${stage}` : o.title,
          stage,
          year: at,
          ...(later?.on && { on: later.on }),
          first: o.first,
          text: later ? `Roots ${later.roots.join(', ')}.` : o.summary,
        },
      ];
    });
  };
  const prune = inOrder.filter((o) => o.key === 'prune');
  const stages = prune.length > 0 ? stagesOf(visit) : [];
  return [
    ...season(inOrder, 1, year),
    ...stages.slice(1).flatMap(({ stage, year: at, ...later }) => season(prune, stage, at, later)),
  ];
}

/** The amounts that were recorded on site, in the units of the operation's own quantities. */
export const amountsDone = (
  { amounts }: WorkDone,
  operation: Operation | undefined,
  system: UnitSystem,
): string =>
  (amounts ?? [])
    .flatMap(({ name, amount }) => {
      const planned = operation?.quantities.find((q) => q.name === name);
      if (!planned) return [`${name} ${amount}`];
      const done = formatQuantity({ ...planned, value: amount, plusMinus: undefined }, system);
      return [`${name} ${done} in place of ${formatQuantity(planned, system)}`];
    })
    .join(', ');
