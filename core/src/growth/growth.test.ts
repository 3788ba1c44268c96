import fc from 'fast-check';
import type { Dig, DugRoot } from '../records';
import {
  compressionOf,
  grownOutline,
  readDig,
  TOUCH_TOLERANCE,
  type DigReading,
  type RootPath,
} from '../roots';
import { forecastOf, grownDig, HORIZON, seeded, normalFrom, logNormal, stemRate, rootRate } from './index';
import { closesAt } from './closing';
import type { Rate } from './rates';

const root = (label: string, points: [number, number, number][], more: Partial<DugRoot> = {}): DugRoot => ({
  label,
  kind: 'girdling',
  start: 'outside',
  points: points.map(([bearing, distance, diameter]) => ({ bearing, distance, depth: 0.1, diameter })),
  ...more,
});
const dig = (...roots: DugRoot[]): Dig => ({ measuredFrom: 'bark', north: 'true', roots });
const tree = { stemDiameter: 0.3 };
const rate = (perYear: number, variation: number): Rate => ({ perYear, variation, from: 'test' });

const squeezed = dig(
  root('A', [
    [40, 0.02, 0.03],
    [80, 0.018, 0.035],
    [120, 0.03, 0.03],
    [150, 0.09, 0.03],
  ]),
  root('B', [
    [200, 0.05, 0.04],
    [240, 0.035, 0.04],
    [280, 0.06, 0.035],
  ]),
  root('C', [
    [300, 0.12, 0.02],
    [330, 0.1, 0.02],
    [355, 0.14, 0.02],
  ]),
);
const nothing = { name: 'nothing done', cuts: {} };
const options = (more: object = {}) => ({
  draws: 400,
  seed: 7,
  stem: rate(0.003, 0.4),
  barriers: [],
  scenarios: [nothing],
  ...more,
});

/** The share after some years at fixed rates, by growing the stem and every tube and computing afresh. */
function afresh(reading: DigReading, years: number, stem: number): number {
  const outline = grownOutline(reading.outline, stem * years);
  const hit = new Uint8Array(1440);
  for (const { root: r, path, counted } of reading.roots) {
    const thicker: RootPath = {
      ...path,
      radius: path.radius.map((v) => v + rootRate(r, rate(stem, 0)).perYear * years),
    };
    const { arcs } = compressionOf(thicker, counted, outline, {
      tolerance: TOUCH_TOLERANCE,
      underside: Infinity,
    });
    for (let k = 0; k < 1440; k++)
      if (arcs.some(({ from, to }) => (((k / 4 - from) % 360) + 360) % 360 <= to - from)) hit[k] = 1;
  }
  return hit.reduce((a, b) => a + b, 0) / 1440;
}

test('at fixed rates the forecast is what growing everything and computing afresh gives', () => {
  const reading = readDig(tree, squeezed);
  // Ring counts fix the ratio of root to stem, so that every draw is the middle one.
  const fixed = dig(...squeezed.roots.map((r) => ({ ...r, rings: { count: 1e6, over: 0.0018 * 1e6 } })));
  const { scenarios } = forecastOf(readDig(tree, fixed), options({ draws: 3, stem: rate(0.003, 1e-9) }))!;
  for (const years of [0, 5, 10, 20, 30])
    expect(Math.abs(scenarios[0]!.p50[years]! - afresh(reading, years, 0.003))).toBeLessThan(0.02);
  expect(afresh(reading, 30, 0.003)).toBeGreaterThan(afresh(reading, 0, 0.003) + 0.2);
});

test('without a cut the share never falls; with one it falls then, and not before', () => {
  const { scenarios } = forecastOf(
    readDig(tree, squeezed),
    options({ scenarios: [nothing, { name: 'A in two years', cuts: { A: 2 } }] }),
  )!;
  for (const quantile of ['p10', 'p50', 'p90'] as const) {
    const years = scenarios[0]![quantile];
    expect(years).toHaveLength(HORIZON + 1);
    expect(years.every((share, i) => i === 0 || share >= years[i - 1]! - 1e-12)).toBe(true);
  }
  const [left, cut] = scenarios as [(typeof scenarios)[0], (typeof scenarios)[0]];
  expect(cut.p50.slice(0, 2)).toEqual(left.p50.slice(0, 2));
  expect(cut.p50[2]).toBeLessThan(left.p50[2]! - 0.1);
  expect(cut.p50.every((share, i) => share <= left.p50[i]! + 1e-12)).toBe(true);
  const [quarter, half] = left.reach;
  expect(quarter!.within10).toBeGreaterThanOrEqual(quarter!.within5);
  expect(half!.within10).toBeLessThanOrEqual(quarter!.within10);
  expect(quarter!.year.p10!).toBeLessThanOrEqual(quarter!.year.p50!);
});

test('the same seed gives the same result, another one nearly', () => {
  const reading = readDig(tree, squeezed);
  const [a, again, other] = [7, 7, 8].map((seed) => forecastOf(reading, options({ seed, draws: 2000 }))!);
  expect(again).toEqual(a);
  expect(other).not.toEqual(a);
  expect(Math.abs(other!.scenarios[0]!.p50[15]! - a!.scenarios[0]!.p50[15]!)).toBeLessThan(0.03);
});

test('a tree does not girdle itself by growing over the bases of its own anchors', () => {
  const anchors = [0, 70, 140, 210, 280].map((bearing, i) =>
    root(
      `D${i}`,
      [
        [bearing, 0, 0.08],
        [bearing + 5, 0.3, 0.06],
        [bearing, 0.9, 0.04],
      ],
      {
        kind: 'structural',
        start: 'stem',
      },
    ),
  );
  const reading = readDig(tree, dig(...anchors));
  const { scenarios, touches } = forecastOf(reading, options({ stem: rate(0.006, 0.4) }))!;
  expect(scenarios[0]!.p90.every((share) => share === 0)).toBe(true);
  expect(touches).toEqual([]);
  expect(grownDig(reading, 25, rate(0.006, 0)).share).toBe(0);
});

test('the grown dig of the slider is the middle of the forecast', () => {
  const reading = readDig(tree, squeezed);
  const stem = rate(0.003, 1e-9);
  const fixed = readDig(
    tree,
    dig(...squeezed.roots.map((r) => ({ ...r, rings: { count: 1e6, over: 0.0018 * 1e6 } }))),
  );
  const { scenarios } = forecastOf(fixed, options({ draws: 3, stem }))!;
  for (const years of [0, 10, 30])
    expect(Math.abs(grownDig(reading, years, stem).share - scenarios[0]!.p50[years]!)).toBeLessThan(0.02);
  expect(grownDig(reading, 10, stem, { A: 2 }).share).toBeLessThan(grownDig(reading, 10, stem).share - 0.1);
});

test('progress rises to the end, and stopping gives nothing', () => {
  const told: number[] = [];
  forecastOf(readDig(tree, squeezed), options({ onProgress: (s: number) => told.push(s) > 0 }));
  expect([...told].sort((x, y) => x - y)).toEqual(told);
  expect(told.at(-1)).toBe(1);
  let calls = 0;
  expect(forecastOf(readDig(tree, squeezed), options({ onProgress: () => ++calls < 3 }))).toBeUndefined();
});

test('a root-control ring of 24 in is touched in 15 to 18 years by a stem that adds 1.3 to 1.6 in a year', () => {
  // Common practice, no source: the ring check of the trade, from nothing to 24 in of diameter.
  const inch = 0.0254;
  for (const [perYear, years] of [
    [1.6, 15],
    [24 / 18, 18],
  ] as const) {
    const { barriers } = forecastOf(
      readDig({ stemDiameter: 0.0001 }, dig()),
      options({
        draws: 50,
        stem: rate((perYear * inch) / 2, 1e-9),
        barriers: [{ kind: 'root-control ring', diameter: 24 * inch }],
      }),
    )!;
    expect(barriers[0]!.year.p50).toBeCloseTo(years, 1);
  }
});

test('draws have the mean and spread they are asked for', () => {
  const normal = normalFrom(seeded(3));
  const values = Array.from({ length: 40_000 }, () => logNormal(0.004, 0.45, normal));
  const mean = values.reduce((a, b) => a + b, 0) / values.length;
  const sd = Math.sqrt(values.reduce((a, b) => a + (b - mean) ** 2, 0) / values.length);
  expect(mean / 0.004).toBeCloseTo(1, 1);
  expect(sd / mean).toBeCloseTo(0.45, 1);
});

test('the rate comes from two outlines where there are two, else from the species', () => {
  const visit = (date: string, diameter: number) => ({
    date,
    findings: [],
    profiles: [],
    probes: [],
    decisions: [],
    dig: { ...dig(), diameters: { bearing: 0, along: diameter, across: diameter } },
  });
  const katsura = { label: 'K', species: 'Cercidiphyllum japonicum' };
  const measured = stemRate(katsura, [visit('2026-03-01', 0.31), visit('2024-03-01', 0.298)]);
  expect(measured.perYear).toBeCloseTo(0.003, 5);
  expect(measured.from).toContain('two outlines');
  // A root in both digs under its label grows at its own rate; one dug once takes its share of the stem's.
  const rooted = (date: string, across: number) => ({
    ...visit(date, 0.3),
    dig: dig(
      ...squeezed.roots.map((r) => ({ ...r, points: r.points.map((p) => ({ ...p, diameter: across })) })),
    ),
  });
  const twice = stemRate(katsura, [rooted('2026-03-01', 0.05), rooted('2024-03-01', 0.042)]);
  const root = squeezed.roots[0]!;
  expect(rootRate(root, twice)).toMatchObject({ perYear: expect.closeTo(0.002, 5), own: true });
  expect(rootRate({ ...root, label: 'Z' }, twice)).toMatchObject({ perYear: 0.6 * 0.0025, own: false });
  const girth = (date: string, number: number) => ({
    ...visit(date, 0.3),
    dig: undefined,
    findings: [{ key: 'base.dbh', number }],
  });
  expect(stemRate(katsura, [girth('2024-03-01', 0.2), girth('2026-03-01', 0.212)])).toMatchObject({
    perYear: expect.closeTo(0.003, 5),
    from: 'DBH at two visits, 2024-03-01 and 2026-03-01',
  });
  // Thinner than before, or half a year apart: it was not measured.
  expect(stemRate(katsura, [girth('2024-03-01', 0.212), girth('2026-03-01', 0.2)]).from).toContain('species');
  expect(stemRate(katsura, [girth('2025-10-01', 0.2), girth('2026-03-01', 0.212)]).from).toContain('species');
  expect(stemRate(katsura, [visit('2026-03-01', 0.31)])).toMatchObject({ from: 'slow growing by species' });
  expect(stemRate({ label: 'X', species: 'Xylotherium maximum' }, []).from).toContain('in no list');
});

test('a root closes on a direction when bark that has grown that far first meets it, tried millimetre by millimetre', () => {
  const radius = 0.15;
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          out: fc.double({ min: 0.02, max: 0.2, noNaN: true }),
          across: fc.double({ min: 0.02, max: 0.06, noNaN: true }),
        }),
        {
          minLength: 4,
          maxLength: 4,
        },
      ),
      fc.constantFrom(0.3, 0.7, 1.5),
      fc.integer({ min: 60, max: 140 }),
      (places, ratio, direction) => {
        const reading = readDig(
          { stemDiameter: 2 * radius },
          dig(
            root(
              'A',
              places.map(({ out, across }, i) => [40 + 40 * i, out, across]),
            ),
          ),
        );
        const read = reading.roots[0]!;
        const { x, y, radius: r } = read.path;
        const angle = (direction * Math.PI) / 180;
        const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
        // Distance to a line that ends at `reach`, of points along the pieces of the root.
        const gap = (reach: number) => {
          let least = Infinity;
          for (let i = 0; i + 1 < x.length; i++)
            for (const t of [0, 0.2, 0.4, 0.6, 0.8, 1]) {
              const at = (of: Float64Array) => of[i]! + (of[i + 1]! - of[i]!) * t;
              const along = Math.min(reach, Math.max(0, at(x) * sin + at(y) * cos));
              least = Math.min(least, Math.hypot(at(x) - along * sin, at(y) - along * cos) - at(r));
            }
          return least;
        };
        let tried = Infinity;
        for (let s = 0; s <= 0.12 && tried === Infinity; s += 0.001)
          if (gap(radius + s) - TOUCH_TOLERANCE - ratio * s <= 0) tried = s;
        const closes = closesAt(read, reading, ratio, 0.12)[direction]!;
        if (tried === Infinity) expect(closes).toBeGreaterThan(0.117);
        else expect(Math.abs(closes - tried)).toBeLessThan(0.003);
      },
    ),
    { numRuns: 60 },
  );
});
