import { isDeepStrictEqual } from 'node:util';
import { problemsFrom } from '@undrel/core/case-schema';
import { eventDateProblem } from '@undrel/core/history';
import type { Tree, TreeEvent } from '@undrel/core/casefile';
import { z } from 'zod';
import { may } from '../accounts/roles';
import type { Viewer } from '../accounts/session';
import type { Db } from '../database/transaction';
import type { Change, ChangeResult, ItemKind } from '../../protocol/item';
import { fromColumns, ITEM_TABLES, toColumns } from './items';
import * as sql from './sql';

export const changeSchema = z.object({
  kind: z.enum(Object.keys(ITEM_TABLES) as [ItemKind, ...ItemKind[]]),
  id: z.string().regex(/^[\w.\- ]{1,120}$/),
  parent: z.string().min(1).max(80),
  base: z.int().min(0),
  values: z.record(z.string(), z.unknown()).nullable(),
  inDoubt: z.array(z.record(z.string(), z.unknown()).nullable()).max(20).optional(),
}) satisfies z.ZodType<Change>;

export const today = (): string => new Date().toISOString().slice(0, 10);

/** Why an item's values are not taken, naming field, value and what is allowed; undefined when they are. */
async function problemIn(db: Db, change: Change): Promise<string | undefined> {
  const { schema } = ITEM_TABLES[change.kind];
  const read = schema.safeParse(change.values, { reportInput: true });
  if (!read.success) {
    return problemsFrom(read.error, change.values)
      .map((p) => `${p.path.slice(2) || change.kind}: ${JSON.stringify(p.value) ?? 'absent'}: ${p.message}`)
      .join('; ');
  }
  if (change.kind === 'event') {
    const row = await db.row(sql.READ.tree, [change.parent]);
    if (row)
      return eventDateProblem(read.data as TreeEvent, fromColumns('tree', row) as unknown as Tree, today());
  }
  return undefined;
}

async function store(db: Db, change: Change): Promise<number | undefined> {
  if (change.values === null) {
    const gone = await db.row<{ version: number }>(sql.DELETE[change.kind], [change.id, change.base]);
    return gone?.version;
  }
  const columns = toColumns(change.kind, change.values);
  const kept = await db.row<{ version: number }>(sql.WRITE[change.kind], [
    change.id,
    change.parent,
    change.base,
    false,
    ...columns,
  ]);
  return kept?.version;
}

/** The row as it now stands, for a write that came too late. */
async function present(db: Db, change: Change): Promise<ChangeResult> {
  const row = await db.row(sql.READ[change.kind], [change.id]);
  if (!row) {
    return change.values === null
      ? { id: change.id, status: 'saved', version: 0 }
      : { id: change.id, status: 'refused', problem: 'It is not there any more.' };
  }
  const values = row.deleted_at ? null : fromColumns(change.kind, row);
  // The same write sent twice (an answer lost on the way) is not a conflict.
  if (isDeepStrictEqual(values, change.values))
    return { id: change.id, status: 'saved', version: row.version as number };
  if (change.inDoubt?.some((sent) => isDeepStrictEqual(values, sent))) {
    const version = await store(db, { ...change, base: row.version as number });
    if (version !== undefined) return { id: change.id, status: 'saved', version };
  }
  return {
    id: change.id,
    status: 'stale',
    theirs: {
      version: row.version as number,
      values,
      by: (row.changed_by as string | null) ?? null,
      at: row.changed_at as string,
    },
  };
}

const EXPLAINED: Record<string, string> = {
  '23503': 'What it belongs to is not there.',
  '23514': 'A value is outside what is allowed.',
  '23505': 'It is already there.',
};

/**
 * Saves changes to cases in the order given, each on its own: one that is stale or refused does not stop the others.
 *
 * @returns one result for each change, in order; a stale one carries what is stored now
 */
export async function saveChanges(
  db: Db,
  viewer: Viewer,
  changes: readonly Change[],
): Promise<ChangeResult[]> {
  const results: ChangeResult[] = [];
  for (const change of changes) {
    if (!may(viewer.role, ITEM_TABLES[change.kind].deed)) {
      results.push({
        id: change.id,
        status: 'refused',
        problem: `Your role (${viewer.role}) may not change this.`,
      });
      continue;
    }
    const problem = change.values === null ? undefined : await problemIn(db, change);
    if (problem) {
      results.push({ id: change.id, status: 'refused', problem });
      continue;
    }
    await db.rows('savepoint change');
    try {
      const version = await store(db, change);
      results.push(
        version === undefined ? await present(db, change) : { id: change.id, status: 'saved', version },
      );
      await db.rows('release savepoint change');
    } catch (error) {
      const known = EXPLAINED[(error as { code?: string }).code ?? ''];
      if (!known) throw error;
      await db.rows('rollback to savepoint change');
      results.push({ id: change.id, status: 'refused', problem: known });
    }
  }
  return results;
}

/** Brings a removed tree back into view. */
export const restoreTree = async (db: Db, id: string): Promise<void> => {
  await db.rows(sql.RESTORE_TREE, [id]);
};
