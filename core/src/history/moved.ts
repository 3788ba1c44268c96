import type { Tree, TreeEvent, Visit } from '../records';
import { READING_LIMITS } from '../practice/limitsOfReadings';
import { byDay, yearOf } from '../vocabulary/dates';
import { ageAt } from './age';

/** Months in which a tree stands in leaf, north and south of the tropics. Common practice, no source. */
const IN_LEAF = { north: ['05', '06', '07', '08', '09'], south: ['11', '12', '01', '02', '03'] };

/**
 * Whether a tree was planted or moved so lately that its roots may not be out yet, by its dated events, else by the year
 * or the class of its age.
 */
export function movedLately(
  tree: Pick<Tree, 'plantedYear'>,
  events: readonly Pick<TreeEvent, 'kind' | 'when'>[],
  visit: Pick<Visit, 'date' | 'findings'>,
  south = false,
): { inLeaf: boolean } | undefined {
  const year = Number(visit.date.slice(0, 4));
  const lately = (then: number | undefined) =>
    then !== undefined && year - then >= 0 && year - then <= READING_LIMITS.shockYears.value;
  const moves = events
    .filter(
      (e) => (e.kind === 'planted' || e.kind === 'moved') && e.when <= visit.date && lately(yearOf(e.when)),
    )
    .sort((a, b) => byDay(b.when, a.when));
  if (moves[0]) return { inLeaf: IN_LEAF[south ? 'south' : 'north'].includes(moves[0].when.slice(5, 7)) };
  const age = ageAt(tree, visit);
  return age && age.years >= 0 && age.years <= READING_LIMITS.shockYears.value
    ? { inLeaf: false }
    : undefined;
}
