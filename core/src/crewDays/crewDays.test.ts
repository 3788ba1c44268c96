import fc from 'fast-check';
import highs from 'highs';
import { highsSolver, type Solver } from '../milp';
import { CREW_DAYS } from '../practice/crewDays';
import { dayAfter } from '../vocabulary/dates';
import { pack } from './pack';
import { brokenBy, costOf, hoursOn, type CrewJob, type CrewProblem } from './problem';
import { planCrewDays } from './solve';

let solve: Solver;
beforeAll(async () => {
  solve = highsSolver(await highs());
});

const FIRST = '2026-03-02';
const days = (count: number, hours = 8) =>
  Array.from({ length: count }, (_, i) => ({ on: dayAfter(FIRST, i), hours }));
const job = (id: string, more: Partial<CrewJob> = {}): CrewJob => ({
  id,
  grounds: 'K',
  hours: 2,
  air: false,
  from: FIRST,
  to: dayAfter(FIRST, 30),
  ...more,
});

/** Every plan there is, tried: the cheapest that may be worked. */
function byHand(problem: CrewProblem): number {
  let best = Infinity;
  const plan: (number | undefined)[] = [];
  const go = (j: number) => {
    if (j === problem.jobs.length) {
      if (brokenBy(problem, plan).length === 0) best = Math.min(best, costOf(problem, plan).total);
      return;
    }
    for (const day of [undefined, ...problem.days.keys()]) {
      plan[j] = day;
      go(j + 1);
    }
  };
  go(0);
  return best;
}

const small = fc
  .record({
    jobs: fc.array(
      fc.record({
        grounds: fc.constantFrom('K', 'L'),
        hours: fc.constantFrom(1, 2.5, 4, 6.5),
        air: fc.boolean(),
        from: fc.integer({ min: 0, max: 2 }),
        to: fc.integer({ min: -3, max: 4 }),
        waits: fc.boolean(),
        shuts: fc.boolean(),
      }),
      { minLength: 1, maxLength: 5 },
    ),
    hours: fc.constantFrom(6, 8),
  })
  .map(({ jobs, hours }): CrewProblem => ({
    days: days(3, hours),
    jobs: jobs.map((j, i) => ({
      id: `J${i}`,
      grounds: j.grounds,
      hours: j.hours,
      air: j.air,
      from: dayAfter(FIRST, j.from),
      to: dayAfter(FIRST, Math.max(j.from, j.to)),
      ...(j.shuts && { until: dayAfter(FIRST, Math.max(1, j.from)) }),
      ...(j.waits && i > 0 && { after: [{ id: `J${i - 1}`, days: 1 }] }),
    })),
  }));

test('small ones cost what the cheapest of all plans costs, tried one by one, and are proved', () => {
  fc.assert(
    fc.property(small, (problem) => {
      const { plan, cost, proved, broken } = planCrewDays(problem, solve);
      expect(broken).toEqual([]);
      expect(proved).toBe(true);
      expect(cost.total).toBeCloseTo(byHand(problem), 6);
      expect(cost).toEqual(costOf(problem, plan));
    }),
    { numRuns: 60 },
  );
});

test('without a solver the plan may still be worked, and the gap holds what is better', () => {
  fc.assert(
    fc.property(small, (problem) => {
      const { plan, cost, gap, proved } = planCrewDays(problem, undefined);
      expect(brokenBy(problem, plan)).toEqual([]);
      const best = byHand(problem);
      expect(cost.total - gap).toBeLessThanOrEqual(best + 1e-6);
      if (proved) expect(cost.total).toBeCloseTo(best, 6);
    }),
    { numRuns: 60 },
  );
});

test('work on one of the grounds stands together, and the machine comes once', () => {
  const problem: CrewProblem = {
    days: days(5),
    jobs: [
      job('a', { air: true }),
      job('b', { grounds: 'L' }),
      job('c', { air: true }),
      job('d', { grounds: 'L', hours: 3 }),
    ],
  };
  const { cost } = planCrewDays(problem, solve);
  expect(cost).toMatchObject({ travel: 2, machine: 1, late: 0, left: 0 });
});

test('dried bark comes before the cut: two weeks lie between them', () => {
  const problem: CrewProblem = {
    days: days(20),
    jobs: [job('cut', { after: [{ id: 'dig', days: CREW_DAYS.drying.value }] }), job('dig')],
  };
  const { plan } = planCrewDays(problem, solve);
  expect(plan[0]! - plan[1]!).toBeGreaterThanOrEqual(14);
  const short = planCrewDays({ ...problem, days: days(10) }, solve);
  expect(short.plan[0]).toBeUndefined();
  expect(short.plan[1]).toBeDefined();
});

test('a job set on a day stays there, the rest gives way, and what that breaks is said', () => {
  const locked = job('a', { lock: dayAfter(FIRST, 3), hours: 6 });
  const { plan } = planCrewDays({ days: days(5), jobs: [locked, job('b', { hours: 4 })] }, solve);
  expect(plan[0]).toBe(3);
  expect(plan[1]).not.toBe(3);
  const early = job('c', { lock: FIRST, from: dayAfter(FIRST, 2) });
  expect(planCrewDays({ days: days(5), jobs: [early] }, solve).broken).toEqual([
    `c: ${FIRST} is before ${dayAfter(FIRST, 2)}, the first day it may be done.`,
  ]);
});

test('what no day holds is left and counted: too long for a day, or its season comes later', () => {
  const { plan, cost } = planCrewDays(
    {
      days: days(5),
      jobs: [job('long', { hours: 9 }), job('later', { from: dayAfter(FIRST, 60) }), job('fits')],
    },
    solve,
  );
  expect(plan).toEqual([undefined, undefined, expect.any(Number)]);
  expect(cost.left).toBeCloseTo(2 * CREW_DAYS.left.value + 11, 9);
});

test('three hundred tasks in forty days: all of them placed, no day over its hours, none before what it waits for', () => {
  const jobs = Array.from({ length: 300 }, (_, i) =>
    job(`T${i}`, {
      grounds: `G${i % 7}`,
      hours: 0.3 + ((i * 37) % 10) / 12,
      air: i % 5 === 0,
      from: dayAfter(FIRST, (i * 13) % 20),
      to: dayAfter(FIRST, 10 + ((i * 7) % 30)),
      ...(i % 9 === 8 && { after: [{ id: `T${i - 1}`, days: 3 }] }),
    }),
  );
  const problem = { days: days(40), jobs };
  const plan = pack(problem);
  expect(brokenBy(problem, plan)).toEqual([]);
  expect(plan.filter((d) => d === undefined)).toEqual([]);
  for (const d of problem.days.keys()) expect(hoursOn(problem, plan, d)).toBeLessThanOrEqual(8 + 1e-9);
  const { gap, cost } = planCrewDays(problem, solve);
  expect(gap).toBeGreaterThanOrEqual(0);
  expect(gap).toBeLessThan(cost.total);
});
