import { isDeepStrictEqual } from 'node:util';
import { problemsFrom } from '@undrel/core/format';
import { depthOf, KIND_KEYS, type TreeEvent } from '@undrel/core/records';
import { eventDateProblem } from '@undrel/core/history';
import { dayAfter } from '@undrel/core/vocabulary';
import * as z from 'zod';
import { judgedOf, KIND_ENTRIES } from '../../protocol/kinds';
import { may } from '../../protocol/roles';
import type { Viewer } from '../accounts/session';
import { refusalOf } from '../database/refusals';
import type { Db } from '../database/transaction';
import { unstorableIn } from '../../work/readers/text';
import type { Change, ChangeResult } from '../../protocol/item';
import { fromColumns, STORED, toColumns } from '../../work/tree/items';
import * as sql from './sql';

export const changeSchema = z.object({
  kind: z.enum(KIND_KEYS),
  id: z.string().regex(/^[\w.\- ]{1,120}$/),
  parent: z.string().regex(/^[\w.\- ]{1,80}$/),
  base: z.int().min(0).max(2_147_483_647),
  values: z.record(z.string(), z.unknown()).nullable(),
  inDoubt: z.array(z.record(z.string(), z.unknown()).nullable()).max(20).optional(),
}) satisfies z.ZodType<Change>;

export const today = (): string => new Date().toISOString().slice(0, 10);

/** Of a value that is refused, so much is told, characters. */
const TOLD = 80;

const told = (value: unknown): string => {
  const text = JSON.stringify(value) ?? 'absent';
  return text.length > TOLD ? `${text.slice(0, TOLD)} …` : text;
};

/** Why an item's values are not taken, naming field, value and what is allowed; undefined when they are. */
async function problemIn(db: Db, change: Change): Promise<string | undefined> {
  const { schema } = STORED[change.kind];
  const read = schema.safeParse(change.values, { reportInput: true });
  if (!read.success) {
    return problemsFrom(read.error, change.values)
      .map((p) => `${p.path.slice(2) || change.kind}: ${told(p.value)}: ${p.message}`)
      .join('; ');
  }
  // What was done lies behind; the clocks of two places may be a day apart.
  if (change.kind === 'work' || change.kind === 'watering') {
    const { on } = read.data as { on: string };
    if (on > dayAfter(today(), 1)) return `on: ${on}: still to come; today is ${today()}`;
  }
  if (change.kind === 'event') {
    const row = await db.row(sql.READ.tree, [change.parent]);
    if (row) return eventDateProblem(read.data as TreeEvent, fromColumns('tree', row), today());
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
      : { id: change.id, status: 'refused', problem: 'What it belongs to no longer exists.' };
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

/** What a person who does not judge would change of what only a consultant writes, or undefined. */
async function judgedIn(db: Db, { kind, id, values }: Change): Promise<string | undefined> {
  const judged = judgedOf(kind);
  if (Object.keys(judged).length === 0) return undefined;
  const row = await db.row(sql.READ[kind], [id]);
  const stored: Record<string, unknown> = row ? fromColumns(kind, row) : {};
  const field = Object.keys(judged).find((key) => !isDeepStrictEqual(values?.[key], stored[key]));
  if (field) return judged[field];
  // Whoever takes the whole away takes away what a consultant wrote below it.
  const below = values === null && (kind === 'visit' || kind === 'tree') ? sql.JUDGED_BELOW[kind] : undefined;
  return below && (await db.row(below, [id])) ? 'what a consultant decided on it' : undefined;
}

/** Why a change is not taken, before it is tried; undefined when it may be. */
async function refusedBefore(db: Db, viewer: Viewer, change: Change): Promise<string | undefined> {
  if (!may(viewer.role, KIND_ENTRIES[change.kind].deed))
    return `Your role (${viewer.role}) may not change this.`;
  const bad = change.values === null ? undefined : unstorableIn(change.values);
  if (bad !== undefined) return `${bad}: holds a character that cannot be kept.`;
  if (!may(viewer.role, 'judge')) {
    const judged = await judgedIn(db, change);
    if (judged !== undefined)
      return `Your role (${viewer.role}) may not change this: ${judged}. A consultant does.`;
  }
  return change.values === null ? undefined : problemIn(db, change);
}

/** What an item belongs to was removed, with all that is written to it. */
const GONE = 'What it belongs to was removed; bring that back first.';

async function saveOne(db: Db, viewer: Viewer, change: Change, there: Set<string>): Promise<ChangeResult> {
  const { id } = change;
  await db.rows('savepoint change');
  try {
    const { parent } = STORED[change.kind];
    const isThere =
      change.values === null ||
      there.has(change.parent) ||
      (await db.row(sql.PARENT_THERE[parent]!, [change.parent])) !== undefined;
    if (isThere && change.values !== null) there.add(change.parent);
    const problem = isThere ? await refusedBefore(db, viewer, change) : GONE;
    const version = problem === undefined ? await store(db, change) : undefined;
    const result: ChangeResult =
      problem !== undefined
        ? { id, status: 'refused', problem }
        : version === undefined
          ? await present(db, change)
          : { id, status: 'saved', version };
    await db.rows('release savepoint change');
    return result;
  } catch (error) {
    const known = refusalOf(error);
    if (!known) throw error;
    await db.rows('rollback to savepoint change');
    return { id, status: 'refused', problem: known.problem };
  }
}

/** Its place among the writes: parents before what belongs to them; what is removed goes last, and the other way round. */
const placeOf = ({ kind, values }: Change): number => {
  const depth = depthOf(kind);
  return values === null ? 10 - depth : depth;
};

/**
 * Saves changes to cases, each on its own: one that is stale or refused does not stop the others. What belongs to
 * something is written after it, and all who write the same rows write them in the same order.
 *
 * @returns one result for each change, in the order given; a stale one carries what is stored now
 */
export async function saveChanges(
  db: Db,
  viewer: Viewer,
  changes: readonly Change[],
): Promise<ChangeResult[]> {
  const order = changes
    .map((change, i) => ({ change, i }))
    .sort(
      (a, b) =>
        placeOf(a.change) - placeOf(b.change) ||
        KIND_KEYS.indexOf(a.change.kind) - KIND_KEYS.indexOf(b.change.kind) ||
        (a.change.id < b.change.id ? -1 : a.change.id > b.change.id ? 1 : a.i - b.i),
    );
  const results: ChangeResult[] = [];
  const there = new Set<string>();
  for (const { change, i } of order) results[i] = await saveOne(db, viewer, change, there);
  return results;
}

/** Saves changes as they were sent: one that is none is refused by itself. */
export async function saveGiven(db: Db, viewer: Viewer, given: readonly unknown[]): Promise<ChangeResult[]> {
  const read = given.map((one) => changeSchema.safeParse(one));
  const saved = await saveChanges(
    db,
    viewer,
    read.flatMap((r) => (r.success ? [r.data as Change] : [])),
  );
  return read.map((r, i) => {
    if (r.success) return saved.shift()!;
    const id = (given[i] as { id?: unknown } | null)?.id;
    const { path, message } = r.error.issues[0]!;
    return {
      id: typeof id === 'string' ? id : '',
      status: 'refused',
      problem: `${path.join('.') || 'change'}: ${message}`,
    };
  });
}

/** Brings a removed tree back into view. */
export const restoreTree = async (db: Db, id: string): Promise<void> => {
  await db.rows(sql.RESTORE_TREE, [id]);
};
