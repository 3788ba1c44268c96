import type { EventKind, Tree, TreeEvent } from '../casefile/model';

export const EVENT_KINDS: readonly EventKind[] = [
  'planted',
  'soil added',
  'paving',
  'trenching',
  'irrigation',
  'mulch contract',
  'drought',
  'flood',
  'fertiliser',
  'staking',
  'guard',
  'planting ring',
  'decline noticed',
  'treatment',
  'other',
];

const WHEN = /^(\d{4})(?:-(\d{2})(?:-(\d{2}))?)?$/;

/** The year of `YYYY`, `YYYY-MM` or `YYYY-MM-DD`; undefined when it is none of these or no such day exists. */
export function yearOf(when: string): number | undefined {
  const read = WHEN.exec(when);
  if (!read) return undefined;
  const month = Number(read[2] ?? 1);
  const day = Number(read[3] ?? 1);
  const date = new Date(Date.UTC(Number(read[1]), month - 1, day));
  const exists = date.getUTCMonth() === month - 1 && date.getUTCDate() === day;
  return exists ? Number(read[1]) : undefined;
}

/**
 * What is wrong with an event's date, or undefined.
 *
 * @param today ISO date; the caller's, since the core has no clock
 */
export function eventDateProblem(event: TreeEvent, tree: Tree, today: string): string | undefined {
  const year = yearOf(event.when);
  if (year === undefined) {
    return `When: “${event.when}” is not a date; write 2018, 2018-04 or 2018-04-12.`;
  }
  if (event.when > today.slice(0, event.when.length)) {
    return `When: ${event.when} is in the future; the latest possible is ${today}.`;
  }
  if (tree.plantedYear !== undefined && year < tree.plantedYear) {
    return `When: ${event.when} is before planting (${tree.plantedYear}); correct one of the two.`;
  }
  return undefined;
}
