import { byLabel } from '@undrel/core/labels';
import type { UnitSystem } from '@undrel/core/units';
import type { PropertyWork, WorkTree } from '../../protocol/propertyWork';
import type { Viewer } from '../accounts/session';
import { beside, type Asker } from '../beside';
import { propertyHead, treeHeads } from '../grounds/grounds';
import type { Db } from '../database/transaction';
import type { ReportSource } from '../../work/tree/source';
import { openDrafts } from '../reports/reports';
import type { TreeSource } from '../../work/offers/treeWork';
import { USUAL_READINGS, type LargeTree } from '../../protocol/heavy';
import { WITH_LARGE_DIGS } from '../grounds/sql';
import { signsSeen } from '../cases/danger';

/**
 * Every visited tree of a property with what its newest visit is made from, and the property itself. Trees with a large
 * dig are named and not read: each would hold up all others.
 */
export async function propertySources(db: Db, viewer: Viewer, propertyId: string, system: UnitSystem) {
  const head = await propertyHead(db, propertyId);
  if (!head) return undefined;
  const large = await largeTrees(db, propertyId);
  const passed = new Set(large.map((t) => t.id));
  const all = await treeHeads(db, propertyId);
  const ids = all.flatMap(({ id }) => (passed.has(id) ? [] : [id]));
  const sources = (await openDrafts(db, viewer, ids, undefined, system)).map(
    ({ treeId, visitId, source }): TreeSource => ({ id: treeId, visitId, source }),
  );
  return {
    head,
    trees: all.length,
    sources: sources.sort((a, b) => byLabel(a.source.tree.label, b.source.tree.label)),
    large: large.sort((a, b) => byLabel(a.label, b.label)),
  };
}

/** Trees with a large dig. Whether one may fall is known by what was seen, without reading the dig. */
async function largeTrees(db: Db, propertyId: string): Promise<LargeTree[]> {
  const large = await db.rows<LargeTree>(WITH_LARGE_DIGS, [propertyId, USUAL_READINGS]);
  if (large.length === 0) return [];
  const since = new Map((await signsSeen(db)).map((sign) => [sign.treeId, sign.since]));
  return large.map((tree) => ({ ...tree, ...(since.has(tree.id) && { mayFall: since.get(tree.id)! }) }));
}

export type PropertySources = NonNullable<Awaited<ReturnType<typeof propertySources>>>;

/** The work on a property, tree by tree. */
export async function propertyWork(
  { head, trees: all, sources, large }: PropertySources,
  asker: Asker,
): Promise<{ work: PropertyWork; rates: ReportSource['rates'] }> {
  const trees: WorkTree[] = [];
  for (const source of sources) {
    const own = await beside('treeWork', source, asker);
    if (own) trees.push(own);
  }
  return {
    work: {
      id: head.id,
      name: head.name,
      client: head.client ?? '',
      trees,
      idle: sources.length - trees.length,
      large,
      unvisited: all - sources.length - large.length,
      currency: sources[0]?.source.rates?.currency,
    },
    rates: sources[0]?.source.rates,
  };
}
