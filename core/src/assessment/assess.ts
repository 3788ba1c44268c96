import type { Tree, TreeEvent, Visit } from '../records';
import { tableFor, verdictOf, type FirmTable, type Verdict } from '../diagnosis';
import { prescribe, situation, type Operation, type Situation } from '../prescription';
import type { House } from '../house';
import { isRecovering, pastOf, remembered, type Remembered } from '../memory';
import { profileOf, type Profile } from '../profile';

/** All that follows from one visit to one tree, and from what is remembered of those before it. */
export interface Assessment {
  profile: Profile;
  verdict: Verdict;
  /** How what earlier visits found stands today. */
  memory: Remembered[];
  operations: Operation[];
  /** What the operations were weighed by, for whatever is worked out from them. */
  situation: Situation;
}

/**
 * Measures, explains and prescribes for one visit.
 *
 * @param house schools and species of the firm, weather of the place; the tree's own schools override them
 * @param words the firm's own judgements in the table of causes
 * @param visits all of the tree, in any order: what those before it found, and what was done since, is remembered
 */
export function assess(
  tree: Tree,
  events: readonly TreeEvent[],
  visit: Visit,
  house: House = {},
  words?: FirmTable,
  visits: readonly Visit[] = [],
): Assessment {
  const table = tableFor(words);
  const past = pastOf(tree, events, visits, visit, table, house);
  const profile = profileOf(tree, visit);
  const verdict = verdictOf(tree, events, visit, profile, table, house, isRecovering(past, visit.date));
  const judged = situation(tree, events, visit, profile, verdict, house);
  return {
    profile,
    verdict,
    memory: remembered(past, verdict, visit),
    operations: prescribe(judged),
    situation: judged,
  };
}
