import { QUESTIONS, type Question, type Station } from '../questions';
import type { Tree, TreeEvent, Visit } from '../records';

/** What a station holds so far: nothing, some or all of what it asks. */
export interface StationProgress {
  station: Station;
  asked: number;
  answered: number;
}

const MIN_PROFILES = 4;
const MIN_PROBES = 8;

/** Progress of every station of a visit; profiles count to four, pushes of the rod to eight. */
export function progressOf(tree: Tree, events: readonly TreeEvent[], visit: Visit): StationProgress[] {
  const answered = (q: Question) => visit.findings.some((f) => f.key === q.key);
  const questions = (station: Station) => QUESTIONS.filter((q) => q.station === station && !q.more);
  const count = (station: Station, extraAsked = 0, extraAnswered = 0): StationProgress => ({
    station,
    asked: questions(station).length + extraAsked,
    answered: questions(station).filter(answered).length + extraAnswered,
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

/** Questions nobody answered, for the report. */
export const unansweredIn = (visit: Visit): Question[] =>
  QUESTIONS.filter((q) => !q.more && !visit.findings.some((f) => f.key === q.key));
