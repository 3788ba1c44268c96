import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { anyCase, tries } from '../../tests/anyCase';
import { assess } from '../assessment';
import { plannedWork } from '../prescription';
import type { Visit } from '../records';
import { readCase } from '../format/read';
import type { Quantity } from '../units/quantity';
import { estimate, byStage, formatMoney, type Need } from './estimate';
import { crewHours, needsLeft, needsOf, needsTogether } from './needs';
import { currencyDigits, priceIn, ratesSchema, readAmount, RESOURCE_KEYS, type Rates } from './rates';

const RATES: Rates = {
  currency: 'EUR',
  prices: { crew: '68.50', disposal: '29.90', trip: '38', consultant: '95' },
  tax: { name: 'VAT', percent: '19' },
};
const need = (resource: Need['resource'], amount: number, stage = 1): Need => ({
  resource,
  amount,
  of: `${resource}, stage ${stage}`,
  year: 2025 + stage,
  stage,
});

test('an estimate worked by hand, to the cent', () => {
  // 2.345 h are charged as 2.35 h (half up): 2.35 × 68.50 = 160.975 -> 160.98; 0.53 × 29.90 = 15.847 -> 15.85;
  // 160.98 + 15.85 + 38.00 = 214.83; 19 % of it is 40.8177 -> 40.82; together 255.65.
  const e = estimate([need('crew', 2.345), need('disposal', 0.53), need('trip', 1)], RATES);
  expect(e.lines.map((l) => [l.charged, l.sum])).toEqual([
    ['2.35', '160.98'],
    ['0.53', '15.85'],
    ['1', '38.00'],
  ]);
  expect([e.net, e.tax?.sum, e.total]).toEqual(['214.83', '40.82', '255.65']);
  expect(formatMoney(e.total, 'EUR')).toBe('€255.65');
});

test('the smallest unit is that of the currency', () => {
  // ISO 4217: the yen has no decimals, the Kuwaiti dinar three. 1.25 × 333.3 = 416.625.
  const at = (currency: string) =>
    estimate([need('crew', 1.25)], { currency, prices: { crew: '333.3' } }).total;
  expect([at('JPY'), at('EUR'), at('KWD')]).toEqual(['417', '416.63', '416.625']);
  expect(currencyDigits('USD')).toBe(2);
});

const prices = fc.integer({ min: 1, max: 5_000_000 }).map((cents) => (cents / 100).toFixed(2));
const needs = fc.array(
  fc.record({
    resource: fc.constantFrom(...RESOURCE_KEYS),
    hundredths: fc.integer({ min: 0, max: 1_000_000 }),
    stage: fc.integer({ min: 1, max: 3 }),
  }),
  { minLength: 1, maxLength: 30 },
);

test('every sum is the same in whole cents and big integers, whatever the order', () => {
  fc.assert(
    fc.property(
      needs,
      fc.array(prices, { minLength: RESOURCE_KEYS.length, maxLength: RESOURCE_KEYS.length }),
      fc.integer({ min: 0, max: 40_000 }),
      (given, each, thousandths) => {
        const rates: Rates = {
          currency: 'EUR',
          prices: Object.fromEntries(RESOURCE_KEYS.map((k, i) => [k, each[i]!])),
          tax: { name: 'tax', percent: (thousandths / 1000).toFixed(3) },
        };
        const list = given.map((g) => need(g.resource, g.hundredths / 100, g.stage));
        const half = (n: bigint, d: bigint) => (2n * n + d) / (2n * d);
        const net = given.reduce((sum, g) => {
          const cents = BigInt(rates.prices[g.resource]!.replace('.', ''));
          return sum + half(BigInt(g.hundredths) * cents, 100n);
        }, 0n);
        const tax = half(net * BigInt(thousandths), 100_000n);
        const cents = (amount: string) => BigInt(amount.replace('.', ''));
        const e = estimate(list, rates);
        expect([cents(e.net), cents(e.tax!.sum), cents(e.total)]).toEqual([net, tax, net + tax]);
        expect(estimate([...list].reverse(), rates).total).toBe(e.total);
        const stages = byStage(list, rates).reduce((sum, s) => sum + cents(s.estimate.net), 0n);
        expect(stages).toBe(net);
      },
    ),
  );
});

test('a price that is missing is named and left out; nothing charged is said', () => {
  const e = estimate([need('crew', 1), need('compost', 2), need('watering', 12), need('trip', 1)], {
    ...RATES,
    prices: { crew: '10', trip: '0' },
  });
  expect([e.net, e.missing, e.free]).toEqual(['10.00', ['compost'], ['trip']]);
  expect(e.byClient.map((n) => n.amount)).toEqual([12]);
  expect(() => estimate([need('crew', -1)], RATES)).toThrow('-1');
  expect(() => estimate([need('crew', Number.NaN)], RATES)).toThrow('NaN');
});

test('amounts are read as they are typed, and refused with the field, the value and what is allowed', () => {
  expect(readAmount('Crew', '1 284,50', 100_000, 2)).toEqual({ ok: true, amount: '1284.5' });
  expect(readAmount('Crew', ' ', 100_000, 2)).toEqual({ ok: true, amount: undefined });
  for (const wrong of ['-3', 'twelve', '100001', '1.234', '1e3']) {
    const read = readAmount('Crew', wrong, 100_000, 2);
    expect(read.ok ? '' : read.problem).toMatch(/^Crew: .*0 to 100000/);
    expect(read.ok ? '' : read.problem).toContain(wrong);
  }
  expect(ratesSchema.safeParse({ currency: 'ZZQ', prices: {} }).success).toBe(false);
  expect(ratesSchema.safeParse(RATES).success).toBe(true);
});

test('a later stage of the cut plan has its own hours, its trip and its year', () => {
  const visit: Visit = {
    date: '2026-05-01',
    findings: [],
    profiles: [],
    probes: [],
    decisions: [],
    cuts: {
      interval: 2,
      agreed: [
        { label: 'A', stage: 1 },
        { label: 'B', stage: 2 },
        { label: 'C', stage: 2 },
      ],
    },
    dig: {
      measuredFrom: 'bark',
      north: 'true',
      roots: ['A', 'B', 'C'].map((label, i) => ({
        label,
        kind: 'girdling',
        start: 'stem',
        points: [
          { bearing: 90 * i, distance: 0.02, depth: 0.05, diameter: 0.03 },
          { bearing: 90 * i + 40, distance: 0.1, depth: 0.05, diameter: 0.03 },
        ],
      })),
    },
  };
  const tree = { label: 'T', species: 'x', stemDiameter: 0.2, plantedYear: 2012 };
  const prune = assess(tree, [], visit).operations.filter((o) => o.key === 'prune');
  const all = needsOf(prune, visit, undefined, false);
  // Common practice, no source: half an hour to set up and a quarter of an hour a root.
  expect(all.map((n) => [n.resource, n.amount, n.stage, n.year])).toEqual([
    ['crew', 0.75, 1, 2026],
    ['trip', 1, 1, 2026],
    ['crew', 1, 2, 2028],
    ['trip', 1, 2, 2028],
  ]);
});

test('a firm that charges by the foot and the yard gets its amounts in them, and the same work comes to the same', () => {
  const us: Rates = { currency: 'USD', measure: 'us', prices: { disposal: '10', drain: '4', wall: '2' } };
  const e = estimate(
    [need('disposal', 0.9144 ** 3 * 6), need('drain', 3.048), need('wall', 0.09290304 * 5)],
    us,
  );
  // 1 yd = 0.9144 m and 1 ft = 0.3048 m exactly: 6 yd3, 10 ft, 5 ft2.
  expect(e.lines.map((l) => [l.charged, l.unit, l.sum])).toEqual([
    ['6', 'yd³', '60.00'],
    ['10', 'ft', '40.00'],
    ['5', 'ft²', '10.00'],
  ]);
  expect(ratesSchema.safeParse(us).success).toBe(true);
  const { measure: _, ...metric } = us;
  // And a price by the other measure is the same money for the same amount, but for its own rounding.
  for (const [key, amount, price] of [
    ['disposal', 0.9144 ** 3 * 6, '10'],
    ['drain', 3.048, '4'],
    ['wall', 0.09290304 * 5, '2'],
  ] as const) {
    const by: Rates = { ...metric, prices: { [key]: priceIn(key, price, 'us', undefined, 2) } };
    expect(Number(estimate([need(key, amount)], by).net)).toBeCloseTo(
      Number(e.lines.find((l) => l.resource === key)!.sum),
      0,
    );
  }
  expect(priceIn('disposal', '29.90', undefined, 'us', 2)).toBe('22.86');
  expect(priceIn('crew', '68.50', undefined, 'us', 2)).toBe('68.50');
  expect(estimate([need('drain', 3.048)], metric).lines[0]).toMatchObject({ charged: '3.05', unit: 'm' });
});

test('soil opened over several seasons is charged in the season in which it is, with a trip of its own', () => {
  const hours = (value: number): Quantity => ({
    key: 'crewHours',
    name: 'Crew hours',
    value,
    dimension: 'hours',
    working: { formula: '', inputs: [], source: '', notes: [] },
  });
  const tree = { label: 'T', species: 'x', stemDiameter: 0.2, plantedYear: 2012 };
  const visit: Visit = {
    date: '2026-05-01',
    findings: [],
    profiles: [],
    probes: [],
    decisions: [],
    trenches: { holeRadius: 0.6 },
  };
  const opened = assess(tree, [], visit).operations.filter((o) => o.key === 'trench');
  const bySeason = [[hours(3)], [hours(2)]];
  const all = needsOf(opened, visit, { quantities: [hours(5)], bySeason, byAir: false }, false);
  expect(all.map((n) => [n.resource, n.amount, n.stage, n.year])).toEqual([
    ['crew', 3, 1, 2026],
    ['trip', 1, 1, 2026],
    ['crew', 2, 2, 2027],
    ['trip', 1, 2, 2027],
  ]);
  const whole = needsOf(opened, visit, { quantities: [hours(5)], byAir: true }, false);
  // Air is charged by the crew hour; one season, one trip.
  expect(whole.map((n) => [n.resource, n.amount, n.stage])).toEqual([
    ['crew', 5, 1],
    ['airTool', 5, 1],
    ['trip', 1, 1],
  ]);
});

test('what was done falls out of what is left, to the coin, and its travel with the last work of its year', () => {
  const read = readCase(readFileSync('docs/example-case.json', 'utf8'), '2026-11-24');
  if (!read.ok) throw new Error('the example does not read');
  const { tree, events, visits } = read.caseFile;
  const visit = visits.at(-1)!;
  const { operations } = assess(tree, events, visit);
  const planned = operations.filter((o) => o.quantities.length > 0);
  const all = needsOf(planned, visit, undefined);
  const steps = [...new Set(all.flatMap((n) => n.step ?? []))];
  expect(steps.length).toBeGreaterThan(3);
  fc.assert(
    fc.property(fc.subarray(steps), (done) => {
      const left = needsLeft(all, new Set(done));
      const sum = (needs: readonly Need[]) => Number(estimate(needs, RATES).net);
      const worked = all.filter((n) => done.includes(n.step ?? ''));
      const idle = !left.some((n) => n.resource === 'crew');
      expect(left.some((n) => n.resource === 'trip')).toBe(!idle);
      expect(sum(left) + sum(worked) + (idle ? Number(RATES.prices.trip) : 0)).toBeCloseTo(sum(all), 9);
    }),
  );
  // The look afterwards is left when all else is done.
  expect(needsLeft(all, new Set(steps)).map((n) => n.resource)).toEqual(['consultant']);
});

test('trees of one property share their trips: one for each day of eight hours and stage', () => {
  const tree = (hours: number, later: number) => [
    need('crew', hours),
    need('trip', 1),
    ...(later > 0 ? [need('crew', later, 2), need('trip', 1, 2)] : []),
  ];
  // 3 + 4 + 1.5 h are two days now; 2 h one day in stage 2. Common practice, no source: a day is eight hours.
  const all = needsTogether([tree(3, 0), tree(4, 2), tree(1.5, 0)]);
  const trips = all.filter((n) => n.resource === 'trip').map((n) => [n.stage, n.amount]);
  expect(trips).toEqual([
    [1, 2],
    [2, 1],
  ]);
  expect([crewHours(all), crewHours(all, 2)]).toEqual([8.5, 2]);
  expect(needsTogether([tree(8, 0)]).find((n) => n.resource === 'trip')!.amount).toBe(1);
});

test('what a quantity is called changes no amount, no cost and no planned work', () => {
  fc.assert(
    fc.property(anyCase, ({ tree, events, visits }) => {
      const visit = visits[0];
      fc.pre(visit !== undefined);
      const { operations } = assess(tree, events, visit);
      const reworded = operations.map((o) => ({
        ...o,
        quantities: o.quantities.map((q, i) => ({
          ...q,
          name: `word ${i}`,
          working: { ...q.working, inputs: q.working.inputs.map((input) => ({ ...input, name: 'a word' })) },
        })),
      }));
      expect(needsOf(reworded, visit, undefined)).toEqual(needsOf(operations, visit, undefined));
      expect(plannedWork(reworded)).toEqual(plannedWork(operations));
    }),
    tries(40),
  );
});
