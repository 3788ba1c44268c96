'use client';

import { memo, useState } from 'react';
import { isOpen } from '@undrel/core/schedule';
import { byDay, dayAfter, inARow, inSentence } from '@undrel/core/vocabulary';
import { formatValue, tidy, writeLengths } from '@undrel/core/units';
import { LargeTrees } from '../../ui/LargeTrees';
import { PageLink } from '@/ui/PageLink';
import type { DecisionRow, Marking, TaskRow, WaterRow, WorkRow } from '../../protocol/season';
import { usePreferences } from '../shell/preferences';
import type { Marks } from './marks';
import { TaskEntry } from './TaskEntry';
import { isDanger } from './seasonOf';
import { isWhole, waterSoon, type Prescribed } from './useSeasonLines';
import { count } from '../../ui/count';
import { whenOf } from './words';

/** Rows of a group shown before one asks for all. */
const FIRST = 25;

/** Tasks by when they press. */
function groupsOf(tasks: readonly TaskRow[], today: string): { name: string; tasks: TaskRow[] }[] {
  const week = dayAfter(today, 7);
  const month = dayAfter(today, 31);
  const of = (name: string, holds: (t: TaskRow) => boolean) => ({ name, tasks: tasks.filter(holds) });
  const open = (t: TaskRow) => isOpen(t);
  const late = (t: TaskRow) => t.state === 'late';
  const soon = (t: TaskRow, by: string) => open(t) && !late(t) && t.from <= by;
  return [
    of('Late', late),
    of('This week', (t) => soon(t, week)),
    of('Within a month', (t) => soon(t, month) && !soon(t, week)),
    of('Later this year', (t) => open(t) && !late(t) && !soon(t, month)),
    of('Closed lately', (t) => !open(t)),
  ].filter((g) => g.tasks.length > 0);
}

/** What follows work that was done, and beside it what is prescribed and what needs water. */
export const SeasonList = memo(function SeasonList({
  tasks,
  prescribed,
  today,
  marks,
  mark,
}: {
  tasks: readonly TaskRow[];
  prescribed: Prescribed;
  today: string;
  marks: Marks;
  mark: ((task: TaskRow, marking: Marking) => Promise<{ problem?: string }>) | undefined;
}) {
  const groups = groupsOf(tasks, today);
  return (
    <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,26rem)]">
      <section aria-labelledby="follows">
        <h2 id="follows">To check and to finish</h2>
        {groups.length === 0 && (
          <p className="told my-3">
            No follow-up here yet. Tick work as done in an order, and its follow-ups are listed with their
            dates.
          </p>
        )}
        {groups.map((g) => (
          <Group
            key={g.name}
            name={g.name}
            tasks={g.tasks}
            today={today}
            marks={marks}
            mark={mark}
            // What is far off or closed is there when one asks for it.
            first={g.name === 'Later this year' || g.name === 'Closed lately' ? 0 : FIRST}
          />
        ))}
      </section>
      <section aria-labelledby="prescribed" className="lg:border-l lg:border-ink lg:pl-6">
        <h2 id="prescribed">Prescribed, not done</h2>
        <p className="text-sm text-muted">What the newest visit of each tree prescribes.</p>
        {/* All of it at once: nothing that can be pressed moves while the rest comes. */}
        {isWhole(prescribed) && <PrescribedList prescribed={prescribed} today={today} />}
      </section>
    </div>
  );
});

function PrescribedList({ prescribed, today }: { prescribed: Prescribed; today: string }) {
  return (
    <>
      <Works works={prescribed.works} today={today} />
      {prescribed.rests.length > 0 && (
        <ul aria-label="Left alone for now">
          {prescribed.rests.map((task) => (
            <TaskEntry
              key={`${task.visitId} ${task.key}`}
              task={task}
              today={today}
              marking={undefined}
              mark={undefined}
            />
          ))}
        </ul>
      )}
      <LargeTrees trees={prescribed.large} />
      <Decisions decisions={prescribed.decisions} />
      <Water water={prescribed.water} today={today} />
    </>
  );
}

/** What is likely and left as it is only because nobody has decided on what would mend it. */
function Decisions({ decisions }: { decisions: readonly DecisionRow[] }) {
  const [all, setAll] = useState(false);
  if (decisions.length === 0) return null;
  return (
    <section aria-labelledby="to-decide" className="mt-5">
      <h2 id="to-decide">Still to be decided</h2>
      <p className="text-sm text-muted">Likely, and nothing prescribed corrects it.</p>
      <ul>
        {(all ? decisions : decisions.slice(0, FIRST_TREES)).map(({ treeId, label, property, undecided }) => (
          <li key={treeId} className="border-b border-hair py-2" aria-label={`To decide: ${label}`}>
            <p>
              <PageLink className="font-semibold" href={`/trees/${treeId}?station=prescription`}>
                {label}
              </PageLink>
              <span className="text-muted">, {property}. </span>
              {inARow(undecided.map((o) => o.title))}
            </p>
            <p className="text-sm text-muted">For {inARow(mendedBy(undecided))}.</p>
          </li>
        ))}
      </ul>
      {!all && <OtherTrees of={decisions.length} onShow={() => setAll(true)} />}
    </section>
  );
}

/** What some remedies would mend, each once, with how sure it is. */
const mendedBy = (undecided: DecisionRow['undecided']): string[] => [
  ...new Set(
    undecided.flatMap((o) => o.mends.map(({ label, certainty }) => `${inSentence(label)} (${certainty})`)),
  ),
];

function Group({
  name,
  tasks,
  today,
  marks,
  mark,
  first,
}: {
  name: string;
  tasks: TaskRow[];
  today: string;
  marks: Marks;
  mark: ((task: TaskRow, marking: Marking) => Promise<{ problem?: string }>) | undefined;
  first: number;
}) {
  const [shown, setShown] = useState(first);
  const rest = tasks.length - shown;
  return (
    <section aria-label={name} className="mt-3">
      <h3 className={`font-bold border-b-[1.5px] border-ink ${name === 'Late' ? 'text-harm' : ''}`}>
        {name} <span className="num">{tasks.length}</span>
      </h3>
      <ul>
        {tasks.slice(0, shown).map((task) => (
          <TaskEntry
            key={`${task.visitId} ${task.key}`}
            task={task}
            today={today}
            marking={marks.get(`${task.visitId} ${task.key}`)}
            mark={mark && ((marking) => mark(task, marking))}
          />
        ))}
      </ul>
      {rest > 0 && (
        <button type="button" className="quiet my-2 no-print" onClick={() => setShown(tasks.length)}>
          Show {shown === 0 ? '' : 'the other '}
          {count(rest, 'task')}
        </button>
      )}
    </section>
  );
}

/** Works of a tree together: those of trees that may fall, then what presses first. */
function byTree(works: readonly WorkRow[]): WorkRow[][] {
  const trees = new Map<string, WorkRow[]>();
  for (const w of works) trees.set(w.treeId, [...(trees.get(w.treeId) ?? []), w]);
  const end = (own: WorkRow[]) => own.reduce((soonest, w) => (w.to < soonest ? w.to : soonest), own[0]!.to);
  const safe = (own: WorkRow[]) => (own.some(isDanger) ? 0 : 1);
  return [...trees.values()].sort((a, b) => safe(a) - safe(b) || byDay(end(a), end(b)));
}

/** Trees of a list shown before one asks for all. */
const FIRST_TREES = 8;

/** Shows the trees that a list leaves out at first. */
function OtherTrees({ of, onShow }: { of: number; onShow: () => void }) {
  return of > FIRST_TREES ? (
    <button type="button" className="quiet my-2 no-print" onClick={onShow}>
      Show the other {count(of - FIRST_TREES, 'tree')}
    </button>
  ) : null;
}

function Works({ works, today }: { works: readonly WorkRow[]; today: string }) {
  const [all, setAll] = useState(false);
  const trees = byTree(works);
  const { units } = usePreferences();
  if (trees.length === 0) return <p className="told my-2">No work is open.</p>;
  return (
    <>
      <ul>
        {(all ? trees : trees.slice(0, FIRST_TREES)).map((own) => {
          const tree = own[0]!;
          const soonest = own.reduce((a, b) => (b.to < a.to ? b : a));
          const late = soonest.state === 'late';
          const hours = own.reduce((sum, w) => sum + w.hours, 0);
          const flags = [...new Set(own.flatMap((w) => (w.flag ? [`${w.what}: ${w.flag}`] : [])))];
          return (
            <li key={tree.treeId} className="border-b border-hair py-2" aria-label={`Work: ${tree.label}`}>
              {own.some(isDanger) && <p className="text-harm font-bold">May fall: keep people away.</p>}
              <p>
                <span className={`num ${late ? 'text-harm font-bold' : ''}`}>{soonest.to}</span>{' '}
                <span className={late ? 'text-harm font-bold' : 'text-muted'}>{whenOf(soonest, today)}</span>
                {hours > 0 && <span className="text-muted"> · {tidy(hours, 1)} crew hours</span>}
              </p>
              <p>
                <PageLink className="font-semibold" href={`/trees/${tree.treeId}/order`}>
                  {tree.label}
                </PageLink>
                <span className="text-muted">, {tree.property}. </span>
                {inARow(own.map((w) => w.what))}
              </p>
              {[...new Set(own.flatMap((w) => (w.part > 1 && w.told ? [`${w.what}: ${w.told}`] : [])))].map(
                (t) => (
                  <p key={t} className="text-sm text-harm">
                    {t}
                  </p>
                ),
              )}
              {flags.map((f) => (
                <p key={f} className="text-sm text-todo">
                  {writeLengths(f, units)}
                </p>
              ))}
            </li>
          );
        })}
      </ul>
      {!all && <OtherTrees of={trees.length} onShow={() => setAll(true)} />}
    </>
  );
}

function Water({ water, today }: { water: readonly WaterRow[]; today: string }) {
  const { units } = usePreferences();
  const soon = waterSoon(water, today);
  return (
    <section aria-labelledby="water" className="mt-5">
      <h2 id="water">Water within two weeks</h2>
      {soon.length === 0 && (
        <p className="told my-2">
          {water.length === 0
            ? 'No tree is under care.'
            : `None of ${count(water.length, 'tree')} under care needs water.`}
        </p>
      )}
      <ul>
        {soon.map((w) => (
          <li key={w.treeId} className="border-b border-hair py-2">
            <span className="num">{w.next.on}</span>{' '}
            <strong className="num">{formatValue(w.next.litres, 'litres', units)}</strong>{' '}
            <PageLink href={`/grounds/${w.propertyId}/water`}>{w.label}</PageLink>
            <span className="text-muted">, {w.property}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
