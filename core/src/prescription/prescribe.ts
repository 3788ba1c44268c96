import { excavateOperation } from './excavate';
import { removeOperation, watchOperation } from './keepOrFell';
import { mulchOperation } from './mulch';
import { openSoilOperation } from './openSoil';
import type { Operation, Situation } from './operation';
import { pruneOperation } from './prune';
import { resetOperation } from './reset';
import { waterOperation } from './water';

export const PRESCRIPTION_ENGINE = 'operations-2';

/** Every remedy weighed for the tree; those advised first, in the order in which they are done. */
export function prescribe(s: Situation): Operation[] {
  const mulch = mulchOperation(s);
  // In the order in which they are done: bare, look, cut; then the soil, then water.
  const atRoots = [excavateOperation(s), pruneOperation(s), resetOperation(s), openSoilOperation(s)];
  const work = [mulch, ...atRoots];
  const workAdvised = work.some((o) => o.advice === 'do');
  const all = [...work, waterOperation(s, atRoots), watchOperation(s, workAdvised), removeOperation(s)];
  const rank = { do: 0, option: 1, not: 2 } as const;
  return all.sort((a, b) => rank[a.advice] - rank[b.advice]);
}
