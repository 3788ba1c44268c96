import type { About } from '../protocol/caseNow';
import type { LoadedCase } from '../work/tree/loadedCase';
import type { Db } from './database/transaction';
import { loadCase } from './cases/load';
import { besideTree } from './cases/reference';

/** What the page of a tree is made of; undefined when the firm has no such tree. */
export async function treePage(
  db: Db,
  treeId: string,
): Promise<{ loaded: LoadedCase; about: About } | undefined> {
  const loaded = await loadCase(db, treeId);
  if (!loaded) return undefined;
  const { property, house, firmTable, closed, site } = loaded;
  const beside = await besideTree(db, treeId, property.id);
  return { loaded, about: { property, house, firmTable, closed, site, ...beside } };
}
