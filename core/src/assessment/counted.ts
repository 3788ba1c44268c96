import { QUESTIONS, type Question, type Station } from '../questions';
import type { Visit } from '../records';

const counts = (q: Question): boolean => !q.more;
const keysAt = (station: Station): string[] =>
  QUESTIONS.filter((q) => q.station === station && counts(q)).map((q) => q.key);

/** Keys of the questions whose answers count as progress, by station. */
export const COUNTED: Readonly<Record<Station, readonly string[]>> = {
  history: keysAt('history'),
  crown: keysAt('crown'),
  base: keysAt('base'),
  mulch: keysAt('mulch'),
  probe: keysAt('probe'),
  dig: keysAt('dig'),
  soil: keysAt('soil'),
};

/** Questions nobody answered, for the report. */
export const unansweredIn = (visit: Visit): Question[] =>
  QUESTIONS.filter((q) => counts(q) && !visit.findings.some((f) => f.key === q.key));
