'use client';

import { DayInput } from '../../ui/controls/DayInput';
import { DndContext, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { memo, useState, useTransition } from 'react';
import { hoursOn, type CrewDays } from '@undrel/core/crewDays';
import { CREW_DAYS } from '@undrel/core/practice';
import { tidy } from '@undrel/core/units';
import { PageLink } from '@/ui/PageLink';
import type { Places, PlannedDay, WorkRow } from '../../protocol/season';
import { Said } from '../../ui/Said';
import { type RowJob } from './crewJobs';
import { count } from '../../ui/count';
import type { Prescribed } from './useSeasonLines';
import { Yard, type NoteYard } from './Yard';
import { CrewDay } from './CrewDay';
import { ServerButton } from '../../ui/FromServer';
import { plannedDays, useDaysAsked, usePacked, useQuestion, type Asked, type Asking } from './usePacked';

interface CrewDaysProps {
  works: readonly WorkRow[];
  spells: Prescribed['spells'];
  places: Places;
  noteYard: NoteYard | undefined;
  today: string;
  /** Writes the days into the prescriptions. */
  plan: ((days: PlannedDay[]) => Promise<{ problem?: string; planned?: number }>) | undefined;
}

/** What is prescribed, packed into the days of a crew: one trip to many trees, the machine on few days, in season. */
export const CrewDaysView = memo(function CrewDaysView({
  works,
  spells,
  places,
  noteYard,
  today,
  plan,
}: CrewDaysProps) {
  const asked = useDaysAsked(today);
  const { wrong } = asked;
  const [locks, setLocks] = useState<ReadonlyMap<string, string>>(new Map());
  const [told, setTold] = useState<{ problem?: string; planned?: number }>();
  const [busy, start] = useTransition();
  const question = useQuestion(asked, { works, spells, places, locks });
  const packed = usePacked(question);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 8 } }));
  const lock = (id: string, on: string | undefined) => {
    const next = new Map(locks);
    if (on === undefined) next.delete(id);
    else next.set(id, on);
    setLocks(next);
    setTold(undefined);
  };
  // Days and jobs belong together: until the new ones are packed those before stand.
  const done = packed.state === 'done' ? packed : undefined;
  const jobs = done?.jobs ?? [];
  const stale = done?.problem !== question.problem;
  const left = done ? jobs.filter((_, j) => done.days.plan[j] === undefined) : [];
  const used = done ? done.problem.days.map((_, d) => d).filter((d) => done.days.plan.includes(d)) : [];
  const write = () =>
    start(async () => {
      setTold(
        await plan!(plannedDays(done!)).catch(() => ({
          problem: 'The server could not be reached; nothing was planned. Try again.',
        })),
      );
    });
  return (
    <section aria-label="Crew days">
      <div className="flex flex-wrap gap-x-4 gap-y-2 items-end mb-2 no-print">
        <DaysAsked asked={asked} today={today} />
        {plan && (
          <ServerButton
            type="button"
            className="act"
            disabled={busy || !done || stale || used.length === 0 || wrong !== undefined}
            onClick={write}
          >
            Plan these days
          </ServerButton>
        )}
      </div>
      <Said
        lines={2}
        problem={wrong ?? told?.problem ?? (packed.state === 'failed' ? packed.problem : undefined)}
        told={
          told?.planned !== undefined
            ? `${count(told.planned, 'work')} planned; the order of each tree names its day.`
            : ''
        }
      />
      <PackedTold question={question} stale={stale} done={done} used={used} left={left} />
      {noteYard && <YardOf places={places} jobs={question.jobs} note={noteYard} />}
      {done?.days.broken.length ? (
        <ul className="wrong my-2">
          {done.days.broken.map((b) => (
            <li key={b}>{nameIn(b, jobs)}</li>
          ))}
        </ul>
      ) : null}
      <DndContext
        sensors={sensors}
        onDragEnd={({ active, over }) => over && lock(String(active.id), String(over.id))}
      >
        {done && <Days done={done} lock={lock} />}
      </DndContext>
      <WaitFirst works={works} />
      {left.length > 0 && <OnNoDay left={left} />}
    </section>
  );
});

function summary({ days }: { days: CrewDays }, used: number, left: number): string {
  const { travel, machine } = days.cost;
  const best = days.proved
    ? 'no plan takes less'
    : `at most ${tidy(days.gap, 1)} h more than the best there may be`;
  return `${count(used, 'day')}, ${tidy(travel + machine, 1)} h of travel and fetching; ${best}.${left > 0 ? ` ${count(left, 'work')} on no day.` : ''}`;
}

/** A sentence about jobs with their trees in place of their ids. */
const nameIn = (text: string, jobs: readonly RowJob[]): string =>
  [...jobs]
    .sort((a, b) => b.id.length - a.id.length)
    .reduce((told, { id, row }) => told.replaceAll(id, `${row.label}, ${row.what}`), text);

/** From when, for how many weeks, and which days are worked how long. */
function DaysAsked({ asked, today }: { asked: Asking; today: string }) {
  const { from, weeks, hours, saturday } = asked;
  return (
    <>
      <DayInput label="From" min={today} value={from} onChange={(day) => day && asked.set({ from: day })} />
      <label>
        <span className="block text-sm">Weeks</span>
        <input
          className="num w-20"
          inputMode="numeric"
          value={weeks}
          onChange={({ target }) => asked.set({ weeks: target.value })}
        />
      </label>
      <label>
        <span className="block text-sm">Hours a day</span>
        <input
          className="num w-20"
          inputMode="decimal"
          value={hours}
          onChange={({ target }) => asked.set({ hours: target.value })}
        />
      </label>
      <label className="flex items-center gap-2 min-h-[44px]">
        <input type="checkbox" checked={saturday} onChange={() => asked.set({ saturday: !saturday })} />
        Saturdays too
      </label>
    </>
  );
}

/** How the work is packed, and by what rules. */
function PackedTold({
  question,
  stale,
  done,
  used,
  left,
}: {
  question: Asked;
  stale: boolean;
  done: ({ state: 'done'; days: CrewDays } & Asked) | undefined;
  used: number[];
  left: RowJob[];
}) {
  return (
    <>
      <p className="text-lg min-h-[1.8rem]" data-testid="crew-days" role="status">
        {question.jobs.length === 0
          ? 'No work of a crew is prescribed here.'
          : stale
            ? 'Packing the days…'
            : done && summary(done, used.length, left.length)}
      </p>
      <p className="text-sm text-muted mb-3">
        {question.problem.drives
          ? `Each day is the shortest round from the yard through its properties, and ${CREW_DAYS.setUp.value} h of setting up on each;`
          : `${CREW_DAYS.travel.value} h of travel for each property on a day,`}{' '}
        {CREW_DAYS.machine.value} h to fetch the air tool. Nothing is dug in ground that is usually frozen,
        and no tree is lifted in the heat; digging waits for the end of the wet months. Drag a work to another
        day, or choose its day: it stays there, and the rest is packed again.
      </p>
    </>
  );
}

function OnNoDay({ left }: { left: RowJob[] }) {
  return (
    <section aria-label="On no day" className="mt-4">
      <h2 className="text-harm">No day holds</h2>
      <ul>
        {left.map((job) => (
          <li key={job.id} className="border-b border-hair py-2">
            <PageLink className="font-semibold" href={`/trees/${job.row.treeId}/order`}>
              {job.row.label}
            </PageLink>
            <span className="text-muted">, {job.row.property}. </span>
            {job.row.what}, {tidy(job.hours, 1)} h.
            {job.row.flag && <span className="text-todo"> {job.row.flag}</span>}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Trees that no crew is sent to before somebody qualified has looked at their stability. */
function WaitFirst({ works }: { works: readonly WorkRow[] }) {
  const waiting = [...new Set(works.filter((w) => w.waits).map((w) => w.label))];
  if (waiting.length === 0) return null;
  return (
    <p className="wrong my-3">
      {waiting.join(', ')}: the stability assessment comes first, so no crew is sent there. Local codes and
      licensed practice take precedence over this plan.
    </p>
  );
}

/** Where the crew sets out from, and which grounds have no place on the map to drive to. */
function YardOf({ places, jobs, note }: { places: Places; jobs: readonly RowJob[]; note: NoteYard }) {
  const names = new Map(jobs.map((j) => [j.grounds, j.row.property]));
  const unplaced = [...names].filter(([id]) => !places.grounds.some((g) => g.id === id));
  return <Yard yard={places.yard} unplaced={unplaced.map(([, name]) => name)} note={note} />;
}

/** The days with the works that are packed into each. */
function Days({
  done: { days, jobs, problem },
  lock,
}: {
  done: Asked & { days: CrewDays };
  lock: (id: string, on: string | undefined) => void;
}) {
  return (
    <ol className="grid gap-x-4 sm:grid-cols-2 lg:grid-cols-3">
      {problem.days.map((d, i) => (
        <CrewDay
          key={d.on}
          on={d.on}
          hours={d.hours}
          taken={hoursOn(problem, days.plan, i)}
          jobs={jobs.filter((_, j) => days.plan[j] === i)}
          days={problem.days.map((x) => x.on)}
          lock={lock}
        />
      ))}
    </ol>
  );
}
