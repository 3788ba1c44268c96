import type { Tree, TreeEvent } from '../records';
import { yearOf } from '../vocabulary/dates';

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
