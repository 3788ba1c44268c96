import { CREW_DAYS } from '../practice/crewDays';
import { byDay, daysBetween } from '../vocabulary/dates';
import { costOf, dayCost, mayBeOn, travelOf, type CrewPlan, type CrewProblem } from './problem';
import type { Travel } from './travel';

const FITS = 1e-9;

/** The state of a packing: what each day holds. */
class Packing {
  readonly plan: (number | undefined)[];
  private readonly taken: number[];
  /** By day, how many jobs on each of the grounds, and how many with the air tool. */
  private readonly there: Map<string, number>[];
  private readonly machines: number[];
  /** Hours of travel of a day, and what each of the other grounds would add to them. */
  private readonly travels: { hours: number; more: Map<string, number> }[];
  private readonly travel: Travel;
  private readonly place: Map<string, number>;
  /** Jobs that come after a job. */
  private readonly followers: { job: number; days: number }[][];

  constructor(readonly problem: CrewProblem) {
    const { jobs, days } = problem;
    this.plan = jobs.map(() => undefined);
    this.taken = days.map(() => 0);
    this.machines = days.map(() => 0);
    this.there = days.map(() => new Map());
    this.travels = days.map(() => ({ hours: 0, more: new Map() }));
    this.travel = travelOf(problem);
    this.place = new Map(jobs.map((job, j) => [job.id, j]));
    this.followers = jobs.map(() => []);
    jobs.forEach((job, j) => {
      for (const { id, days: gap } of job.after ?? []) {
        const before = this.place.get(id);
        if (before !== undefined) this.followers[before]!.push({ job: j, days: gap });
      }
    });
  }

  /** What one of the grounds adds to the travel of a day; nothing where the crew is there already. */
  private adding(day: number, grounds: string): number {
    const there = this.there[day]!;
    if (there.has(grounds)) return 0;
    const { hours, more } = this.travels[day]!;
    let adds = more.get(grounds);
    if (adds === undefined)
      more.set(grounds, (adds = this.travel(new Set([...there.keys(), grounds])) - hours));
    return adds;
  }

  /** Travel of a day on which the crew goes to some grounds and nowhere else. */
  alone(grounds: readonly string[]): number {
    return this.travel(new Set(grounds));
  }

  put(j: number, day: number | undefined): void {
    const job = this.problem.jobs[j]!;
    const was = this.plan[j];
    const move = (d: number, by: 1 | -1) => {
      const there = this.there[d]!;
      const now = (there.get(job.grounds) ?? 0) + by;
      const travels = now === 0 || (now === 1 && by === 1);
      if (now === 0) there.delete(job.grounds);
      else there.set(job.grounds, now);
      if (travels) this.travels[d] = { hours: this.travel(new Set(there.keys())), more: new Map() };
      this.taken[d]! += by * job.hours;
      if (job.air) this.machines[d]! += by;
    };
    if (was !== undefined) move(was, -1);
    this.plan[j] = day;
    if (day !== undefined) move(day, 1);
  }

  /** Whether a job may be on a day as the others stand. */
  fits(j: number, day: number): boolean {
    const { jobs, days } = this.problem;
    const job = jobs[j]!;
    const { on, hours } = days[day]!;
    if (!mayBeOn(job, on)) return false;
    if (job.lock !== undefined) return true;
    const travel = this.travels[day]!.hours + this.adding(day, job.grounds);
    if (this.taken[day]! + job.hours + travel > hours + FITS) return false;
    for (const { id, days: gap } of job.after ?? []) {
      const before = this.place.get(id);
      if (before === undefined) continue;
      const first = this.plan[before];
      if (first === undefined || daysBetween(days[first]!.on, on) < gap) return false;
    }
    return this.followers[j]!.every(({ job: next, days: gap }) => {
      const at = this.plan[next];
      return at === undefined || daysBetween(on, days[at]!.on) >= gap;
    });
  }

  /** What a job adds on a day as the others stand. */
  adds(j: number, day: number): number {
    const { jobs, days } = this.problem;
    const job = jobs[j]!;
    const { late, wet } = dayCost(job, days[day]!.on, days[0]!.on);
    return (
      this.adding(day, job.grounds) +
      (job.air && this.machines[day] === 0 ? CREW_DAYS.machine.value : 0) +
      late +
      wet
    );
  }

  /** The cheapest day for a job that is on none. */
  best(j: number): { day: number; adds: number } | undefined {
    let found: { day: number; adds: number } | undefined;
    for (let day = 0; day < this.problem.days.length; day++) {
      if (!this.fits(j, day)) continue;
      const adds = this.adds(j, day);
      if (!found || adds < found.adds - FITS) found = { day, adds };
    }
    return found;
  }
}

/** Jobs in an order in which none stands before what it waits for; what presses first. */
function inOrder({ jobs }: CrewProblem): number[] {
  const place = new Map(jobs.map((job, j) => [job.id, j]));
  const done = new Set<number>();
  const order: number[] = [];
  const take = (j: number, open: ReadonlySet<number>) => {
    if (done.has(j) || open.has(j)) return;
    for (const { id } of jobs[j]!.after ?? []) {
      const before = place.get(id);
      if (before !== undefined) take(before, new Set([...open, j]));
    }
    done.add(j);
    order.push(j);
  };
  const pressing = jobs
    .map((_, j) => j)
    .sort(
      (a, b) =>
        Number(jobs[b]!.lock !== undefined) - Number(jobs[a]!.lock !== undefined) ||
        byDay(jobs[a]!.to, jobs[b]!.to) ||
        jobs[a]!.grounds.localeCompare(jobs[b]!.grounds) ||
        jobs[b]!.hours - jobs[a]!.hours,
    );
  for (const j of pressing) take(j, new Set());
  return order;
}

/** Rounds of improving at most. */
const ROUNDS = 60;

/** Puts what somebody set on a day there. */
function putLocked(packing: Packing): void {
  const { jobs, days } = packing.problem;
  jobs.forEach((job, j) => {
    const day = days.findIndex((d) => d.on === job.lock);
    if (day >= 0) packing.put(j, day);
  });
}

/** Each job, what presses first, on the day where it costs least. */
function oneByOne(problem: CrewProblem, order: readonly number[]): Packing {
  const packing = new Packing(problem);
  putLocked(packing);
  for (const j of order) {
    if (packing.plan[j] !== undefined || problem.jobs[j]!.lock !== undefined) continue;
    const best = packing.best(j);
    if (best) packing.put(j, best.day);
  }
  return packing;
}

/** A trip waits until its grounds have so much of a day to do, unless something there is at its last day. */
const WORTH_A_TRIP = [0.9, 0.6, 0];

/**
 * Day by day, to the grounds where most waits: a trip is made once it fills a day well, or something there is at the end of
 * its time.
 *
 * @param share of a day that is worth a trip
 */
function tripByTrip(problem: CrewProblem, order: readonly number[], share: number): Packing {
  const packing = new Packing(problem);
  putLocked(packing);
  const { jobs, days } = problem;
  const grounds = [...new Set(jobs.map((job) => job.grounds))];
  days.forEach(({ hours }, day) => {
    const next = days[day + 1]?.on;
    for (;;) {
      const waiting = (g: string) =>
        order.filter(
          (j) =>
            packing.plan[j] === undefined &&
            jobs[j]!.lock === undefined &&
            jobs[j]!.grounds === g &&
            packing.fits(j, day),
        );
      const trips = grounds
        .map((g) => {
          const own = waiting(g);
          const asked = own.reduce((sum, j) => sum + jobs[j]!.hours, 0);
          const last = own.some(
            (j) => next === undefined || jobs[j]!.to < next || (jobs[j]!.until ?? '9999') < next,
          );
          return { own, asked, last };
        })
        .filter(
          ({ own, asked, last }) =>
            own.length > 0 &&
            (last || asked >= share * (hours - packing.alone(own.map((j) => jobs[j]!.grounds)))),
        )
        .sort((a, b) => Number(b.last) - Number(a.last) || b.asked - a.asked);
      const [trip] = trips;
      if (!trip) break;
      // The air tool comes along for as much as the day holds.
      const [pressing] = trip.own;
      const air = jobs[pressing!]!.air;
      const own = [...trip.own].sort(
        (a, b) =>
          Number(jobs[b]!.air === air) - Number(jobs[a]!.air === air) || order.indexOf(a) - order.indexOf(b),
      );
      for (const j of own) if (packing.fits(j, day)) packing.put(j, day);
    }
  });
  return packing;
}

/** Lets jobs, and all jobs of one of the grounds on a day together, move as long as that saves anything. */
function improve(packing: Packing, order: readonly number[]): void {
  const { jobs } = packing.problem;
  for (let round = 0; round < ROUNDS; round++) {
    let better = false;
    for (const j of order) {
      if (jobs[j]!.lock !== undefined) continue;
      const was = packing.plan[j];
      packing.put(j, undefined);
      const best = packing.best(j);
      const kept = was === undefined ? Infinity : packing.adds(j, was);
      const moves = best !== undefined && best.adds < kept - FITS;
      packing.put(j, moves ? best.day : was);
      if (moves) better = true;
    }
    if (moveGrounds(packing)) better = true;
    if (!better) break;
  }
}

/**
 * A plan without a solver: the cheapest of some ways to begin, each made better by moving what saves. Always one that may be
 * worked.
 */
export function pack(problem: CrewProblem): CrewPlan {
  const order = inOrder(problem);
  const begun = [oneByOne(problem, order), ...WORTH_A_TRIP.map((share) => tripByTrip(problem, order, share))];
  let best: CrewPlan | undefined;
  let least = Infinity;
  for (const packing of begun) {
    improve(packing, order);
    const { total } = costOf(problem, packing.plan);
    if (total < least) [least, best] = [total, [...packing.plan]];
  }
  return best!;
}

/** Moves all jobs of one of the grounds on a day to other days together, where that saves. */
function moveGrounds(packing: Packing): boolean {
  const { jobs } = packing.problem;
  let better = false;
  const groups = new Map<string, number[]>();
  packing.plan.forEach((day, j) => {
    if (day === undefined) return;
    const key = `${day} ${jobs[j]!.grounds}`;
    groups.set(key, [...(groups.get(key) ?? []), j]);
  });
  for (const group of groups.values()) {
    if (group.some((j) => jobs[j]!.lock !== undefined)) continue;
    const before = costOf(packing.problem, packing.plan).total;
    const was = group.map((j) => packing.plan[j]!);
    for (const j of group) packing.put(j, undefined);
    for (const j of group) {
      const best = packing.best(j);
      if (best) packing.put(j, best.day);
    }
    if (costOf(packing.problem, packing.plan).total < before - FITS) {
      better = true;
      continue;
    }
    for (const j of group) packing.put(j, undefined);
    group.forEach((j, i) => packing.put(j, was[i]!));
  }
  return better;
}
