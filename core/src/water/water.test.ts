import fc from 'fast-check';
import { visitOn } from '../../tests/visits';
import { profileOf } from '../profile';
import type { Tree } from '../records';
import {
  balance,
  daylight,
  easyWater,
  extraterrestrial,
  hargreaves,
  mannersOver,
  nextWatering,
  penmanMonteith,
  plantFactorAt,
  radiationOf,
  readDays,
  referenceEt,
  tooMuchOf,
  waterPlan,
  waterRound,
  zoneOf,
  type RootZone,
  type WeatherDay,
} from './index';

const DAY = 86_400_000;
const HERE = { latitude: 51, elevation: 100 };
const ZONE: RootZone = { store: 60, easy: 0.4, area: 1.2, factor: 0.9, kept: 1, runOff: 0.1 };

// Allen et al. 1998, FAO-56: examples 8 (Ra), 9 (daylight), 10 (Rs) and 18 (ET0).
test('the worked examples of FAO-56', () => {
  expect(extraterrestrial(-20, 246)).toBeCloseTo(32.2, 1);
  expect(daylight(-20, 246)).toBeCloseTo(11.7, 1);
  expect(radiationOf(-22.9, 135, 7.1)).toBeCloseTo(14.5, 1);
  const uccle = { latitude: 50.8, elevation: 100 };
  const day = {
    date: '2025-07-06',
    rain: 0,
    low: 12.3,
    high: 21.5,
    humidity: [0.63, 0.84] as const,
    wind: 2.078,
    radiation: radiationOf(50.8, 187, 9.25),
  };
  expect(day.radiation).toBeCloseTo(22.07, 1);
  expect(penmanMonteith(uccle, day)).toBeCloseTo(3.88, 1);
  expect(referenceEt(uccle, day).by).toBe('penman');
  // FAO-56, example 20: Lyon in July by temperatures alone, 5.0 mm; of the middle of the month.
  const lyon = hargreaves(
    { latitude: 45.717, elevation: 200 },
    { date: '2025-07-15', rain: 0, low: 14.8, high: 26.6 },
  );
  expect(lyon).toBeCloseTo(5.0, 0);
});

/** Weather that is plausible and belongs to a seed. */
const weather = (seed: number, from: string, count: number): WeatherDay[] => {
  let state = seed >>> 0 || 1;
  const chance = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
  return Array.from({ length: count }, (_, i) => {
    const date = new Date(Date.parse(from) + i * DAY).toISOString().slice(0, 10);
    const warm = Math.sin(((Number(date.slice(5, 7)) - 4) / 12) * 2 * Math.PI);
    const low = 4 + 8 * warm + 4 * chance();
    return { date, rain: chance() < 0.35 ? 14 * chance() ** 2 : 0, low, high: low + 4 + 8 * chance() };
  });
};

test('the balance closes to 0.1 mm over ten years', () => {
  const days = weather(7, '2015-01-01', 3652);
  const told = balance(ZONE, HERE, days, 12, (_, missing) => (missing > 20 ? 15 : 0));
  const sum = (of: (d: (typeof told)[number]) => number) => told.reduce((s, d) => s + of(d), 0);
  const into = sum((d) => d.rain) + sum((d) => d.given);
  const out = sum((d) => d.drawn) + sum((d) => d.drained);
  expect(Math.abs(12 - into + out - told.at(-1)!.missing)).toBeLessThan(0.1);
  for (const d of told) {
    expect(d.missing).toBeGreaterThanOrEqual(-1e-9);
    expect(d.missing).toBeLessThanOrEqual(ZONE.store + 1e-9);
  }
});

/** The same day in a thousand steps, each with the stress of its moment (FAO-56, eq. 84). */
function inSteps(zone: RootZone, need: number, held: number): number {
  let missing = held;
  for (let i = 0; i < 1000; i++) {
    const easy = zone.easy * zone.store;
    const ks = missing <= easy ? 1 : (zone.store - missing) / (zone.store - easy);
    missing += (ks * need) / 1000;
  }
  return missing;
}

test('an independent balance in small steps comes to the same', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 5, max: 150, noNaN: true }),
      fc.double({ min: 0.2, max: 0.7, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 0.1, max: 3, noNaN: true }),
      (store, easy, share, factor) => {
        const zone = { ...ZONE, store, easy, factor, kept: 0, runOff: 0 };
        const day = { date: '2025-07-06', rain: 0, low: 12, high: 27 };
        const [told] = balance(zone, HERE, [day], share * store);
        const need = factor * referenceEt(HERE, day).mm;
        expect(told!.missing).toBeCloseTo(inSteps(zone, need, share * store), 1);
      },
    ),
  );
});

test('more rain never leaves less water, and never means an earlier watering', () => {
  fc.assert(
    fc.property(
      fc.nat(10_000),
      fc.integer({ min: 0, max: 119 }),
      fc.double({ min: 0, max: 40, noNaN: true }),
      fc.double({ min: 8, max: 120, noNaN: true }),
      fc.double({ min: 0.1, max: 3, noNaN: true }),
      (seed, at, more, store, factor) => {
        const zone = { ...ZONE, store, factor };
        const days = weather(seed, '2025-04-01', 120);
        const wetter = days.map((d, i) => (i === at ? { ...d, rain: d.rain + more } : d));
        const [dry, wet] = [days, wetter].map((of) => balance(zone, HERE, of));
        dry!.forEach((d, i) => expect(wet![i]!.missing).toBeLessThanOrEqual(d.missing + 1e-9));
        const due = (of: typeof dry) => {
          const first = of!.findIndex((d) => d.missing >= easyWater(zone));
          return first < 0 ? Infinity : first;
        };
        expect(due(wet)).toBeGreaterThanOrEqual(due(dry));
      },
    ),
  );
});

test('the next watering lies within its band, and what is missing already is due today', () => {
  const known = weather(3, '2005-01-01', 365 * 20);
  const next = nextWatering(ZONE, HERE, '2025-06-20', 5, known);
  expect(next.years).toBeGreaterThan(15);
  expect(next.earliest! <= next.on!).toBe(true);
  expect(next.latest === undefined || next.on! <= next.latest).toBe(true);
  expect(next.on! > '2025-06-20').toBe(true);
  expect(next.litres).toBeCloseTo(easyWater(ZONE) * ZONE.area, 9);
  const now = nextWatering(ZONE, HERE, '2025-06-20', 40, known);
  expect([now.on, now.litres]).toEqual(['2025-06-20', 40 * ZONE.area]);
  // Drier already, sooner due.
  const drier = nextWatering(ZONE, HERE, '2025-06-20', 15, known);
  expect(drier.on! <= next.on!).toBe(true);
  // In winter nothing is due.
  expect(nextWatering({ ...ZONE, store: 200 }, HERE, '2025-12-01', 0, known).on).toBeUndefined();
});

test('ways of watering side by side: the balance wastes least of what it gives and stresses least for it', () => {
  const known = weather(11, '2010-01-01', 3652);
  const all = mannersOver(ZONE, HERE, known, 38, [4, 5, 6, 7, 8, 9]);
  const of = (manner: string) => all.find((m) => m.manner === manner)!;
  expect(all.map((m) => m.manner).sort()).toEqual(['balance', 'feel', 'often', 'weekly']);
  // What it wastes fell as rain later on the day.
  for (const other of ['often', 'weekly', 'feel'])
    expect(of('balance').wasted).toBeLessThan(of(other).wasted);
  expect(of('often').litres).toBeGreaterThan(of('balance').litres);
  expect(of('often').wasted).toBeGreaterThan(0.3);
  expect(of('balance').stressed).toBeLessThan(20);
  // Three times a week over 26 weeks.
  expect(of('often').waterings).toBeGreaterThan(75);
  expect(of('often').waterings).toBeLessThan(82);
});

const YOUNG: Tree = {
  label: 'T',
  species: 'Tilia cordata',
  plantedYear: 2024,
  stemDiameter: 0.05,
  crownRadius: 1.2,
};
const zone = (tree: Tree, today = '2026-07-01', since?: number) =>
  zoneOf(tree, visitOn('2026-06-10'), profileOf(tree, visitOn('2026-06-10')), today, since)!;

test('the root zone of a planted tree grows out of its ball, that of an old one lies under its crown', () => {
  const first = zone(YOUNG, '2024-07-01');
  expect(first.radius).toBeCloseTo(0.25, 9);
  expect(zone(YOUNG).radius).toBeCloseTo(0.25 + 2 * 0.3, 9);
  // Reset last year, it begins again.
  expect(zone(YOUNG, '2026-07-01', 2025).radius).toBeCloseTo(0.25 + 0.3, 9);
  expect(zone({ ...YOUNG, plantedYear: 1980, stemDiameter: 0.4, crownRadius: 4 }).radius).toBe(4);
  expect(first.store).toBeGreaterThan(0);
  // Of a crown wider than its ball no more than three times as much is drawn.
  expect(first.factor).toBeLessThanOrEqual(0.5 * 3 + 1e-9);
  expect(
    zoneOf(
      { label: 'T', species: '' },
      visitOn('2026-06-10'),
      profileOf({ label: 'T', species: '' }, visitOn('2026-06-10')),
      '2026-07-01',
    ),
  ).toBeUndefined();
});

const HEAD = 'date,rain,low,high\n';
const row = (i: number, rain = 0, low = 10, high = 20) =>
  `${new Date(Date.UTC(2025, 5, i)).toISOString().slice(0, 10)},${rain},${low},${high}`;

test('what trees draw of the reference: more where the summers are humid', () => {
  const year = (rain: number): WeatherDay[] =>
    Array.from({ length: 365 }, (_, i) => ({
      date: new Date(Date.UTC(2025, 0, 1 + i)).toISOString().slice(0, 10),
      rain,
      low: 12,
      high: 24,
    }));
  // ANSI/ASABE S623 (from memory): 0.5 in dry, 0.7 in humid summers.
  expect(plantFactorAt(HERE, year(0.3))).toBe(0.5);
  expect(plantFactorAt(HERE, year(5))).toBe(0.7);
  expect(plantFactorAt(HERE, [])).toBe(0.5);
  // Rain of the winter makes no humid summer.
  expect(
    plantFactorAt(
      HERE,
      year(5).filter((d) => /-(01|02|12)-/.test(d.date)),
    ),
  ).toBe(0.5);
});

test('too much water: what a full store lets through, and in ground that holds it any of it', () => {
  const store = { store: 40, easy: 0.4, area: 2, factor: 0.5, kept: 0, runOff: 0 };
  const dry = Array.from({ length: 60 }, (_, i) => ({
    date: new Date(Date.UTC(2025, 5, 1 + i)).toISOString().slice(0, 10),
    rain: 0,
    low: 14,
    high: 28,
  }));
  const saucer = { kind: 'saucer' } as Parameters<typeof tooMuchOf>[2];
  const over = (given: (missing: number) => number, tight = false) =>
    tooMuchOf(
      store,
      balance(store, HERE, dry, 0, (_, missing) => given(missing)),
      tight ? saucer : undefined,
    );
  expect(over(() => 0)).toBeUndefined();
  expect(over((missing) => missing)).toBeUndefined();
  // A little more than is missing drains away in open ground, and stands in a saucer.
  const little = (missing: number) => (missing >= 10 ? missing + 1 : 0);
  expect(over(little)).toBeUndefined();
  expect(over(little, true)).toMatchObject({ stands: true });
  const much = over(() => 30)!;
  expect(much.days).toBe(60);
  expect(much.given).toBeCloseTo(60 * 30 * 2, 9);
  // What was given was drawn or is too much: nothing else becomes of it.
  const drawn = balance(store, HERE, dry, 0, () => 30).reduce((sum, d) => sum + d.drawn, 0);
  expect(much.wasted).toBeGreaterThan(much.given - 2 * (drawn + store.store));
  expect(much.wasted).toBeLessThanOrEqual(much.given);
});

describe('a round', () => {
  const stop = fc.record({
    litres: fc.integer({ min: 1, max: 2500 }),
    at: fc.option(fc.record({ x: fc.integer({ min: 0, max: 90 }), y: fc.integer({ min: 0, max: 90 }) }), {
      nil: undefined,
    }),
  });
  test('gives each tree all of its water, from tanks that are full but the last', () => {
    fc.assert(
      fc.property(fc.array(stop, { maxLength: 20 }), (given) => {
        const stops = given.map((s, i) => ({ ...s, id: String(i) }));
        const { loads, unplaced } = waterRound(stops, 1000);
        const of = (id: string) =>
          loads.flatMap((l) => l.stops.filter((s) => s.id === id)).reduce((sum, s) => sum + s.litres, 0);
        for (const s of stops) expect(of(s.id)).toBeCloseTo(s.litres, 6);
        loads.slice(0, -1).forEach((load) => expect(load.litres).toBeCloseTo(1000, 6));
        const whole = stops.reduce((sum, s) => sum + s.litres, 0);
        expect(loads).toHaveLength(Math.ceil(whole / 1000));
        expect(unplaced).toEqual(stops.filter((s) => !s.at).map((s) => s.id));
        // What is not on the plan comes last.
        const order = [...new Set(loads.flatMap((l) => l.stops.map((s) => s.id)))];
        expect(order.slice(order.length - unplaced.length)).toEqual(unplaced);
      }),
    );
  });

  test('goes along a row', () => {
    const row = [4, 1, 3, 2].map((n) => ({ id: `Linden ${n}`, litres: 300, at: { x: 9 * n, y: 0 } }));
    const { loads, metres } = waterRound(row, 1000);
    expect(metres).toBe(27);
    const names = loads.map((l) => l.stops.map((s) => `${s.id} ${s.litres}`).join(', '));
    expect([
      ['Linden 1 300, Linden 2 300, Linden 3 300, Linden 4 100', 'Linden 4 200'],
      ['Linden 4 300, Linden 3 300, Linden 2 300, Linden 1 100', 'Linden 1 200'],
    ]).toContainEqual(names);
  });
});

test('weather with holes, doubles, wrong days and the other unit', () => {
  const holed = readDays(HEAD + [row(1), row(2), row(5, 3, 16, 26)].join('\n'));
  expect(holed.days.map((d) => [d.date.slice(8), d.filled === true])).toEqual([
    ['01', false],
    ['02', false],
    ['03', true],
    ['04', true],
    ['05', false],
  ]);
  expect(holed.days[2]!.high).toBeCloseTo(22, 9);
  expect(holed.notes.join()).toContain('2 missing days were filled');
  const long = readDays(HEAD + [row(1), row(29)].join('\n'));
  expect([long.days.length, long.notes.join()]).toEqual([1, expect.stringContaining('27 days are missing')]);
  // A year in two files put together: the same day twice is one, another value is told.
  const twice = readDays(HEAD + [row(1), row(1), row(1, 9)].join('\n'));
  expect([twice.days.length, twice.days[0]!.rain]).toEqual([1, 0]);
  expect(twice.notes.join()).toContain('there twice with other values');
  const hot = readDays(HEAD + [row(1, 0, 60, 88), row(2, 0, 61, 90), row(3, 0, 59, 84)].join('\n'));
  expect(hot.problem).toContain('Are the temperatures in °F?');
  const us = readDays(HEAD + row(1, 1, 50, 86), { temperature: '°F', rain: 'in', wind: 'mph' });
  expect(us.days[0]).toMatchObject({ rain: 25.4, low: 10, high: 30 });
  const bad = readDays(`${HEAD}2025-02-32,0,1,2\n${row(2, -4)}\n${row(3, 0, 9, 4)}\nx,0,1,2`);
  expect(bad.days).toEqual([]);
  expect(bad.notes).toEqual([
    expect.stringContaining('Row 2, date: “2025-02-32” is not a day'),
    expect.stringContaining('Row 3, rain: “-4” is not 0 to 1000'),
    expect.stringContaining('Row 4: low 9 above high 4'),
    expect.stringContaining('Row 5, date: “x”'),
  ]);
  expect(readDays('when,rain\n').problem).toContain('Column date, low, high: missing');
});

test('the water of a tree by its record: reset last year it begins from its ball, and every sentence is whole', () => {
  const known = weather(5, '2010-01-01', 366 * 16);
  const today = '2025-07-10';
  const plain = visitOn('2025-06-10');
  const plan = (visits: Parameters<typeof waterPlan>[2], day = today) =>
    waterPlan(YOUNG, [], visits, plain, {}, HERE, known, day)!;
  const own = plan([plain]);
  const reset = plan([
    { ...visitOn('2024-05-01'), work: [{ step: 'reset', how: 'done', on: '2025-03-20' }] },
    plain,
  ]);
  expect(reset.zone.radius).toBeLessThan(own.zone.radius);
  // What was ordered and not done moves nothing.
  const left = plan([
    { ...visitOn('2024-05-01'), work: [{ step: 'reset', how: 'not done', on: '2025-03-20' }] },
    plain,
  ]);
  expect(left.zone.radius).toBe(own.zone.radius);
  expect(own.days).toHaveLength(191);
  expect(own.manners).toHaveLength(4);
  expect(own.manner).toBe('balance');
  for (let month = 1; month <= 12; month++) {
    const { why, next } = plan([plain], `2025-${String(month).padStart(2, '0')}-10`);
    expect(why).not.toMatch(/undefined|NaN|Infinity/);
    expect(next.litres).toBeGreaterThan(0);
  }
});
