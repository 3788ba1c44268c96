import { byLabel } from '@undrel/core/labels';
import type { UnitSystem } from '@undrel/core/units';
import type { PropertyWork, WorkTree } from '../../protocol/propertyWork';
import type { Viewer } from '../accounts/session';
import { beside, type Asker } from '../beside';
import { propertyRows } from '../grounds/grounds';
import type { Db } from '../database/transaction';
import type { ReportSource } from '../../work/tree/source';
import { openDrafts } from '../reports/reports';
import type { TreeSource } from '../../work/offers/treeWork';
import { usualOf } from '../../work/property/usual';

/** Every visited tree of a property with what its newest visit is made from, and the property itself. */
export async function propertySources(db: Db, viewer: Viewer, propertyId: string, system: UnitSystem) {
  const rows = await propertyRows(db, propertyId);
  if (!rows) return undefined;
  const ids = (rows.trees as { id: string }[]).map((t) => t.id);
  const sources = (await openDrafts(db, viewer, ids, undefined, system)).map(
    ({ treeId, visitId, source }): TreeSource => ({ id: treeId, visitId, source }),
  );
  return { rows, sources: sources.sort((a, b) => byLabel(a.source.tree.label, b.source.tree.label)) };
}

export type PropertySources = NonNullable<Awaited<ReturnType<typeof propertySources>>>;

/** The work on a property, tree by tree. */
export async function propertyWork(
  { rows, sources }: PropertySources,
  asker: Asker,
): Promise<{ work: PropertyWork; rates: ReportSource['rates'] }> {
  const trees: WorkTree[] = [];
  const { usual, large } = usualOf(sources);
  for (const source of usual) {
    const own = await beside('treeWork', source, asker);
    if (own) trees.push(own);
  }
  return {
    work: {
      id: rows.head.id,
      name: rows.head.name,
      client: rows.head.client ?? '',
      trees,
      idle: usual.length - trees.length,
      large,
      unvisited: rows.trees.length - sources.length,
      currency: sources[0]?.source.rates?.currency,
    },
    rates: sources[0]?.source.rates,
  };
}
