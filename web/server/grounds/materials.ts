import { loadCases } from '../cases/load';
import type { LoadedCase } from '../../work/tree/loadedCase';
import type { Db } from '../database/transaction';
import { TREES_WITH_TRENCHES } from './sql';

/** The cases of the trees of a property that have trenches laid out. */
export async function casesWithTrenches(db: Db, propertyId: string): Promise<LoadedCase[]> {
  const ids = (await db.rows<{ id: string }>(TREES_WITH_TRENCHES, [propertyId])).map(({ id }) => id);
  const cases = await loadCases(db, ids);
  return cases.sort((a, b) => ids.indexOf(a.treeId) - ids.indexOf(b.treeId));
}
