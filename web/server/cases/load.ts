import { caseOf, type CaseFile, type Tree, type TreeEvent } from '@undrel/core/casefile';
import type { Schools } from '@undrel/core/practice';
import type { Db } from '../database/transaction';
import { itemsBelow, visitFrom, type Item, type ItemKind } from '../../protocol/item';
import { fromColumns, ITEM_TABLES } from './items';
import { LOAD_CASE } from './sql';

export interface LoadedCase {
  treeId: string;
  items: Item[];
  property: { id: string; name: string };
  firmSchools: Schools;
}

type CaseRow = Record<ItemKind, Record<string, unknown>[]> & {
  tree: Record<string, unknown>;
  property_id: string;
  property_name: string;
  firm_schools: Schools;
};

/** A tree with its history and visits as separately versioned items; undefined when the firm has no such tree. */
export async function loadCase(db: Db, treeId: string): Promise<LoadedCase | undefined> {
  const row = await db.row<CaseRow>(LOAD_CASE, [treeId]);
  if (!row) return undefined;
  const item = (kind: ItemKind, stored: Record<string, unknown>) =>
    ({
      kind,
      id: stored.id,
      parent: stored[ITEM_TABLES[kind].parent],
      version: stored.version,
      values: fromColumns(kind, stored),
    }) as unknown as Item;
  const kinds: ItemKind[] = ['event', 'visit', 'finding', 'profile', 'probe', 'decision'];
  return {
    treeId,
    items: [
      item('tree', row.tree),
      ...kinds.flatMap((kind) => row[kind].map((stored) => item(kind, stored))),
    ],
    property: { id: row.property_id, name: row.property_name },
    firmSchools: row.firm_schools,
  };
}

/** The loaded case in the open format. */
export function caseFileOf({ treeId, items }: LoadedCase): CaseFile {
  const tree = items.find((i) => i.kind === 'tree')!.values as Tree;
  const events = itemsBelow(items, 'event', treeId).map((e) => e.values as TreeEvent);
  const visits = itemsBelow(items, 'visit', treeId).map((v) => visitFrom(items, v));
  return caseOf(tree, events, visits);
}
