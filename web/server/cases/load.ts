import { type CaseFile, caseOf } from '@undrel/core/format';
import type { Site, SiteThing, Tree, TreeEvent } from '@undrel/core/records';
import type { FirmTable } from '@undrel/core/diagnosis';
import type { ClosedSeason } from '@undrel/core/prescription';

import type { House } from '@undrel/core/house';
import type { Db } from '../database/transaction';
import { itemsBelow, visitFrom, type Item, type ItemKind } from '../../protocol/item';
import { KIND_KEYS } from '@undrel/core/records';
import { fromList } from '../../work/tree/items';
import { LOAD_CASE, SITE_REACH } from './sql';
import type { LoadedCase } from '../../work/tree/loadedCase';

type CaseRow = Record<Exclude<ItemKind, 'tree'>, unknown[][]> & {
  tree: unknown[];
  property_id: string;
  property_name: string;
  client: string;
  house: House;
  firm_table: FirmTable | null;
  firm_closed: ClosedSeason[] | null;
  plan: SiteThing[] | null;
  others: Site['others'];
};

/** What of the property's plan lies within reach of a tree. */
function siteOf({ plan, others }: CaseRow, { position }: Tree): Site {
  const near = ({ points }: SiteThing) => {
    if (!position) return false;
    const [xs, ys] = [points.map(([x]) => x - position.x), points.map(([, y]) => y - position.y)];
    return (
      Math.min(...xs) < SITE_REACH &&
      Math.max(...xs) > -SITE_REACH &&
      Math.min(...ys) < SITE_REACH &&
      Math.max(...ys) > -SITE_REACH
    );
  };
  return { things: (plan ?? []).filter(near), others };
}

/** A tree with its history and visits as separately versioned items; undefined when the firm has no such tree. */
export const loadCase = async (db: Db, treeId: string): Promise<LoadedCase | undefined> =>
  (await loadCases(db, [treeId]))[0];

/** The same for many trees at once, in no order; those that the firm does not have are left out. */
export const loadCases = async (db: Db, treeIds: readonly string[]): Promise<LoadedCase[]> =>
  (await db.rows<CaseRow>(LOAD_CASE, [treeIds])).map(loaded);

function loaded(row: CaseRow): LoadedCase {
  const item = (kind: ItemKind, [id, parent, version, ...values]: unknown[]) =>
    ({ kind, id, parent, version, values: fromList(kind, values) }) as unknown as Item;
  return {
    treeId: row.tree[0] as string,
    items: [
      item('tree', row.tree),
      ...KIND_KEYS.filter((kind) => kind !== 'tree').flatMap((kind) =>
        row[kind].map((stored) => item(kind, stored)),
      ),
    ],
    property: { id: row.property_id, name: row.property_name },
    client: row.client,
    house: row.house,
    firmTable: row.firm_table ?? undefined,
    closed: row.firm_closed ?? [],
    site: siteOf(row, fromList('tree', row.tree.slice(3)) as unknown as Tree),
  };
}

/** The loaded case in the open format. */
export function caseFileOf({ treeId, items, house, site }: LoadedCase): CaseFile {
  const tree = items.find((i) => i.kind === 'tree')!.values as Tree;
  const events = itemsBelow(items, 'event', treeId).map((e) => e.values as TreeEvent);
  const visits = itemsBelow(items, 'visit', treeId).map((v) => visitFrom(items, v));
  const known = site.things.length > 0 || site.others.length > 0;
  return caseOf(tree, events, visits, house.weather, known ? site : undefined);
}
