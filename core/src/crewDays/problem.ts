import { CREW_DAYS } from '../practice/crewDays';
import { daysBetween } from '../vocabulary/dates';

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
}

/** The day of each job by its place in the list; undefined where no day holds it. */
export type CrewPlan = readonly (number | undefined)[];

/** Days after its time that a job on a day is, at least 0. What was late before the first of the days is past help and counts for nothing. */
export const lateBy = ({ to }: CrewJob, on: string, first: string): number =>
  Math.max(0, daysBetween(to > first ? to : first, on));

/** What a plan costs in hours: travel, the machine, lateness, and what is left. */
export interface CrewCost {
  total: number;
  travel: number;
  machine: number;
  late: number;
  left: number;
}

export function costOf({ jobs, days }: CrewProblem, plan: CrewPlan): CrewCost {
  const visits = new Set<string>();
  const machines = new Set<number>();
  let late = 0;
  let left = 0;
  plan.forEach((day, j) => {
    const job = jobs[j]!;
    if (day === undefined) {
      left += CREW_DAYS.left.value + job.hours;
      return;
    }
    visits.add(`${day} ${job.grounds}`);
    if (job.air) machines.add(day);
    late += CREW_DAYS.lateDay.value * lateBy(job, days[day]!.on, days[0]!.on);
  });
  const travel = CREW_DAYS.travel.value * visits.size;
  const machine = CREW_DAYS.machine.value * machines.size;
  return { total: travel + machine + late + left, travel, machine, late, left };
}

const ROUNDING = 1e-9;

/** Hours of a day that a plan takes, with its travel. */
export function hoursOn({ jobs }: CrewProblem, plan: CrewPlan, day: number): number {
  const own = jobs.filter((_, j) => plan[j] === day);
  const grounds = new Set(own.map((job) => job.grounds));
  return own.reduce((sum, job) => sum + job.hours, 0) + CREW_DAYS.travel.value * grounds.size;
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
