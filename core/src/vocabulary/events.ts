/** What may have happened to a tree. */
export const EVENT_KINDS = [
  'planted',
  'moved',
  'soil added',
  'paving',
  'trenching',
  'irrigation',
  'mulch contract',
  'drought',
  'flood',
  'fertiliser',
  'staking',
  'guard',
  'planting ring',
  'decline noticed',
  'treatment',
  'other',
] as const;
export type EventKind = (typeof EVENT_KINDS)[number];
