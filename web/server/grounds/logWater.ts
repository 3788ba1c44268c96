import { idOf, type Watering } from '@undrel/core/records';
import type { Viewer } from '../accounts/session';
import { READ } from '../cases/sql';
import { saveChanges, today } from '../cases/write';
import type { Db } from '../database/transaction';

/** What was done at a tree on a round of today; `null` takes it back. */
export type RoundEntry = Pick<Watering, 'litres' | 'probe'> | null;

/** Logs a round of today at a tree: the last word of the day stands. */
export async function logWater(
  db: Db,
  viewer: Viewer,
  visitId: string,
  entry: RoundEntry,
): Promise<{ problem?: string }> {
  const on = today();
  const id = idOf('watering', visitId, { on });
  const row = await db.row<{ version: number; deleted_at: string | null }>(READ.watering, [id]);
  const there = row && row.deleted_at === null;
  if (entry === null && !there) return {};
  const [saved] = await saveChanges(db, viewer, [
    {
      kind: 'watering',
      id,
      parent: visitId,
      base: there ? row.version : 0,
      values: entry && { on, ...entry, by: viewer.name },
    },
  ]);
  if (saved?.status === 'saved') return {};
  return {
    problem: saved?.status === 'refused' ? saved.problem : 'Someone else has logged it; load the page again.',
  };
}
