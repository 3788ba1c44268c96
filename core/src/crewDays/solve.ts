import type { Mip, Solver } from '../milp';
import { CREW_DAYS } from '../practice/crewDays';
import { daysBetween } from '../vocabulary/dates';
import { pack } from './pack';
import {
  brokenBy,
  costOf,
  dayCost,
  mayBeOn,
  travelOf,
  type CrewCost,
  type CrewJob,
  type CrewPlan,
  type CrewProblem,
} from './problem';
import { leastTravel } from './travel';

/** Seconds a solver may take, and the largest problem that is given to one: jobs times days. */
const SECONDS = 4;
const LARGEST = 1500;
/** With drives between them, the trips of a day to all sets of so many grounds are in the model. */
const MOST_GROUNDS = 6;

export interface CrewDays {
  plan: CrewPlan;
  cost: CrewCost;
  /** Proved to be the best there is. */
  proved: boolean;
  /** Hours that a better plan could save at most. */
  gap: number;
  /** What was set by hand and cannot be kept to, in words. */
  broken: string[];
}

/** Every set of some things but the empty one. */
const setsOf = <T>(of: readonly T[]): T[][] =>
  of.reduce<T[][]>((sets, one) => [...sets, ...sets.map((s) => [...s, one])], [[]]).slice(1);

const groundsOf = (jobs: readonly CrewJob[]): string[] => [...new Set(jobs.map((job) => job.grounds))];

/**
 * The trips that a day may have: to each of the grounds by itself where each takes its own time; else one round through one
 * set of grounds.
 */
function tripsOf(problem: CrewProblem): { grounds: string[]; hours: number }[] {
  const travel = travelOf(problem);
  const grounds = groundsOf(problem.jobs);
  const sets = problem.drives ? setsOf(grounds) : grounds.map((g) => [g]);
  return sets.map((set) => ({ grounds: set, hours: travel(new Set(set)) }));
}

/** The problem as a mixed-integer model: which job on which day, which trips and whether the machine on a day. */
function modelOf(problem: CrewProblem): { mip: Mip; at: (number | undefined)[][] } {
  const { jobs, days } = problem;
  const columns: Mip['columns'] = [];
  const rows: Mip['rows'] = [];
  const column = (name: string, worth: number, upper = 1, whole = true): number =>
    columns.push({ name, worth, lower: 0, upper, whole }) - 1;
  const trips = days.map((_, d) =>
    tripsOf(problem).map((trip, t) => ({ ...trip, column: column(`trip ${t} on ${d}`, -trip.hours) })),
  );
  const machine = days.map((_, d) => column(`air on ${d}`, -CREW_DAYS.machine.value));
  const at = jobs.map((job, j) =>
    days.map(({ on }, d) => {
      const { late, wet } = dayCost(job, on, days[0]!.on);
      return mayBeOn(job, on) ? column(`${j} on ${d}`, -(late + wet)) : undefined;
    }),
  );
  const left = jobs.map((job, j) => column(`${j} left`, -(CREW_DAYS.left.value + job.hours)));
  jobs.forEach((job, j) => {
    const own = at[j]!.flatMap((c): [number, number][] => (c === undefined ? [] : [[c, 1]]));
    rows.push({ name: `${j} once`, lower: 1, upper: 1, entries: [...own, [left[j]!, 1]] });
    at[j]!.forEach((c, d) => {
      if (c === undefined) return;
      rows.push({
        name: `${j} is there ${d}`,
        lower: -Infinity,
        upper: 0,
        entries: [
          [c, 1],
          ...trips[d]!.filter((t) => t.grounds.includes(job.grounds)).map((t): [number, number] => [
            t.column,
            -1,
          ]),
        ],
      });
      if (job.air)
        rows.push({
          name: `${j} with air ${d}`,
          lower: -Infinity,
          upper: 0,
          entries: [
            [c, 1],
            [machine[d]!, -1],
          ],
        });
    });
    for (const { id, days: gap } of job.after ?? []) {
      const before = jobs.findIndex((other) => other.id === id);
      if (before < 0) continue;
      at[j]!.forEach((c, d) => {
        if (c === undefined) return;
        const early = at[before]!.flatMap((b, e): [number, number][] =>
          b !== undefined && daysBetween(days[e]!.on, days[d]!.on) >= gap ? [[b, -1]] : [],
        );
        rows.push({
          name: `${j} after ${before} ${d}`,
          lower: -Infinity,
          upper: 0,
          entries: [[c, 1], ...early],
        });
      });
    }
  });
  days.forEach(({ hours }, d) => {
    const entries = jobs.flatMap((job, j): [number, number][] =>
      at[j]![d] === undefined ? [] : [[at[j]![d]!, job.hours]],
    );
    for (const trip of trips[d]!) entries.push([trip.column, trip.hours]);
    if (problem.drives)
      rows.push({
        name: `one round ${d}`,
        lower: -Infinity,
        upper: 1,
        entries: trips[d]!.map((t) => [t.column, 1]),
      });
    rows.push({ name: `hours ${d}`, lower: -Infinity, upper: hours, entries });
  });
  return { mip: { columns, rows }, at };
}

/** What no plan can cost less than: each of the grounds is travelled to as often as its hours ask, the machine as often as its own. */
function floorOf(problem: CrewProblem): number {
  const { jobs, days, drives } = problem;
  const longest = Math.max(0, ...days.map((d) => d.hours));
  const travel = travelOf(problem);
  const least = new Map(groundsOf(jobs).map((g) => [g, leastTravel(drives, g)]));
  // What somebody set may fill a day over its hours: it asks for no trip here.
  const free = jobs.filter((job) => job.lock === undefined);
  const open = free.filter((job) => {
    const there = job.hours + travel(new Set([job.grounds]));
    return days.some((d) => mayBeOn(job, d.on) && there <= d.hours);
  });
  const needed = (hours: number, way: number) =>
    hours === 0 ? 0 : Math.max(1, Math.ceil(hours / Math.max(1e-9, longest - way) - 1e-9));
  const byGrounds = new Map<string, number>();
  for (const job of open) byGrounds.set(job.grounds, (byGrounds.get(job.grounds) ?? 0) + job.hours);
  // Work may be left in place of a trip: then it costs more than any.
  const trips = [...byGrounds].reduce(
    (sum, [g, hours]) => sum + least.get(g)! * needed(hours, least.get(g)!),
    0,
  );
  const air = needed(
    open.filter((job) => job.air).reduce((sum, job) => sum + job.hours, 0),
    Math.min(longest, ...least.values()),
  );
  const late = open.reduce((sum, job) => {
    const costs = days.filter((d) => mayBeOn(job, d.on)).map((d) => dayCost(job, d.on, days[0]!.on));
    return sum + (costs.length > 0 ? Math.min(...costs.map((c) => c.late + c.wet)) : 0);
  }, 0);
  const left = free
    .filter((job) => !open.includes(job))
    .reduce((sum, job) => sum + CREW_DAYS.left.value + job.hours, 0);
  const room = days.reduce((sum, d) => sum + d.hours, 0);
  const asked = open.reduce((sum, job) => sum + job.hours, 0);
  // Where the hours do not hold all of it the floor of trips is that of what they hold.
  return asked > room ? left : trips + CREW_DAYS.machine.value * air + late + left;
}

/**
 * Packs work into days. Small problems are solved and proved; of larger ones the plan is found by moving what saves, and how
 * far from the best it may be is told.
 */
export function planCrewDays(problem: CrewProblem, solve: Solver | undefined): CrewDays {
  const packed = pack(problem);
  const own = costOf(problem, packed);
  const told = (plan: CrewPlan, cost: CrewCost, bound: number, proved: boolean): CrewDays => ({
    plan,
    cost,
    proved,
    gap: proved ? 0 : Math.max(0, cost.total - bound),
    broken: brokenBy(problem, plan),
  });
  const floor = floorOf(problem);
  if (own.total <= floor + 1e-6) return told(packed, own, floor, true);
  const cells = problem.jobs.length * problem.days.length;
  const tooMany = problem.drives !== undefined && groundsOf(problem.jobs).length > MOST_GROUNDS;
  if (!solve || cells > LARGEST || tooMany) return told(packed, own, floor, false);
  const { mip, at } = modelOf(problem);
  const solved = solve(mip, SECONDS);
  const found =
    solved.values &&
    at.map((row) => {
      const day = row.findIndex((c) => c !== undefined && solved.values![c]! > 0.5);
      return day < 0 ? undefined : day;
    });
  const cost = found && costOf(problem, found);
  const plan =
    found && cost!.total < own.total - 1e-9 && brokenBy(problem, found).length === 0 ? found : packed;
  return told(
    plan,
    costOf(problem, plan),
    Math.max(floor, -solved.bound),
    // What was set by hand may break what the model keeps to.
    solved.state === 'optimal',
  );
}
