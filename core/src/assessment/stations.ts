import type { Station } from '../questions';
import type { Tree, TreeEvent, Visit } from '../records';

/** What a station holds so far: nothing, some or all of what it asks. */
export interface StationProgress {
  station: Station;
  asked: number;
  answered: number;
}

const MIN_PROFILES = 4;
const MIN_PROBES = 8;

/**
 * Progress of every station of a visit; profiles count to four, pushes of the rod to eight.
 *
 * @param counted keys of the questions that count, by station: a page counts without their texts
 */
export function progressOf(
  tree: Tree,
  events: readonly TreeEvent[],
  visit: Visit,
  counted: Readonly<Record<Station, readonly string[]>>,
): StationProgress[] {
  const count = (station: Station, extraAsked = 0, extraAnswered = 0): StationProgress => ({
    station,
    asked: counted[station].length + extraAsked,
    answered:
      counted[station].filter((key) => visit.findings.some((f) => f.key === key)).length + extraAnswered,
  });
  const history = [tree.plantedYear, tree.stock, tree.stemDiameter ?? tree.dbh].filter(
    (v) => v !== undefined,
  ).length;
  return [
    count('history', 4, history + Math.min(1, events.length)),
    count('crown'),
    count('base'),
    count('mulch', MIN_PROFILES, Math.min(MIN_PROFILES, visit.profiles.length)),
    count('probe', MIN_PROBES, Math.min(MIN_PROBES, visit.probes.length)),
    count('soil'),
  ];
}
