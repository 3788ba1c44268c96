import type { Tree } from '@undrel/core/records';
import type { Viewer } from '../accounts/session';
import type { Db } from '../database/transaction';
import { loadCase } from './load';
import type { LoadedCase } from '../../work/tree/loadedCase';
import { saveChanges } from './write';

/**
 * Changes a tree as it is stored now, as one item of its case.
 *
 * @param change gives the tree as it is to be, or undefined where nothing is to change, or what is wrong
 */
export async function changeTree(
  db: Db,
  viewer: Viewer,
  treeId: string,
  change: (tree: Tree, loaded: LoadedCase) => Promise<Tree | undefined | { problem: string }>,
): Promise<{ problem?: string }> {
  const loaded = await loadCase(db, treeId);
  const item = loaded?.items.find((i) => i.kind === 'tree');
  if (!loaded || !item?.values) return { problem: 'The tree no longer exists.' };
  const changed = await change(item.values as Tree, loaded);
  if (changed === undefined) return {};
  if ('problem' in changed) return changed;
  const [saved] = await saveChanges(db, viewer, [
    { kind: 'tree', id: treeId, parent: item.parent, base: item.version, values: { ...changed } },
  ]);
  if (saved?.status === 'saved') return {};
  return {
    problem:
      saved?.status === 'refused'
        ? saved.problem
        : 'The tree has been changed since; look again, then choose.',
  };
}
