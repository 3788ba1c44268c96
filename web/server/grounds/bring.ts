import { randomUUID } from 'node:crypto';
import type { Tree } from '@undrel/core/casefile';
import type { TreeRow } from '../../protocol/grounds';
import type { Change } from '../../protocol/item';
import type { Viewer } from '../accounts/session';
import { fromColumns } from '../cases/items';
import { READ } from '../cases/sql';
import { saveChanges } from '../cases/write';
import type { Db } from '../database/transaction';

export interface BroughtIn {
  done: string;
  notes: string[];
}

/**
 * Adds trees to a property; one whose label is already there is changed instead, field by field as given.
 */
export async function bringTrees(
  db: Db,
  viewer: Viewer,
  propertyId: string,
  present: readonly TreeRow[],
  trees: readonly (Partial<Tree> & { label: string })[],
): Promise<{ added: number; changed: number; notes: string[] }> {
  const byLabel = new Map(present.map((t) => [t.label, t]));
  const changes: Change[] = [];
  for (const tree of trees) {
    const known = byLabel.get(tree.label);
    const stored = known ? await db.row(READ.tree, [known.id]) : undefined;
    const given = Object.fromEntries(Object.entries(tree).filter(([, v]) => v !== undefined && v !== ''));
    changes.push({
      kind: 'tree',
      id: known?.id ?? randomUUID(),
      parent: propertyId,
      base: known?.version ?? 0,
      values: { species: '', ...(stored ? fromColumns('tree', stored) : {}), ...given },
    });
  }
  const results = await saveChanges(db, viewer, changes);
  const notes = results.flatMap((r, i) =>
    r.status === 'saved'
      ? []
      : [`${trees[i]!.label}: ${r.status === 'refused' ? r.problem : 'changed by someone else meanwhile'}`],
  );
  const saved = results.map((r, i) => (r.status === 'saved' ? changes[i]!.base : -1));
  return { added: saved.filter((b) => b === 0).length, changed: saved.filter((b) => b > 0).length, notes };
}

const count = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`;

/** What a bringing-in came to, in a sentence. */
export const toldOf = (added: number, changed: number, outlines = 0): string =>
  [
    `${count(added, 'tree')} added`,
    `${count(changed, 'tree')} changed`,
    ...(outlines > 0 ? [`${count(outlines, 'outline')} drawn`] : []),
  ].join(', ') + '.';
