import fc from 'fast-check';
import highs from 'highs';
import { highsSolver, type Solver } from '../milp';
import { CREW_DAYS } from '../practice/crewDays';
import { dayAfter } from '../vocabulary/dates';
import { pack } from './pack';
import { brokenBy, costOf, hoursOn, type CrewJob, type CrewProblem } from './problem';
import { planCrewDays } from './solve';
import { drivesBetween, kmBetween, type Drives } from './travel';

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

/** Drives between places on a plane, the yard first; half an hour a unit. */
function straight(places: readonly (readonly [number, number])[], grounds: readonly string[]): Drives {
  const at = [places[0]!, ...grounds.map((g) => places[g === 'K' ? 1 : 2]!)];
  return {
    grounds,
    hours: at.map((a) => at.map((b) => Math.hypot(a[0] - b[0], a[1] - b[1]) / 2)),
  };
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
        frozen: fc.boolean(),
        soaked: fc.boolean(),
      }),
      { minLength: 1, maxLength: 5 },
    ),
    hours: fc.constantFrom(6, 8),
    // Places of the yard and of both grounds, in hours of driving along a straight line; unknown, or one of them unknown.
    places: fc.option(
      fc.array(fc.tuple(fc.integer({ min: 0, max: 4 }), fc.integer({ min: 0, max: 4 })), {
        minLength: 3,
        maxLength: 3,
      }),
      { nil: undefined },
    ),
    known: fc.constantFrom(['K', 'L'], ['L']),
  })
  .map(({ jobs, hours, places, known }): CrewProblem => ({
    days: days(3, hours),
    ...(places && { drives: straight(places, known) }),
    jobs: jobs.map((j, i) => ({
      id: `J${i}`,
      grounds: j.grounds,
      hours: j.hours,
      air: j.air,
      from: dayAfter(FIRST, j.from),
      to: dayAfter(FIRST, Math.max(j.from, j.to)),
      ...(j.shuts && { until: dayAfter(FIRST, Math.max(1, j.from)) }),
      ...(j.frozen && { shut: [[FIRST, FIRST]] as const }),
      ...(j.soaked && { wet: [[dayAfter(FIRST, 1), dayAfter(FIRST, 2)]] as const }),
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

test('the day is the shortest round: neighbours share a trip that two far apart do not', () => {
  const near: CrewProblem = {
    days: days(2),
    jobs: [job('a', { hours: 2 }), job('b', { hours: 2, grounds: 'L' })],
    drives: {
      grounds: ['K', 'L'],
      hours: [
        [0, 1, 1],
        [1, 0, 0.1],
        [1, 0.1, 0],
      ],
    },
  };
  const together = planCrewDays(near, solve);
  expect(together.plan[0]).toBe(together.plan[1]);
  // Out, across and home, and setting up twice.
  expect(together.cost.travel).toBeCloseTo(2.1 + 2 * CREW_DAYS.setUp.value, 9);
  // On both days the same trip out and home to each, and no way across: 2.5 h there leaves no time for both.
  const hours = [
    [0, 1.25, 1.25],
    [1.25, 0, 2.5],
    [1.25, 2.5, 0],
  ];
  const apart = planCrewDays({ ...near, drives: { grounds: ['K', 'L'], hours } }, solve);
  expect(apart.plan[0]).not.toBe(apart.plan[1]);
});

test('frozen ground shuts a day, wet ground costs one: digging waits for the dry, unless that is late by weeks', () => {
  const wet: CrewJob['wet'] = [[FIRST, dayAfter(FIRST, 3)]];
  const plan = (more: Partial<CrewJob>) =>
    planCrewDays({ days: days(8), jobs: [job('a', more)] }, solve).plan[0]!;
  expect(plan({ wet })).toBeGreaterThan(3);
  expect(plan({ wet, until: dayAfter(FIRST, 3) })).toBeLessThanOrEqual(3);
  expect(plan({ shut: wet })).toBeGreaterThan(3);
  const { plan: left } = planCrewDays({ days: days(4), jobs: [job('a', { shut: wet })] }, solve);
  expect(left).toEqual([undefined]);
  const set = job('a', { shut: wet, lock: FIRST });
  expect(planCrewDays({ days: days(4), jobs: [set] }, solve).broken).toEqual([
    `a: on ${FIRST} the weather there usually forbids it.`,
  ]);
});

test('hours of driving between places: a degree of latitude is 111.2 km (6371 km of radius, by hand)', () => {
  const yard = { latitude: 50, longitude: 6 };
  expect(kmBetween(yard, { latitude: 51, longitude: 6 })).toBeCloseTo((Math.PI * 6371) / 180, 6);
  expect(kmBetween({ latitude: 0, longitude: 179.5 }, { latitude: 0, longitude: -179.5 })).toBeCloseTo(
    111.19,
    1,
  );
  expect(kmBetween(yard, yard)).toBe(0);
  const { hours } = drivesBetween(yard, [{ id: 'K', latitude: 51, longitude: 6 }]);
  expect(hours[0]![1]).toBeCloseTo((111.195 * 1.3) / 45, 3);
  expect(hours[1]![0]).toBe(hours[0]![1]);
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
