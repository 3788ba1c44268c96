import { excavateOperation } from './excavate';
import { removeOperation, watchOperation } from './keepOrFell';
import { mulchOperation } from './mulch';
import type { Operation, Situation } from './operation';
import { resetOperation } from './reset';

export const PRESCRIPTION_ENGINE = 'operations-1';

/** Every remedy weighed for the tree; those advised first, in the order in which they are done. */
export function prescribe(s: Situation): Operation[] {
  const work = [mulchOperation(s), excavateOperation(s), resetOperation(s)];
  const workAdvised = work.some((o) => o.advice === 'do');
  const all = [...work, watchOperation(s, workAdvised), removeOperation(s)];
  const rank = { do: 0, option: 1, not: 2 } as const;
  return all.sort((a, b) => rank[a.advice] - rank[b.advice]);
}
