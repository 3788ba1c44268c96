import { idOf, type CutDesign } from '@undrel/core/records';
import { OPERATION_KEYS, yearOf } from '@undrel/core/vocabulary';
import type { PlannedDay } from '../../protocol/season';
import type { ChangeResult } from '../../protocol/item';
import type { Viewer } from '../accounts/session';
import { fromColumns } from '../../work/tree/items';
import { READ } from '../cases/sql';
import { saveChanges, today } from '../cases/write';
import type { Db } from '../database/transaction';

/** How many works are planned at once. */
const MOST = 500;

/** What became of one day: written, or there already; else why not. */
type Saved = Pick<ChangeResult, 'status'> & { problem?: string };

/** Writes the days on which works are to be done into the decisions of their visits. */
export async function planDays(
  db: Db,
  viewer: Viewer,
  days: readonly PlannedDay[],
): Promise<{ problem?: string; planned?: number }> {
  if (days.length > MOST) return { problem: `${days.length} works at once; ${MOST} are allowed.` };
  const now = today();
  for (const { on, operation, part } of days) {
    if (!/^\d{4}-\d{2}-\d{2}$/.test(on) || yearOf(on) === undefined || on < now)
      return { problem: `Day: ${on} of ${operation}; days from ${now} on are allowed.` };
    if (!OPERATION_KEYS.includes(operation))
      return { problem: `${operation} is no work that is known here.` };
    if (!(part === 1 || (operation === 'prune' && Number.isInteger(part) && part > 1 && part <= 5)))
      return { problem: `Part ${part} of ${operation}: 1 is allowed, and stages 2 to 5 of a cut plan.` };
  }
  let planned = 0;
  for (const day of days) {
    const saved = day.part > 1 ? await planStage(db, viewer, day) : await planWork(db, viewer, day);
    if (saved.status !== 'saved')
      return {
        problem: `${planned} of ${days.length} planned; then ${saved.problem ?? 'someone else changed a decision'}. Load the page again.`,
      };
    planned++;
  }
  return { planned };
}

/** What a record of a visit holds as it stands, and its version; nothing where there is none. */
async function recordAt<K extends 'decision' | 'cuts'>(db: Db, kind: K, id: string) {
  const row = await db.row<Record<string, unknown>>(READ[kind], [id]);
  const there = row && row.deleted_at === null ? fromColumns(kind, row) : undefined;
  return { there, base: there ? (row!.version as number) : 0 };
}

/** The day of a work that is done in one go, or of the first stage of one. */
async function planWork(db: Db, viewer: Viewer, { visitId, operation, on }: PlannedDay): Promise<Saved> {
  const id = idOf('decision', visitId, { operation });
  const { there, base } = await recordAt(db, 'decision', id);
  if (there?.on === on) return { status: 'saved' };
  const values = { operation, taken: true, ...there, on };
  const [saved] = await saveChanges(db, viewer, [{ kind: 'decision', id, parent: visitId, base, values }]);
  return saved!;
}

/** The day of a later stage of a cut plan. */
async function planStage(db: Db, viewer: Viewer, { visitId, part, on }: PlannedDay): Promise<Saved> {
  const id = idOf('cuts', visitId);
  const { there, base } = await recordAt(db, 'cuts', id);
  if (!there) return { status: 'refused', problem: 'the cut plan of that stage is gone' };
  const days = (there.days ?? []) as NonNullable<CutDesign['days']>;
  if (days.some((d) => d.stage === part && d.on === on)) return { status: 'saved' };
  const values = {
    ...there,
    days: [...days.filter((d) => d.stage !== part), { stage: part, on }].sort((a, b) => a.stage - b.stage),
  };
  const [saved] = await saveChanges(db, viewer, [{ kind: 'cuts', id, parent: visitId, base, values }]);
  return saved!;
}
