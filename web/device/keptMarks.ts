import { idOf, type FollowUpMark } from '@undrel/core/records';
import { markingOf, markOf, type Marking, type TaskRow } from '../protocol/season';
import type { Change } from '../protocol/item';
import { DOUBTS_KEPT, keepChanges, ownChanges, readLeft, writeLeft, type Waiting } from './pending';

/** Entries of marks that were made away from the page of their tree; no tab is ever called so. */
const entryOf = (person: string, treeId: string): string => `undrel.pending.${person}.${treeId}.marks`;

/**
 * Keeps what somebody says of a task until there is signal. The last word of this device stands in place of the ones before.
 *
 * @param version of what was said of it, as the page had it from the server
 * @param last what this page said of it before, which may be there by now
 * @param who by name, and their id on this device
 * @returns whether the device took it
 */
export function keepMark(
  task: Pick<TaskRow, 'treeId' | 'visitId' | 'key'>,
  marking: Marking,
  version: number,
  last: Marking | undefined,
  who: { name: string; person: string },
  today: string,
): boolean {
  const whose = { person: who.person, treeId: task.treeId };
  const name = entryOf(whose.person, whose.treeId);
  const id = idOf('followUp', task.visitId, { task: task.key });
  // The tree's page takes over what waits of it: the word of before may be among what this tab keeps.
  const own = ownChanges(whose);
  const isOwn = own.some((c) => c.id === id);
  const all: readonly Change[] = isOwn ? own : readLeft(name);
  const before = all.find((c) => c.id === id);
  const valuesOf = (m: Marking) => markOf(m, task.key, who.name, today) as Change['values'];
  const values = valuesOf(marking);
  const change: Change = {
    kind: 'followUp',
    id,
    parent: task.visitId,
    base: before?.base ?? version,
    values,
    // It was sent, and the server may have taken it although no answer came.
    inDoubt: [...(before?.inDoubt ?? []), ...(last ? [valuesOf(last)] : []), values].slice(-DOUBTS_KEPT),
  };
  const next = [...all.filter((c) => c.id !== id), change];
  return isOwn ? keepChanges(whose, next) : writeLeft(name, next);
}

/** What was said of tasks and waits on this device, by visit and task. @param waiting of all trees */
export const marksIn = (waiting: readonly Waiting[]): Map<string, Marking> =>
  new Map(
    waiting
      .flatMap(({ changes }) => changes)
      .filter((c) => c.kind === 'followUp')
      .map(({ id, parent, values }): [string, Marking] => {
        const task = id.slice(idOf('followUp', parent, { task: '' }).length);
        return [`${parent} ${task}`, markingOf(values as FollowUpMark | null)];
      }),
  );
