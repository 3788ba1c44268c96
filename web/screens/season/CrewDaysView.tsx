'use client';

import { DayInput } from '../../ui/controls/DayInput';
import { DndContext, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { useEffect, useMemo, useRef, useState, useTransition } from 'react';
import { drivesBetween, hoursOn, type CrewDays, type CrewProblem } from '@undrel/core/crewDays';
import { CREW_DAYS } from '@undrel/core/practice';
import { CREW_DAY } from '@undrel/core/costing';
import { tidy } from '@undrel/core/units';
import { PageLink } from '@/ui/PageLink';
import type { Places, PlannedDay, WorkRow } from '../../protocol/season';
import { Said } from '../../ui/Said';
import type { CrewDaysAnswer, CrewDaysJob } from '../../workers/crewDays';
import { jobsOf, workDays, type RowJob } from './crewJobs';
import { count } from '../../ui/count';
import type { Prescribed } from './useSeasonLines';
import { Yard, type NoteYard } from './Yard';
import { CrewDay } from './CrewDay';
import { ServerButton } from '../../ui/FromServer';

const MOST_WEEKS = 8;

/** What is to be packed: the jobs, and the problem that they make. */
interface Asked {
  jobs: RowJob[];
  problem: CrewProblem;
}

type Packed =
  | { state: 'working' }
  | { state: 'failed'; problem: string }
  | ({ state: 'done'; days: CrewDays } & Asked);

/** Packs the jobs in a worker; a new question ends the one before. */
function usePacked(question: Asked): Packed {
  const [packed, setPacked] = useState<Packed>({ state: 'working' });
  const worker = useRef<Worker | undefined>(undefined);
  const asked = useRef(0);
  useEffect(() => () => worker.current?.terminate(), []);
  useEffect(() => {
    const id = ++asked.current;
    worker.current ??= new Worker(new URL('../../workers/crewDays.ts', import.meta.url), { type: 'module' });
    worker.current.onmessage = ({ data }: MessageEvent<CrewDaysAnswer>) => {
      if (data.id !== asked.current) return;
      setPacked(
        'days' in data
          ? { state: 'done', days: data.days, ...question }
          : { state: 'failed', problem: data.failed },
      );
    };
    worker.current.onerror = () =>
      setPacked({ state: 'failed', problem: 'The days could not be packed here; load the page again.' });
    worker.current.postMessage({ id, problem: question.problem } satisfies CrewDaysJob);
  }, [question]);
  return packed;
}

/** What is prescribed, packed into the days of a crew: one trip to many trees, the machine on few days, in season. */
export function CrewDaysView({
  works,
  spells,
  places,
  noteYard,
  today,
  plan,
}: {
  works: readonly WorkRow[];
  spells: Prescribed['spells'];
  places: Places;
  noteYard: NoteYard | undefined;
  today: string;
  /** Writes the days into the prescriptions. */
  plan: ((days: PlannedDay[]) => Promise<{ problem?: string; planned?: number }>) | undefined;
}) {
  const [from, setFrom] = useState(today);
  const [weeks, setWeeks] = useState('4');
  const [hours, setHours] = useState(String(CREW_DAY));
  const [saturday, setSaturday] = useState(false);
  const [locks, setLocks] = useState<ReadonlyMap<string, string>>(new Map());
  const [told, setTold] = useState<{ problem?: string; planned?: number }>();
  const [busy, start] = useTransition();
  const number = (text: string, least: number, most: number) => {
    const value = Number(text.replace(',', '.'));
    return text.trim() !== '' && value >= least && value <= most ? value : undefined;
  };
  const [span, day] = [number(weeks, 1, MOST_WEEKS), number(hours, 2, 12)];
  const wrong =
    span === undefined
      ? `Weeks: “${weeks}”; 1 to ${MOST_WEEKS} are allowed.`
      : day === undefined
        ? `Hours a day: “${hours}”; 2 to 12 are allowed.`
        : from < today
          ? `From: ${from} is over; today is ${today}.`
          : undefined;
  const kept = useRef<Asked>({
    jobs: [],
    problem: { jobs: [], days: [] },
  });
  const question = useMemo((): Asked => {
    if (wrong) return kept.current;
    const days = workDays(from, Math.round(span!), saturday).map((on) => ({ on, hours: day! }));
    const jobs = jobsOf(works, day!, locks, [from, days.at(-1)?.on ?? from], spells);
    const bare = jobs.map(({ row: _, piece: __, pieces: ___, ...job }) => job);
    const there = places.grounds.filter((g) => bare.some((job) => job.grounds === g.id));
    const drives = places.yard && there.length > 0 ? drivesBetween(places.yard, there) : undefined;
    return (kept.current = { jobs, problem: { jobs: bare, days, ...(drives && { drives }) } });
  }, [works, day, locks, from, span, saturday, wrong, spells, places]);
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
  const onDay = (d: number) => jobs.filter((_, j) => done?.days.plan[j] === d);
  const left = done ? jobs.filter((_, j) => done.days.plan[j] === undefined) : [];
  const waiting = [...new Set(works.filter((w) => w.waits).map((w) => w.label))];
  const used = done ? done.problem.days.map((_, d) => d).filter((d) => onDay(d).length > 0) : [];
  const write = () =>
    start(async () => {
      const days = jobs.flatMap((job, j): PlannedDay[] => {
        const d = done?.days.plan[j];
        const { visitId, operation, part } = job.row;
        // Later seasons of trenches have a year and no day of their own.
        const kept = job.piece > 1 || (part > 1 && operation !== 'prune');
        return d === undefined || kept ? [] : [{ visitId, operation, part, on: done!.problem.days[d]!.on }];
      });
      setTold(
        await plan!(days).catch(() => ({
          problem: 'The server could not be reached; nothing was planned. Try again.',
        })),
      );
    });
  return (
    <section aria-label="Crew days">
      <div className="flex flex-wrap gap-x-4 gap-y-2 items-end mb-2 no-print">
        <DayInput label="From" min={today} value={from} onChange={(day) => day && setFrom(day)} />
        <label>
          <span className="block text-sm">Weeks</span>
          <input
            className="num w-20"
            inputMode="numeric"
            value={weeks}
            onChange={({ target }) => setWeeks(target.value)}
          />
        </label>
        <label>
          <span className="block text-sm">Hours a day</span>
          <input
            className="num w-20"
            inputMode="decimal"
            value={hours}
            onChange={({ target }) => setHours(target.value)}
          />
        </label>
        <label className="flex items-center gap-2 min-h-[44px]">
          <input type="checkbox" checked={saturday} onChange={() => setSaturday(!saturday)} />
          Saturdays too
        </label>
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
      {noteYard && (
        <Yard
          yard={places.yard}
          unplaced={[...new Map(question.jobs.map((j) => [j.grounds, j.row.property]))]
            .filter(([id]) => !places.grounds.some((g) => g.id === id))
            .map(([, name]) => name)}
          note={noteYard}
        />
      )}
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
        <ol className="grid gap-x-4 sm:grid-cols-2 lg:grid-cols-3">
          {(done ? done.problem.days : []).map((d, i) => (
            <CrewDay
              key={d.on}
              on={d.on}
              hours={d.hours}
              taken={hoursOn(done!.problem, done!.days.plan, i)}
              jobs={onDay(i)}
              days={done!.problem.days.map((x) => x.on)}
              lock={lock}
            />
          ))}
        </ol>
      </DndContext>
      {waiting.length > 0 && (
        <p className="wrong my-3">
          {waiting.join(', ')}: the stability assessment comes first, so no crew is sent there. Local codes
          and licensed practice take precedence over this plan.
        </p>
      )}
      {left.length > 0 && (
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
      )}
    </section>
  );
}

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
