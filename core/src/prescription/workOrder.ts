import { quantityName } from '../vocabulary/quantities';
import type { Visit, WorkDone } from '../records';
import { byOrderOfWork, type OperationKey } from '../vocabulary/operations';
import type { UnitSystem } from '../units/length';
import { formatQuantity } from '../units/quantity';
import { CUT_PLAN } from '../practice';
import { PASSIVE, type Operation } from '../weighing/operation';
import { stillStands } from '../weighing/planned';
import { HOLD_POINTS, type HoldKey } from '../weighing/rules';

/** When a line of the order of work comes up. */
interface Season {
  key: string;
  /** 1 for what is done now; each later year with work in it counts one more. */
  season: number;
  year: number;
}

/** One line of the order of work: a point at which work stops until it is signed, or an operation. */
export type WorkStep =
  | (Season & {
      hold: HoldKey;
      text: string;
      /** Key of the step that has to be done before it can be signed. */
      after?: string;
    })
  | (Season & {
      operation: OperationKey;
      title: string;
      /** Stage of the cut plan or season of the trenches; 1 where it is done in one go. */
      part: number;
      /** The day a later stage is planned for. */
      on?: string;
      text: string;
      /** What has to be signed before it, by the key of the line where it is signed. */
      first: { key: string; hold: HoldKey }[];
    });

/** A stage of an agreed cut plan. */
export interface CutStage {
  stage: number;
  year: number;
  /** The day it is planned for. */
  on?: string;
  /** Labels of the roots that are cut. */
  roots: string[];
}

/** Stages of an agreed cut plan with their years; one stage where none was agreed. */
export function stagesOf(visit: Pick<Visit, 'cuts' | 'date'>): CutStage[] {
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

/** What is done of an operation in one season. */
interface Part {
  operation: Operation;
  part: number;
  year: number;
  title: string;
  text: string;
  on?: string;
}

/** Key of the step that is one part of an operation. */
export const stepKey = (operation: OperationKey, part: number): string =>
  part > 1 ? `${operation}-${part}` : operation;

/** Key of a hold point that comes up again before a later part. */
const holdKey = (hold: HoldKey, { key }: Operation, part: number): string =>
  `hold-${hold}${part === 1 ? '' : key === 'prune' ? `-${part}` : `-${stepKey(key, part)}`}`;

/**
 * The prescribed operations in the order in which they depend on each other, each behind the points that have to be
 * signed before it. A hold point is signed once a season of work: later stages of a cut plan and later seasons of
 * opening the soil ask for theirs again, together where they fall into one year. Of a tree that was taken down it is what
 * was done, and what goes on after that.
 *
 * @param trenchSeasons over how many years the soil is opened, one season a year
 */
export function workOrder(
  planned: readonly Operation[],
  visit: Pick<Visit, 'cuts' | 'date' | 'work'>,
  trenchSeasons = 1,
): WorkStep[] {
  const year = Number(visit.date.slice(0, 4));
  const now = planned
    .filter((o) => !PASSIVE.includes(o.key))
    .sort((a, b) => byOrderOfWork(a.key, b.key))
    .map((o): Part => ({ operation: o, part: 1, year, title: o.title, text: o.summary }));
  const later = now.flatMap(({ operation }): Part[] => {
    if (operation.key === 'prune')
      return stagesOf(visit)
        .slice(1)
        .map(({ stage, year: at, on, roots }) => ({
          operation,
          part: stage,
          year: at,
          title: `${operation.title}, stage ${stage}`,
          text: `Roots ${roots.join(', ')}.`,
          ...(on && { on }),
        }));
    if (operation.key === 'trench')
      return Array.from({ length: trenchSeasons - 1 }, (_, i) => ({
        operation,
        part: i + 2,
        year: year + 1 + i,
        title: `${operation.title}, season ${i + 2}`,
        text: `Season ${i + 2} of ${trenchSeasons}: opens what the seasons before left whole.`,
      }));
    return [];
  });
  const years = [...new Set(later.map((p) => p.year))].sort((a, b) => a - b);
  const all = [now, ...years.map((at) => later.filter((p) => p.year === at))].flatMap((parts, i) =>
    behindHolds(parts, i + 1),
  );
  return standing(all, visit);
}

/** Steps that stand, with the points that were signed or are asked for by one of them. */
function standing(all: readonly WorkStep[], visit: Pick<Visit, 'work'>): WorkStep[] {
  const steps = all.filter((s) => 'hold' in s || stillStands(s.operation, s.key, visit));
  const asked = new Set(steps.flatMap((s) => ('hold' in s ? [] : s.first.map((f) => f.key))));
  const signed = new Set((visit.work ?? []).map((w) => w.step));
  return steps.filter((s) => !('hold' in s) || asked.has(s.key) || signed.has(s.key));
}

/** The parts of one season, each hold point before the first of them that needs it. */
function behindHolds(parts: readonly Part[], season: number): WorkStep[] {
  const signed = new Map<HoldKey, string>();
  const assessed = parts.some((p) => p.operation.key === 'stability');
  return parts.flatMap(({ operation, year, ...part }): WorkStep[] => {
    const asked = operation.first.filter((hold) => !signed.has(hold));
    for (const hold of asked) signed.set(hold, holdKey(hold, operation, part.part));
    return [
      ...asked.map((hold) => ({
        key: signed.get(hold)!,
        season,
        year,
        hold,
        text: HOLD_POINTS[hold],
        ...(hold === 'stability' && assessed && { after: stepKey('stability', 1) }),
      })),
      {
        key: stepKey(operation.key, part.part),
        season,
        year,
        operation: operation.key,
        ...part,
        first: operation.first.map((hold) => ({ key: signed.get(hold)!, hold })),
      },
    ];
  });
}

/** The amounts that were recorded on site, in the units of the operation's own quantities. */
export const amountsDone = (
  { amounts }: WorkDone,
  operation: Operation | undefined,
  system: UnitSystem,
): string =>
  (amounts ?? [])
    .flatMap(({ quantity, amount }) => {
      const name = quantityName(quantity);
      const planned = operation?.quantities.find((q) => q.key === quantity);
      if (!planned) return [`${name} ${amount}`];
      const done = formatQuantity({ ...planned, value: amount, plusMinus: undefined }, system);
      return [`${name} ${done} in place of ${formatQuantity(planned, system)}`];
    })
    .join(', ');
