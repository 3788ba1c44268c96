import type { Tree, TreeEvent, Visit } from '../records';
import { tableFor, verdictOf, type FirmTable, type Verdict } from '../diagnosis';
import { prescribe, situation, type Operation, type Situation } from '../prescription';
import type { HouseSchools } from '../practice';
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
 * @param firm schools of practice the firm has chosen; the tree's own override them
 * @param words the firm's own judgements in the table of causes
 */
export function assess(
  tree: Tree,
  events: readonly TreeEvent[],
  visit: Visit,
  firm: HouseSchools = {},
  words?: FirmTable,
): Assessment {
  const profile = profileOf(tree, visit);
  const verdict = verdictOf(tree, events, visit, profile, tableFor(words));
  const judged = situation(tree, events, visit, profile, verdict, firm);
  return { profile, verdict, operations: prescribe(judged), situation: judged };
}
