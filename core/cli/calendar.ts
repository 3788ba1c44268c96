import { assess } from '../src/assessment';
import { needsOf } from '../src/costing';
import type { CaseFile } from '../src/format/case';
import { plannedOf, workOrder } from '../src/prescription';
import { byTime, isOpen, tasksOf, worksOf, type Task } from '../src/schedule';
import { writeLengths, type UnitSystem } from '../src/units';
import { visitToJudge } from '../src/walk';

/** What is to be done at the tree of a case, as it stands on a day: what follows work, days to come back, and what is prescribed. */
export function calendarOfCase({ tree, events, visits, weather }: CaseFile, on: string): Task[] {
  const known = visits.filter((v) => v.date <= on);
  const visit = visitToJudge(known);
  if (!visit) throw new Error(`$.visits: none until ${on}; at least one visit is needed`);
  const house = { weather };
  const planned = plannedOf(assess(tree, events, visit, house, undefined, known).operations, visit);
  const at = known.indexOf(visit);
  const rests = planned.flatMap((o) =>
    o.key === 'fertiliser' ? [{ visit: at, operation: o.key } as const] : [],
  );
  const works = worksOf(
    workOrder(planned, visit),
    planned,
    visit,
    needsOf(planned, visit, undefined),
    tree.species,
    [],
    on,
    at,
  );
  return [...tasksOf(tree, known, house, on, rests), ...works].sort(byTime);
}

/** It for people: what is open, what presses first. */
export function calendarText(label: string, on: string, tasks: readonly Task[], system: UnitSystem): string {
  const open = tasks.filter(isOpen);
  const late = open.filter((t) => t.state === 'late').length;
  const due = open.filter((t) => t.state === 'due').length;
  return [
    `${label}, ${on}: ${late} late, ${due} due, ${open.length - late - due} to come.`,
    ...open.map((t) => {
      const time = t.from === t.to ? t.to : `${t.from} to ${t.to}`;
      const why = t.state === 'late' && t.stake ? ` ${t.stake}` : '';
      return writeLengths(`  ${time} ${t.state}, ${t.who}: ${t.what}${why} (${t.because})`, system);
    }),
    '',
  ].join('\n');
}
