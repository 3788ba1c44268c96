import { idOf } from '@undrel/core/records';
import { DRAIN_TASK, LOOK_TASK } from '@undrel/core/schedule';
import { dayAfter, yearOf } from '@undrel/core/vocabulary';
import { markOf, type Marked, type Marking } from '../../protocol/season';
import type { Viewer } from '../accounts/session';
import { READ } from '../cases/sql';
import { saveChanges, today } from '../cases/write';
import type { Db } from '../database/transaction';
import { DONE_ON } from './sql';

/** How far ahead something may be moved, days. */
const FARTHEST = 1100;
const MOST_WHY = 400;

/** What is wrong with it, by field; undefined where nothing is. */
function problemWith(marking: Marking, notBefore: string, now: string): string | undefined {
  if (marking.how === 'open') return undefined;
  if ('why' in marking && (marking.why.trim() === '' || marking.why.length > MOST_WHY))
    return `Reason: ${marking.why.length} characters; 1 to ${MOST_WHY} are allowed.`;
  if (marking.how === 'dropped') return undefined;
  const { on } = marking;
  if (!/^\d{4}-\d{2}-\d{2}$/.test(on) || yearOf(on) === undefined)
    return `Day: “${on.slice(0, 40)}” is not a day, YYYY-MM-DD.`;
  if (marking.how === 'moved') {
    const last = dayAfter(now, FARTHEST);
    return on < now || on > last ? `Day: ${on}; it can be moved to ${now} to ${last}.` : undefined;
  }
  if (on < notBefore) return `Day: ${on} lies before the work that it follows, ${notBefore}.`;
  // Clocks of two places may be a day apart.
  return on > dayAfter(now, 1) ? `Day: ${on} is still to come; today is ${now}.` : undefined;
}

/** Says of a task that it was done, moved or dropped, or takes that back; the last word stands, and each is kept. */
export async function markTask(
  db: Db,
  viewer: Viewer,
  visitId: string,
  task: string,
  marking: Marking,
): Promise<Marked> {
  const now = today();
  const step = task.split('.')[0]!;
  const days = await db.row<{ visited: string; done: string | null }>(DONE_ON, [visitId, step]);
  if (!days) return { problem: 'The visit no longer exists; load the page again.' };
  const ofVisit = step === LOOK_TASK || step === DRAIN_TASK;
  if (!ofVisit && days.done === null && marking.how !== 'open')
    return { problem: `${step} is not recorded as done at this visit; what follows it cannot be marked.` };
  const problem = problemWith(marking, days.done ?? days.visited, now);
  if (problem) return { problem };
  const id = idOf('followUp', visitId, { task });
  const row = await db.row<{ version: number; deleted_at: string | null }>(READ.followUp, [id]);
  const there = row && row.deleted_at === null;
  if (marking.how === 'open' && !there) return {};
  const [saved] = await saveChanges(db, viewer, [
    {
      kind: 'followUp',
      id,
      parent: visitId,
      base: there ? row.version : 0,
      values: markOf(marking, task, viewer.name, now),
    },
  ]);
  if (saved?.status === 'saved') return { version: marking.how === 'open' ? 0 : saved.version };
  return {
    problem:
      saved?.status === 'refused' ? saved.problem : 'Someone else has marked it; the page shows it now.',
  };
}
