import { randomUUID } from 'node:crypto';
import type { Tree } from '@undrel/core/records';
import type { Change } from '../../protocol/item';
import type { Viewer } from '../accounts/session';
import { fromColumns } from '../../work/tree/items';
import { saveChanges } from '../cases/write';
import type { Db } from '../database/transaction';
import { treeHeads } from './grounds';
import { PLAN } from '../../work/readers/limits';
import { Notes } from '../../work/readers/notes';
import { HOLD_PROPERTY, TREES_BY_IDS } from './sql';

export interface BroughtIn {
  done: string;
  notes: string[];
}

/**
 * Adds trees to a property; one whose label is already there is changed instead, field by field as given. Of several
 * with one label the first is taken, and the others are told.
 */
export async function bringTrees(
  db: Db,
  viewer: Viewer,
  propertyId: string,
  given: readonly (Partial<Tree> & { label: string })[],
): Promise<{ added: number; changed: number; notes: string[] }> {
  // Who else brings trees in waits here, and then finds what was brought.
  if (!(await db.row(HOLD_PROPERTY, [propertyId])))
    return { added: 0, changed: 0, notes: ['The property no longer exists.'] };
  const first = new Map(given.toReversed().map((t) => [t.label, t]));
  const trees = given.filter((t) => first.get(t.label) === t);
  const again = new Set(given.flatMap((t) => (first.get(t.label) === t ? [] : [t.label])));
  const byLabel = new Map((await treeHeads(db, propertyId)).map((t) => [t.label, t]));
  const known = trees.flatMap((t) => byLabel.get(t.label)?.id ?? []);
  const rows = new Map(
    (await db.rows<Record<string, unknown>>(TREES_BY_IDS, [known])).map((row) => [row.id as string, row]),
  );
  const changes: Change[] = [];
  for (const tree of trees) {
    const head = byLabel.get(tree.label);
    const stored = head && rows.get(head.id);
    const filled = Object.fromEntries(Object.entries(tree).filter(([, v]) => v !== undefined && v !== ''));
    changes.push({
      kind: 'tree',
      id: head?.id ?? randomUUID(),
      parent: propertyId,
      base: head?.version ?? 0,
      values: { species: '', ...(stored ? fromColumns('tree', stored) : {}), ...filled },
    });
  }
  const results = await saveChanges(db, viewer, changes);
  const notes = new Notes(PLAN.notes);
  for (const label of again) notes.push(`${label}: stands more than once in the file; the first was taken.`);
  for (const [i, r] of results.entries())
    if (r.status !== 'saved')
      notes.push(`${trees[i]!.label}: ${r.status === 'refused' ? r.problem : 'changed by someone else'}`);
  const saved = results.map((r, i) => (r.status === 'saved' ? changes[i]!.base : -1));
  return {
    added: saved.filter((b) => b === 0).length,
    changed: saved.filter((b) => b > 0).length,
    notes: notes.told(),
  };
}

const count = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`;

/** What a bringing-in came to, in a sentence. */
export const toldOf = (added: number, changed: number, outlines = 0): string =>
  [
    `${count(added, 'tree')} added`,
    `${count(changed, 'tree')} changed`,
    ...(outlines > 0 ? [`${count(outlines, 'outline')} drawn`] : []),
  ].join(', ') + '.';
