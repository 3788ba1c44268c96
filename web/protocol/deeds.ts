import type { Deed } from './roles';
import type { ItemKind } from './item';

/** What one has to be allowed to do to write an item of a kind; one table for routes, actions and screens. */
export const DEED_OF: Record<ItemKind, Deed> = {
  tree: 'measure',
  event: 'measure',
  visit: 'measure',
  finding: 'measure',
  profile: 'measure',
  probe: 'measure',
  decision: 'judge',
  dig: 'measure',
  root: 'measure',
  trenches: 'measure',
  push: 'measure',
  soilLog: 'measure',
  cuts: 'judge',
  work: 'measure',
};

/** Fields of an item that only a consultant writes, with what they are called. */
export const JUDGED: Partial<Record<ItemKind, Readonly<Record<string, string>>>> = {
  tree: { schools: 'schools of practice', worth: 'worth of the tree' },
  visit: { opinion: 'the consultant’s own judgement', clientWords: 'words for the client' },
};

/** An item without what only a consultant writes. */
export function withoutJudged(kind: ItemKind, values: Record<string, unknown>): Record<string, unknown> {
  const judged = JUDGED[kind] ?? {};
  return Object.fromEntries(Object.entries(values).filter(([field]) => !(field in judged)));
}
