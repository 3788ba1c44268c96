import { useMemo, useRef, useState } from 'react';
import { keepMark, marksIn } from '../../device/keptMarks';
import { runOutbox } from '../../device/outbox';
import type { Marked, Marking, TaskRow } from '../../protocol/season';
import { useOutbox } from '../shell/DeviceState';
import type { Marks } from './marks';

/** What was said of tasks: on this page, and what waits on this device for signal. */
export function useMarks(
  {
    mark,
    viewer,
    person,
  }: {
    mark: ((visitId: string, task: string, marking: Marking) => Promise<Marked>) | undefined;
    viewer: string;
    person: string;
  },
  today: string,
) {
  const [said, setSaid] = useState<ReadonlyMap<string, Marking>>(new Map());
  const versions = useRef(new Map<string, number>());
  const { trees: outbox } = useOutbox();
  const marks = useMemo<Marks>(
    () =>
      new Map([
        ...said,
        ...[...marksIn(outbox)].map(([of, m]) => [of, { ...m, waits: true as const }] as const),
      ]),
    [said, outbox],
  );
  // The same until something is said: the list of tasks is not drawn anew for a view that is chosen.
  const say = useMemo(
    () =>
      mark &&
      (async (task: TaskRow, marking: Marking) => {
        const own = `${task.visitId} ${task.key}`;
        const version = versions.current.get(own) ?? task.version ?? 0;
        const answer = await mark(task.visitId, task.key, marking).catch((): Marked => {
          // Without signal it waits on this device, and is sent by whatever page is open when there is some.
          const kept = keepMark(task, marking, version, said.get(own), { name: viewer, person }, today);
          void runOutbox(person);
          return kept ? {} : { problem: 'No signal, and this device keeps nothing: note it elsewhere.' };
        });
        if (answer.version !== undefined) versions.current.set(own, answer.version);
        if (!answer.problem) setSaid((now) => new Map(now).set(own, marking));
        return answer;
      }),
    [mark, said, viewer, person, today],
  );
  return { marks, say };
}
