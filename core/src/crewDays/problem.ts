import { CREW_DAYS } from '../practice/crewDays';
import { daysBetween } from '../vocabulary/dates';
import { travelBy, type Drives, type Travel } from './travel';

/** A piece of work that a crew does in one day. */
export interface CrewJob {
  id: string;
  grounds: string;
  /** Hours on site. */
  hours: number;
  /** The air tool comes along. */
  air: boolean;
  /** First day it may be done, and the last of its time; later it is late. */
  from: string;
  to: string;
  /** Last day it may be done at all, where a season shuts. */
  until?: string;
  /** Work that has to be done before it, and how many days before at the least. */
  after?: readonly { id: string; days: number }[];
  /** Stretches of days in which it is not done as a rule, first and last day: the ground is frozen, or it is too hot. */
  shut?: readonly (readonly [string, string])[];
  /** Stretches in which it is done only where it would be late else: the ground is wet. */
  wet?: readonly (readonly [string, string])[];
  /** The day somebody set it on. */
  lock?: string;
}

/** A day on which the crew works. */
export interface CrewDay {
  on: string;
  hours: number;
}

export interface CrewProblem {
  jobs: readonly CrewJob[];
  /** In order. */
  days: readonly CrewDay[];
  /** Where places are known, the drives between them. */
  drives?: Drives;
}

/** The travel of a problem; the shortest rounds that were found once are kept with it. */
const travels = new WeakMap<CrewProblem, Travel>();
export function travelOf(problem: CrewProblem): Travel {
  let travel = travels.get(problem);
  if (!travel) travels.set(problem, (travel = travelBy(problem.drives)));
  return travel;
}

const within = (stretches: CrewJob['wet'], on: string): boolean =>
  (stretches ?? []).some(([from, to]) => from <= on && on <= to);

/** Whether a job may be on a day by itself: where somebody set it, else from its first day on while nothing shuts it. */
export const mayBeOn = (job: CrewJob, on: string): boolean =>
  job.lock === undefined
    ? on >= job.from && (job.until === undefined || on <= job.until) && !within(job.shut, on)
    : on === job.lock;

/** The day of each job by its place in the list; undefined where no day holds it. */
export type CrewPlan = readonly (number | undefined)[];

/** Days after its time that a job on a day is, at least 0. What was late before the first of the days is past help and counts for nothing. */
export const lateBy = ({ to }: CrewJob, on: string, first: string): number =>
  Math.max(0, daysBetween(to > first ? to : first, on));

/** What a job costs on a day by itself: how late it is, and wet ground. */
export function dayCost(job: CrewJob, on: string, first: string): { late: number; wet: number } {
  return {
    late: CREW_DAYS.lateDay.value * lateBy(job, on, first),
    wet: within(job.wet, on) ? CREW_DAYS.wet.value : 0,
  };
}

/** What a plan costs in hours: travel, the machine, lateness, wet ground, and what is left. */
export interface CrewCost {
  total: number;
  travel: number;
  machine: number;
  late: number;
  wet: number;
  left: number;
}

export function costOf(problem: CrewProblem, plan: CrewPlan): CrewCost {
  const { jobs, days } = problem;
  const visits = new Map<number, Set<string>>();
  const machines = new Set<number>();
  let late = 0;
  let wet = 0;
  let left = 0;
  plan.forEach((day, j) => {
    const job = jobs[j]!;
    if (day === undefined) {
      left += CREW_DAYS.left.value + job.hours;
      return;
    }
    visits.set(day, (visits.get(day) ?? new Set()).add(job.grounds));
    if (job.air) machines.add(day);
    const cost = dayCost(job, days[day]!.on, days[0]!.on);
    late += cost.late;
    wet += cost.wet;
  });
  const travelled = travelOf(problem);
  const travel = [...visits.values()].reduce((sum, grounds) => sum + travelled(grounds), 0);
  const machine = CREW_DAYS.machine.value * machines.size;
  return { total: travel + machine + late + wet + left, travel, machine, late, wet, left };
}

const ROUNDING = 1e-9;

/** Hours of a day that a plan takes, with its travel. */
export function hoursOn(problem: CrewProblem, plan: CrewPlan, day: number): number {
  const own = problem.jobs.filter((_, j) => plan[j] === day);
  return (
    own.reduce((sum, job) => sum + job.hours, 0) + travelOf(problem)(new Set(own.map((job) => job.grounds)))
  );
}

/** What a plan breaks, in words; empty where it may be worked. What somebody set on a day may be there in spite of all. */
export function brokenBy(problem: CrewProblem, plan: CrewPlan): string[] {
  const { jobs, days } = problem;
  const place = new Map(jobs.map((job, j) => [job.id, j]));
  const said: string[] = [];
  jobs.forEach((job, j) => {
    const day = plan[j];
    if (day === undefined) return;
    const on = days[day]!.on;
    if (on < job.from) said.push(`${job.id}: ${on} is before ${job.from}, the first day it may be done.`);
    if (job.until !== undefined && on > job.until)
      said.push(`${job.id}: ${on} is after ${job.until}, the last day it may be done.`);
    if (within(job.shut, on)) said.push(`${job.id}: on ${on} the weather there usually forbids it.`);
    for (const { id, days: gap } of job.after ?? []) {
      const before = place.get(id);
      if (before === undefined) continue;
      const first = plan[before];
      if (first === undefined) said.push(`${job.id}: ${id} comes before it, and no day holds that.`);
      else if (daysBetween(days[first]!.on, on) < gap)
        said.push(`${job.id}: ${on} is less than ${gap} days after ${id}.`);
    }
  });
  days.forEach(({ on, hours }, day) => {
    const taken = hoursOn(problem, plan, day);
    if (taken > hours + ROUNDING) said.push(`${on}: ${taken.toFixed(1)} h of ${hours} h.`);
  });
  return said;
}
