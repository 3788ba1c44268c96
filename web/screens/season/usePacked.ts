import { startTransition, useEffect, useMemo, useRef, useState } from 'react';
import { CREW_DAY } from '@undrel/core/costing';
import { drivesBetween, type CrewDays, type CrewProblem } from '@undrel/core/crewDays';
import type { Places, PlannedDay, WorkRow } from '../../protocol/season';
import type { CrewDaysAnswer, CrewDaysJob } from '../../workers/crewDays';
import { jobsOf, workDays, type RowJob } from './crewJobs';
import type { Prescribed } from './useSeasonLines';

const MOST_WEEKS = 8;

/** What is to be packed: the jobs, and the problem that they make. */
export interface Asked {
  jobs: RowJob[];
  problem: CrewProblem;
}

type Packed =
  | { state: 'working' }
  | { state: 'failed'; problem: string }
  | ({ state: 'done'; days: CrewDays } & Asked);

/** Packs the jobs in a worker; a new question ends the one before. */
export function usePacked(question: Asked): Packed {
  const [packed, setPacked] = useState<Packed>({ state: 'working' });
  const worker = useRef<Worker | undefined>(undefined);
  const asked = useRef(0);
  useEffect(() => () => worker.current?.terminate(), []);
  useEffect(() => {
    const id = ++asked.current;
    worker.current ??= new Worker(new URL('../../workers/crewDays.ts', import.meta.url), { type: 'module' });
    worker.current.onmessage = ({ data }: MessageEvent<CrewDaysAnswer>) => {
      if (data.id !== asked.current) return;
      // What is pressed meanwhile is answered first.
      startTransition(() =>
        setPacked(
          'days' in data
            ? { state: 'done', days: data.days, ...question }
            : { state: 'failed', problem: data.failed },
        ),
      );
    };
    worker.current.onerror = () =>
      setPacked({ state: 'failed', problem: 'The days could not be packed here; load the page again.' });
    worker.current.postMessage({ id, problem: question.problem } satisfies CrewDaysJob);
  }, [question]);
  return packed;
}

/** Which days are asked for, as they are typed, and what is wrong with them. */
export function useDaysAsked(today: string) {
  const [typed, setTyped] = useState({ from: today, weeks: '4', hours: String(CREW_DAY), saturday: false });
  const { from, weeks, hours } = typed;
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
  const set = (part: Partial<typeof typed>) => setTyped({ ...typed, ...part });
  return { ...typed, span, day, wrong, set };
}

export type Asking = ReturnType<typeof useDaysAsked>;

/** The jobs, and the problem they make; while the days asked for are none, those before. */
export function useQuestion(
  { from, span, day, saturday, wrong }: Asking,
  given: {
    works: readonly WorkRow[];
    spells: Prescribed['spells'];
    places: Places;
    locks: ReadonlyMap<string, string>;
  },
): Asked {
  const { works, spells, places, locks } = given;
  const kept = useRef<Asked>({ jobs: [], problem: { jobs: [], days: [] } });
  return useMemo((): Asked => {
    if (wrong) return kept.current;
    const days = workDays(from, Math.round(span!), saturday).map((on) => ({ on, hours: day! }));
    const jobs = jobsOf(works, day!, locks, [from, days.at(-1)?.on ?? from], spells);
    const bare = jobs.map(({ row: _, piece: __, pieces: ___, ...job }) => job);
    const there = places.grounds.filter((g) => bare.some((job) => job.grounds === g.id));
    const drives = places.yard && there.length > 0 ? drivesBetween(places.yard, there) : undefined;
    return (kept.current = { jobs, problem: { jobs: bare, days, ...(drives && { drives }) } });
  }, [works, day, locks, from, span, saturday, wrong, spells, places]);
}

/** The day of each work that is packed, as the prescription keeps it: later seasons of trenches have a year and no day of their own. */
export const plannedDays = ({ jobs, days, problem }: Asked & { days: CrewDays }): PlannedDay[] =>
  jobs.flatMap((job, j) => {
    const d = days.plan[j];
    const { visitId, operation, part } = job.row;
    const later = job.piece > 1 || (part > 1 && operation !== 'prune');
    return d === undefined || later ? [] : [{ visitId, operation, part, on: problem.days[d]!.on }];
  });
