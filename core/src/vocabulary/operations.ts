/** Everything that may be prescribed, in the order of work. */
export const OPERATION_KEYS = [
  'stability',
  'alive',
  'identify',
  'ties',
  'mulch',
  'mulchRing',
  'explore',
  'excavate',
  'regrade',
  'treeWell',
  'ring',
  'prune',
  'reset',
  'raise',
  'slopeUp',
  'openBall',
  'move',
  'drain',
  'trench',
  'straighten',
  'stake',
  'guard',
  'leach',
  'feed',
  'crown',
  'water',
  'fertiliser',
  'watch',
  'postmortem',
  'remove',
  'replace',
] as const;
export type OperationKey = (typeof OPERATION_KEYS)[number];

/** The operation of a step of an order: `prune` of `prune-2`; undefined for a point to sign and for what is no step. */
export function operationOf(step: string): OperationKey | undefined {
  const key = step.replace(/-[1-5]$/, '');
  return OPERATION_KEYS.includes(key as OperationKey) ? (key as OperationKey) : undefined;
}

/** Sorts by the order of work. */
export const byOrderOfWork = (a: OperationKey, b: OperationKey): number =>
  OPERATION_KEYS.indexOf(a) - OPERATION_KEYS.indexOf(b);
