import { assess, type Assessment } from '@undrel/core/assessment';

/** Kept in this process; a few kilobytes each. */
const MOST = 2000;
const known = new Map<string, Assessment>();

/**
 * The same as `assess`, which weighs all combinations of causes anew each time; one that was asked for before is
 * given again. Nothing but what it is given decides an assessment, so the text of that is its key.
 */
export const assessed: typeof assess = (...given) => {
  const key = JSON.stringify(given);
  const before = known.get(key);
  known.delete(key);
  const assessment = before ?? assess(...given);
  known.set(key, assessment);
  if (known.size > MOST) known.delete(known.keys().next().value!);
  return assessment;
};
