'use client';

import { DayInput } from '../../ui/controls/DayInput';
import { useId, useState } from 'react';
import { dayAfter } from '@undrel/core/vocabulary';
import { PageLink } from '@/ui/PageLink';
import type { Marking, TaskRow } from '../../protocol/season';
import { Said } from '../../ui/Said';
import type { Mark } from './marks';
import { WHO_WORDS, whenOf } from './words';

/** What was said of a task on this page. */
export const markedWords = (marking: Marking | undefined): string | undefined => {
  switch (marking?.how) {
    case 'done':
      return `done ${marking.on}`;
    case 'moved':
      return `moved to ${marking.on}: ${marking.why}`;
    case 'dropped':
      return `dropped: ${marking.why}`;
    default:
      return undefined;
  }
};

/** When it was done, and by whom where somebody told. */
const doneWords = (marking: Marking | undefined, task: TaskRow): string =>
  (marking ? markedWords(marking) : task.told) ?? '';

interface TaskEntryProps {
  task: TaskRow;
  today: string;
  /** What was said of it on this page; undefined where nothing was. */
  marking: Mark | undefined;
  mark: ((marking: Marking) => Promise<{ problem?: string }>) | undefined;
}

/** One task: done with one touch; moved or dropped with a reason. It stays where it is, so that it can be taken back. */
export function TaskEntry({ task, today, marking, mark }: TaskEntryProps) {
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string>();
  const [open, setOpen] = useState(false);
  const said = marking ? markedWords(marking) : task.told;
  const done = marking ? marking.how === 'done' : task.state === 'done';
  const over = done || (marking ? marking.how === 'dropped' : task.state === 'dropped');
  const late = task.state === 'late' && !over && marking?.how !== 'moved';
  const say = async (marking: Marking) => {
    setBusy(true);
    const answer = await mark!(marking).catch(() => ({
      problem: 'The server could not be reached; try again.',
    }));
    setBusy(false);
    setProblem(answer.problem);
    if (!answer.problem) setOpen(false);
  };
  return (
    <li
      className="border-b border-hair py-2 grid grid-cols-[44px_minmax(0,1fr)] gap-x-2"
      aria-label={`${task.label}: ${task.what}`}
    >
      <label className="min-h-[44px] min-w-[44px] flex items-center justify-center">
        <input
          type="checkbox"
          aria-label={`Done: ${task.what} ${task.label}`}
          checked={done}
          disabled={!mark || busy}
          onChange={() => void say(done ? { how: 'open' } : { how: 'done', on: today })}
        />
      </label>
      <div>
        <TaskWords late={late} task={task} done={done} marking={marking} over={over} today={today} />
        <p className="text-sm text-muted">
          {/* Why it was not kept stands in place of what it follows: nothing below moves. */}
          {problem ? (
            <span role="alert" className="text-harm font-bold">
              {problem}
            </span>
          ) : (
            <>
              After {task.because}.{said && !done && ` ${said.charAt(0).toUpperCase()}${said.slice(1)}.`}
              {marking?.waits && ' Waits on this device for signal.'}
            </>
          )}{' '}
          {mark && (!over || done) && (
            <button
              type="button"
              className={`link min-h-[24px] ${done ? 'invisible' : ''}`}
              aria-expanded={open}
              disabled={busy || done}
              onClick={() => setOpen(!open)}
            >
              Move or drop
            </button>
          )}
          {mark && over && !done && (
            <button
              type="button"
              className="link min-h-[24px]"
              disabled={busy}
              onClick={() => void say({ how: 'open' })}
            >
              Undo
            </button>
          )}
        </p>
        {open && <MoveOrDrop today={today} busy={busy} say={say} />}
      </div>
    </li>
  );
}

function MoveOrDrop({
  today,
  busy,
  say,
}: {
  today: string;
  busy: boolean;
  say: (marking: Marking) => Promise<void>;
}) {
  const [on, setOn] = useState(dayAfter(today, 14));
  const [why, setWhy] = useState('');
  const [problem, setProblem] = useState<string>();
  const id = useId();
  const withReason = (marking: Marking) => {
    if (why.trim() === '') return setProblem('Reason: empty; say why, in 1 to 400 characters.');
    setProblem(undefined);
    void say(marking);
  };
  return (
    <div className="border-l-2 border-todo pl-3 my-2 grid gap-2 sm:grid-cols-[minmax(0,1fr)_auto] items-end">
      <label className="block">
        <span className="block text-sm">Reason</span>
        <input
          className="w-full"
          maxLength={400}
          value={why}
          aria-invalid={problem !== undefined}
          aria-describedby={id}
          onChange={({ target }) => setWhy(target.value)}
        />
      </label>
      <DayInput label="New day" min={today} value={on} onChange={setOn} />
      <div className="flex flex-wrap gap-2 sm:col-span-2">
        <button
          type="button"
          className="act"
          disabled={busy}
          onClick={() => withReason({ how: 'moved', on, why })}
        >
          Move
        </button>
        <button
          type="button"
          className="quiet"
          disabled={busy}
          onClick={() => withReason({ how: 'dropped', why })}
        >
          Drop
        </button>
      </div>
      <Said id={id} lines={1} problem={problem} className="sm:col-span-2" />
    </div>
  );
}

function TaskWords({
  late,
  task,
  done,
  marking,
  over,
  today,
}: {
  late: boolean;
  task: TaskRow;
  done: boolean;
  marking: Mark | undefined;
  over: boolean;
  today: string;
}) {
  return (
    <>
      <p>
        <span className={`num ${late ? 'text-harm font-bold' : ''}`}>
          {task.from === task.to ? task.to : `${task.from} to ${task.to}`}
        </span>{' '}
        <span className={late ? 'text-harm font-bold' : 'text-muted'}>
          {done ? doneWords(marking, task) : over ? '' : whenOf(task, today)}
        </span>
        <span className="text-muted text-sm"> · {WHO_WORDS[task.who]}</span>
      </p>
      <p className={over ? 'line-through decoration-muted text-muted' : ''}>
        <PageLink className="font-semibold" href={`/trees/${task.treeId}`}>
          {task.label}
        </PageLink>
        <span className="text-muted">, {task.property}. </span>
        {task.what}
      </p>
      {task.state === 'late' && task.stake && (
        <p className={late ? 'text-harm' : 'text-muted'}>{task.stake}</p>
      )}
    </>
  );
}
