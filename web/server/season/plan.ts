import { idOf } from '@undrel/core/records';
import { OPERATION_KEYS, yearOf } from '@undrel/core/vocabulary';
import type { PlannedDay } from '../../protocol/season';
import type { Viewer } from '../accounts/session';
import { fromColumns } from '../cases/items';
import { READ } from '../cases/sql';
import { saveChanges, today } from '../cases/write';
import type { Db } from '../database/transaction';

/** How many works are planned at once. */
const MOST = 500;

/** Writes the days on which works are to be done into the decisions of their visits. */
export async function planDays(
  db: Db,
  viewer: Viewer,
  days: readonly PlannedDay[],
): Promise<{ problem?: string; planned?: number }> {
  if (days.length > MOST) return { problem: `${days.length} works at once; ${MOST} are allowed.` };
  const now = today();
  for (const { on, operation } of days) {
    if (!/^\d{4}-\d{2}-\d{2}$/.test(on) || yearOf(on) === undefined || on < now)
      return { problem: `Day: ${on} of ${operation}; days from ${now} on are allowed.` };
    if (!OPERATION_KEYS.includes(operation))
      return { problem: `${operation} is no work that is known here.` };
  }
  let planned = 0;
  for (const { visitId, operation, on } of days) {
    const id = idOf('decision', visitId, { operation });
    const row = await db.row<Record<string, unknown>>(READ.decision, [id]);
    const there = row && row.deleted_at === null ? fromColumns('decision', row) : undefined;
    if (there?.on === on) {
      planned++;
      continue;
    }
    const [saved] = await saveChanges(db, viewer, [
      {
        kind: 'decision',
        id,
        parent: visitId,
        base: there ? (row!.version as number) : 0,
        values: { operation, taken: true, ...there, on },
      },
    ]);
    if (saved?.status === 'saved') planned++;
    else
      return {
        problem: `${planned} of ${days.length} planned; then ${saved?.status === 'refused' ? saved.problem : 'someone else changed a decision'}. Load the page again.`,
      };
  }
  return { planned };
}
