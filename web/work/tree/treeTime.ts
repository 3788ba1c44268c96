import { standingOf } from '@undrel/core/diagnosis';
import { dryYears } from '@undrel/core/history';
import { coneBack } from '@undrel/core/memory';
import { effectOf } from '@undrel/core/practice';
import {
  answersOf,
  compareVisits,
  recoveryOf,
  remedyRecords,
  shootYears,
  type Treated,
  type Yardstick,
} from '@undrel/core/recovery';
import type { Visit } from '@undrel/core/records';
import { byDay, operationOf } from '@undrel/core/vocabulary';
import { isWalk } from '@undrel/core/walk';
import type { FirmRecord, TreeTime } from '../../protocol/time';
import { assessedOf } from './assessed';
import type { ReportSource } from './source';
import { alignedPairs } from './alignedPairs';
import { picturePairs } from '../../protocol/picturePairs';

export interface TimeGiven {
  source: ReportSource;
  yardstick: Yardstick | undefined;
  on: string;
  /** Days of the visits to set side by side; the first full one and the newest where they are left out. */
  before?: string;
  after?: string;
}

/** The cause that is most likely at the newest visit, other than what the treatment was for. */
function insteadOf(source: ReportSource): string | undefined {
  const { verdict, memory } = assessedOf(source);
  const treated = new Set(memory.filter((m) => m.treatment).map((m) => m.node));
  return verdict.causes.find(
    (c) => !treated.has(c.cause) && ['likely', 'possible'].includes(standingOf(verdict, c.cause).standing),
  )?.label;
}

function marksOf({ events, visits, tree }: ReportSource): TreeTime['marks'] {
  const works = visits.flatMap((v) => v.work ?? []).filter((w) => w.how !== 'not done');
  return [
    ...(tree.plantedYear !== undefined && !events.some((e) => e.kind === 'planted')
      ? [{ on: String(tree.plantedYear), what: 'planted', kind: 'event' as const }]
      : []),
    ...events.map((e) => ({ on: e.when, what: e.kind, kind: 'event' as const })),
    ...visits.map((v) => {
      const pictures = v.pictures?.length ?? 0;
      const told = pictures > 0 ? `, ${pictures} ${pictures === 1 ? 'picture' : 'pictures'}` : '';
      return { on: v.date, what: `${isWalk(v) ? 'walk-round' : 'visit'}${told}`, kind: 'visit' as const };
    }),
    ...works.flatMap(({ step, on }) => {
      const operation = operationOf(step);
      const done = operation && effectOf(operation)?.done;
      return done ? [{ on, what: done, kind: 'work' as const }] : [];
    }),
  ].sort((a, b) => byDay(a.on, b.on));
}

/** Two visits to set side by side: those asked for, else the first full one and the newest other. */
function pairOf(visits: readonly Visit[], { before, after }: TimeGiven): [Visit, Visit] | undefined {
  const at = (day: string | undefined) => visits.find((v) => v.date === day);
  const full = visits.filter((v) => !isWalk(v));
  const [first, last] = [at(before) ?? full[0], at(after) ?? full.at(-1)];
  return first && last && first.date < last.date ? [first, last] : undefined;
}

/** A tree through time: whether its treatment worked, its life on one axis, and two visits side by side. */
export function treeTime(given: TimeGiven): TreeTime {
  const { source, yardstick, on } = given;
  const { tree, schools, property } = source;
  const visits = [...source.visits].sort((a, b) => byDay(a.date, b.date));
  const recovery = recoveryOf(visits, schools, on, yardstick, {
    instead: insteadOf(source),
    coneBack: coneBack(
      tree,
      visits.filter((v) => v.date <= on),
    ),
  });
  const pair = pairOf(visits, given);
  return {
    label: tree.label,
    species: tree.species,
    property,
    ...(tree.plantedYear !== undefined && { planted: tree.plantedYear }),
    marks: marksOf(source),
    ...(recovery && { recovery }),
    years: recovery?.years ?? shootYears(visits, on, yardstick),
    ...(yardstick && { beside: yardstick.label }),
    dry: schools.weather ? dryYears(schools.weather) : [],
    pairs: alignedPairs(picturePairs(visits), tree, visits),
    visits: visits.map((v) => v.date),
    ...(pair && {
      compared: {
        before: pair[0].date,
        after: pair[1].date,
        rows: compareVisits(tree, pair[0], pair[1]),
      },
    }),
  };
}

/** Of some trees those that were treated, each with how it stands. */
export const treatedOf = ({
  trees,
  on,
}: {
  trees: readonly { id: string; source: ReportSource; yardstick: Yardstick | undefined }[];
  on: string;
}): Treated[] =>
  trees.flatMap(({ id, source, yardstick }) => {
    const recovery = recoveryOf(source.visits, source.schools, on, yardstick);
    return recovery ? [{ id, label: source.tree.label, recovery }] : [];
  });

/** How often each remedy worked. */
export const firmRecord = (treated: readonly Treated[]): FirmRecord => ({
  trees: treated.length,
  answers: answersOf(treated),
  records: remedyRecords(treated),
});
