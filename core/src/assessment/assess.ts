import type { Tree, TreeEvent, Visit } from '../records';
import { tableFor, verdictOf, type FirmTable, type Verdict } from '../diagnosis';
import { prescribe, situation, type Operation, type Situation } from '../prescription';
import type { House } from '../house';
import { profileOf, type Profile } from '../profile';

/** All that follows from one visit to one tree. */
export interface Assessment {
  profile: Profile;
  verdict: Verdict;
  operations: Operation[];
  /** What the operations were weighed by, for whatever is worked out from them. */
  situation: Situation;
}

/**
 * Measures, explains and prescribes for one visit.
 *
 * @param house schools and species of the firm, weather of the place; the tree's own schools override them
 * @param words the firm's own judgements in the table of causes
 */
export function assess(
  tree: Tree,
  events: readonly TreeEvent[],
  visit: Visit,
  house: House = {},
  words?: FirmTable,
): Assessment {
  const profile = profileOf(tree, visit);
  const verdict = verdictOf(tree, events, visit, profile, tableFor(words), house);
  const judged = situation(tree, events, visit, profile, verdict, house);
  return { profile, verdict, operations: prescribe(judged), situation: judged };
}
