import { idOf } from '@undrel/core/records';
import type { Viewer } from '../accounts/session';
import { fromColumns } from '../../work/tree/items';
import { READ } from '../cases/sql';
import { saveChanges, today } from '../cases/write';
import type { Db } from '../database/transaction';

/**
 * Ticks one step of the order of a visit as done today, or takes that back. What was recorded with amounts or reasons
 * stays: it is changed in the order of the tree, where it can be seen.
 */
export async function tickStep(
  db: Db,
  viewer: Viewer,
  visitId: string,
  step: string,
  done: boolean,
): Promise<{ problem?: string }> {
  const id = idOf('work', visitId, { step });
  const row = await db.row<Record<string, unknown>>(READ.work, [id]);
  const now = row && row.deleted_at === null ? fromColumns('work', row) : undefined;
  if (now && now.how !== 'done')
    return {
      problem: `Recorded as ${now.how} on ${now.on}${now.by ? ` by ${now.by}` : ''}; see the order of the tree.`,
    };
  if ((now !== undefined) === done) return {};
  const [saved] = await saveChanges(db, viewer, [
    {
      kind: 'work',
      id,
      parent: visitId,
      base: now ? (row!.version as number) : 0,
      values: done ? { step, how: 'done', on: today(), by: viewer.name } : null,
    },
  ]);
  if (saved?.status === 'saved') return {};
  return {
    problem:
      saved?.status === 'refused' ? saved.problem : 'Someone else has ticked it; the page shows it now.',
  };
}
