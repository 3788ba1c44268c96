import type { CaseFile } from '@undrel/core/format';
import {
  ownIdOf,
  partsOf,
  visitOf,
  type Kind,
  type Values,
  type Visit,
  type VisitHead,
} from '@undrel/core/records';

export type ItemKind = Kind;
export type ItemValues = Values;

/** One separately saved piece of a case. `version` is the one last seen on the server; 0 was never saved. */
export type Item = {
  [K in ItemKind]: { kind: K; id: string; parent: string; version: number; values: ItemValues[K] | null };
}[ItemKind];

export type ItemOf<K extends ItemKind> = Extract<Item, { kind: K }>;

/** A write: the whole new value of an item (null deletes it) and the version it was based on. */
export interface Change {
  kind: ItemKind;
  id: string;
  parent: string;
  base: number;
  values: Record<string, unknown> | null;
  /** What was sent for this item before and never answered: finding one of these stored is finding one's own. */
  inDoubt?: (Record<string, unknown> | null)[];
}

export interface Theirs {
  version: number;
  values: Record<string, unknown> | null;
  by: string | null;
  at: string;
}

export type ChangeResult =
  | { id: string; status: 'saved'; version: number }
  | { id: string; status: 'stale'; theirs: Theirs }
  | { id: string; status: 'refused'; problem: string };

/** A record that was never saved; a kind whose records are what they are about has its id from them. */
function fresh<K extends Kind>(kind: K, parent: string, values: Values[K], newId: () => string): Item {
  return { kind, id: ownIdOf(kind, parent, values) ?? newId(), parent, version: 0, values } as Item;
}

/** All items of a case file, with ids from `newId` where identity is not given by the content. */
export function itemsOf(caseFile: CaseFile, propertyId: string, newId: () => string): Item[] {
  const tree = fresh('tree', propertyId, caseFile.tree, newId);
  const items = [tree, ...caseFile.events.map((event) => fresh('event', tree.id, event, newId))];
  for (const visit of caseFile.visits) {
    const { head, records } = partsOf(visit);
    const own = fresh('visit', tree.id, head, newId);
    items.push(own, ...records.map(({ kind, values }) => fresh(kind, own.id, values, newId)));
  }
  return items;
}

/** An item that is not deleted. */
export type Living<K extends ItemKind> = ItemOf<K> & { values: ItemValues[K] };

const isKind =
  <K extends ItemKind>(kind: K) =>
  (item: Item): item is Living<K> =>
    item.kind === kind && item.values !== null;

/** Living items of a kind below a parent. */
export const itemsBelow = <K extends ItemKind>(items: readonly Item[], kind: K, parent: string) =>
  items.filter(isKind(kind)).filter((item) => item.parent === parent);

/** The visit as the core reads it. */
export const visitFrom = (items: readonly Item[], visit: { id: string; values: VisitHead }): Visit => {
  // Each kind is asked for in turn: what is of other visits is passed over once.
  const below = items.filter((item) => item.parent === visit.id);
  return visitOf(visit.values, <K extends Kind>(kind: K) =>
    below.filter(isKind(kind)).map((item) => item.values as Values[K]),
  );
};
