import type { Need } from '../costing';
import { LIMITS } from '../practice';
import type { WhoDoes } from '../practice/followUps';
import { dateProblems, type ClosedSeason } from '../prescription/seasons';
import type { WorkStep } from '../prescription/workOrder';
import type { Visit } from '../records';
import { dayAfter } from '../vocabulary/dates';
import type { OperationKey } from '../vocabulary/operations';
import type { Operation } from '../weighing/operation';
import type { Task } from './task';

/** Who does a remedy; the crew where it is not here. Common practice, no source. */
const NOT_THE_CREW: Partial<Record<OperationKey, WhoDoes>> = {
  stability: 'consultant',
  alive: 'consultant',
  identify: 'consultant',
  explore: 'consultant',
  fertiliser: 'owner',
  watch: 'consultant',
  postmortem: 'consultant',
};

/** A step of an order that is still to be done, with its days. */
export interface WorkTask extends Task {
  operation: OperationKey;
  /** The visit's steps in the order in which they are worked. */
  place: number;
  /** Crew hours, as far as they are known. */
  hours: number;
  /** Whether the air tool comes along. */
  air: boolean;
  /** Part of the work, 1 for what is done now. */
  part: number;
  /** It waits until bark that was dug out has dried. */
  dries: boolean;
  /** Its tree may fall, and nobody has assessed it yet: nobody works there before. */
  waits: boolean;
  /** First and last day it may be done from today on, where a season shuts it; none where it is shut for good. */
  open?: { from: string; to?: string };
  /** Before which day it is done, and from when again, where a season shuts it. */
  flag?: string;
}

/** How far ahead seasons are looked at, days. */
const AHEAD = 800;

/** The first stretch of days from a day on in which an operation may be done; undefined where there is none in two years. */
export function openSpell(
  operation: Operation,
  species: string,
  from: string,
  closed: readonly ClosedSeason[],
): { from: string; to?: string; again?: string } | undefined {
  const open = (i: number) => dateProblems(operation, species, dayAfter(from, i), closed).length === 0;
  if (!operation.window && !closed.some((c) => c.operations.includes(operation.key))) return { from };
  let start = 0;
  while (start < AHEAD && !open(start)) start++;
  if (start === AHEAD) return undefined;
  let end = start;
  while (end < AHEAD && open(end)) end++;
  if (end === AHEAD) return { from: dayAfter(from, start) };
  let again = end;
  while (again < AHEAD && !open(again)) again++;
  return {
    from: dayAfter(from, start),
    to: dayAfter(from, end - 1),
    ...(again < AHEAD && { again: dayAfter(from, again) }),
  };
}

/** Before when, and from when again; empty where no season shuts it. */
function flagOf(
  spell: { from: string; to?: string; again?: string } | undefined,
  today: string,
): string | undefined {
  if (spell?.to === undefined) return undefined;
  const before = dayAfter(spell.to, 1);
  const when = spell.from > today ? `From ${spell.from}, before ${before}` : `Before ${before}`;
  return `${when}${spell.again ? `, else wait for ${spell.again}` : ''}.`;
}

/**
 * The steps of an order that are not done yet, each with the days it is for: the day it was planned for; else from the
 * visit, or the year of its part, the first open season, for as long as it is open or a season of work lasts.
 *
 * @param operations all of the visit
 * @param needs what they take, for their hours
 * @param visitAt place of the visit in the list of the tree's visits
 */
export function worksOf(
  steps: readonly WorkStep[],
  operations: readonly Operation[],
  visit: Pick<Visit, 'date' | 'decisions' | 'work'>,
  needs: readonly Need[],
  species: string,
  closed: readonly ClosedSeason[],
  today: string,
  visitAt: number,
): WorkTask[] {
  const said = new Map((visit.work ?? []).map((w) => [w.step, w.how]));
  // An assessment that was not done is still to be done: nobody works there before it.
  const isOver = ({ key }: WorkStep) =>
    said.has(key) && !(key === 'stability' && said.get(key) === 'not done');
  const unassessed = steps.some((s) => 'operation' in s && s.operation === 'stability' && !isOver(s));
  return steps.flatMap((step, place): WorkTask[] => {
    // Watering has its own balance, which says its days.
    if ('hold' in step || isOver(step) || step.operation === 'water') return [];
    const operation = operations.find((o) => o.key === step.operation)!;
    const on = step.part === 1 ? visit.decisions.find((d) => d.operation === step.operation)?.on : step.on;
    const year = `${step.year}-01-01`;
    const begin = step.part === 1 || year < visit.date ? visit.date : year;
    const spell = on ? undefined : openSpell(operation, species, begin, closed);
    const within = step.operation === 'stability' ? operation.lookAgain?.days : undefined;
    const last = dayAfter(spell?.from ?? begin, within ?? LIMITS.workWithin.value);
    const from = on ?? spell?.from ?? begin;
    const to = on ?? (spell?.to !== undefined && spell.to < last ? spell.to : last);
    // What its season shut out waits for the next one, and is late all the same.
    const now = openSpell(operation, species, today > from ? today : from, closed);
    const flag = flagOf(now, today);
    const own = needs.filter((n) => n.step === step.key);
    const hours = (resource: Need['resource']) =>
      own.filter((n) => n.resource === resource).reduce((sum, n) => sum + n.amount, 0);
    return [
      {
        key: step.key,
        kind: 'work',
        what: step.title,
        stake: '',
        who: NOT_THE_CREW[step.operation] ?? 'crew',
        from,
        to,
        state: to < today ? 'late' : from <= today ? 'due' : 'ahead',
        because: on ? `planned for ${on}` : `prescribed ${visit.date}`,
        visit: visitAt,
        operation: step.operation,
        place,
        hours: hours('crew'),
        air: hours('airTool') > 0,
        part: step.part,
        waits: unassessed && step.first.some((f) => f.hold === 'stability'),
        dries: step.first.some((f) => f.hold === 'dry'),
        ...(now && { open: { from: now.from, ...(now.to !== undefined && { to: now.to }) } }),
        ...(flag && { flag }),
        ...(now &&
          now.from > today &&
          to < today && { told: `its season is over; the next begins ${now.from}` }),
      },
    ];
  });
}
