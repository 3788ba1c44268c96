import { sameGenus } from '../species';
import { dayAfter } from '../vocabulary/dates';
import { OPERATION_KEYS, type OperationKey } from '../vocabulary/operations';
import { type Operation } from '../weighing/operation';
import type { SeasonWindow } from '../weighing/rules';

/**
 * A time of the year in which some work is closed by law or local code: nesting, the flight of a disease vector. The firm
 * enters what holds where it works; none is built in.
 */
export interface ClosedSeason {
  why: string;
  /** First and last day, MM-DD; one that begins later than it ends runs over the new year. */
  from: string;
  to: string;
  /** Genus it holds for; all trees where it is left out. */
  genus?: string;
  operations: OperationKey[];
}

const LENGTHS = [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

/** Why a day of the year is not one, or undefined. */
export function monthDayProblem(field: string, typed: string): string | undefined {
  const read = /^(\d{2})-(\d{2})$/.exec(typed);
  const month = Number(read?.[1]);
  const day = Number(read?.[2]);
  const fits = read !== null && month >= 1 && month <= 12 && day >= 1 && day <= LENGTHS[month - 1]!;
  return fits
    ? undefined
    : `${field}: “${typed}” is no day of the year; write month and day, 01-01 to 12-31.`;
}

const within = (day: string, from: string, to: string): boolean =>
  from <= to ? day >= from && day <= to : day >= from || day <= to;

/** The closed season that an operation on a tree would fall into on a date, or undefined. */
export const closedOn = (
  closed: readonly ClosedSeason[],
  species: string,
  operation: OperationKey,
  date: string,
): ClosedSeason | undefined =>
  closed.find(
    (c) =>
      c.operations.includes(operation) &&
      (c.genus === undefined || sameGenus(species, c.genus)) &&
      within(date.slice(5), c.from, c.to),
  );

const two = (n: number): string => String(n).padStart(2, '0');

/** Whether a date lies within the months of an operation. */
export const inWindow = (window: SeasonWindow | undefined, date: string): boolean =>
  window === undefined || within(date.slice(5, 7), two(window.from), two(window.to));

/** What stands in the way of doing an operation on a date; empty where nothing does. */
export function dateProblems(
  operation: Operation,
  species: string,
  date: string,
  closed: readonly ClosedSeason[],
): string[] {
  const shut = closedOn(closed, species, operation.key, date);
  return [
    ...(shut
      ? [
          `${date} lies in a closed season, ${shut.from} to ${shut.to}: ${shut.why.replace(/\.$/, '')}. It may not be done then.`,
        ]
      : []),
    ...(operation.window && !inWindow(operation.window, date)
      ? [`${date} is out of season. ${operation.window.why}`]
      : []),
  ];
}

/** The first day from a date on that is neither closed nor out of season; undefined when a year holds none. */
export function nextOpenDay(
  operation: Operation,
  species: string,
  from: string,
  closed: readonly ClosedSeason[],
): string | undefined {
  for (let i = 0; i <= 366; i++) {
    const day = dayAfter(from, i);
    if (dateProblems(operation, species, day, closed).length === 0) return day;
  }
  return undefined;
}

export const MOST_CLOSED = 20;
export const isOperation = (key: string): key is OperationKey => OPERATION_KEYS.includes(key as OperationKey);
