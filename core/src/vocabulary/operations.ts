/** Everything that may be prescribed. */
export const OPERATION_KEYS = [
  'stability',
  'ties',
  'mulch',
  'excavate',
  'regrade',
  'treeWell',
  'ring',
  'prune',
  'reset',
  'drain',
  'trench',
  'stake',
  'guard',
  'water',
  'fertiliser',
  'watch',
  'remove',
  'replace',
] as const;
export type OperationKey = (typeof OPERATION_KEYS)[number];
