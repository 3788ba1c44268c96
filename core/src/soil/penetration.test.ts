import fc from 'fast-check';
import type { Push } from '../records';
import {
  chanceBelow,
  coneIndex,
  layoutOf,
  mapOf,
  profileOfPushes,
  pushesFromRows,
  pushesToRows,
  reachedAt,
  readPushes,
  type PushLayout,
} from './index';

const push = (pressures: readonly number[], stopped?: number): Push => ({
  bearing: 0,
  distance: 1,
  readings: pressures.map((mpa, i) => ({ depth: Number(((i + 1) * 0.05).toFixed(2)), pressure: mpa * 1e6 })),
  ...(stopped !== undefined && { stopped }),
});

test('cone index is force over the base of the standard cones (ASAE S313: 323 and 129 mm2)', () => {
  expect(coneIndex(323, 'large') / 1e6).toBeCloseTo(1, 2);
  expect(coneIndex(129, 'small') / 1e6).toBeCloseTo(1, 2);
  expect(() => coneIndex(-1, 'large')).toThrow('-1');
});

test('the limit is reached where 2 MPa begins and stays; a stone is not a layer', () => {
  expect(reachedAt(push([0.5, 1, 1.5, 2.5, 3, 3]))).toEqual({ depth: expect.closeTo(0.175, 9), open: false });
  // One peak, then open again.
  expect(reachedAt(push([0.5, 3, 0.6, 0.8, 1, 1]))).toEqual({ depth: 0.3, open: true });
  expect(reachedAt(push([0.5, 0.8], 0.12))).toEqual({ depth: 0.12, open: false });
  expect(reachedAt({ readings: [], stopped: 0.04 })).toEqual({ depth: 0.04, open: false });
  expect(reachedAt({ readings: [] })).toBeUndefined();
});

test('a pan, tight from above, tight throughout and open soil are told apart', () => {
  const kind = (p: number[]) => readPushes([push(p), push(p), push(p)])!.tightness;
  expect(kind([0.5, 0.8, 1, 2.4, 3, 2.8, 1.2, 1, 1])).toBe('pan');
  expect(kind([2.4, 3, 2.2, 1.2, 1, 1, 1, 1, 1])).toBe('surface');
  expect(kind([1, 1.5, 2.4, 2.6, 3, 3, 3.2, 3.4, 4])).toBe('whole');
  expect(kind([0.4, 0.5, 0.8, 1, 1.1, 1.3, 1.4, 1.5, 1.9])).toBe('open');
  expect(readPushes([push([3, 3])])!.tightness).toBe('few');
  const at = (distance: number, p: number[]) => ({ ...push(p), distance });
  const loose = [0.4, 0.5, 0.8, 1, 1, 1, 1, 1, 1];
  const tight = [1, 2.2, 2.4, 2.6, 3, 3, 3, 3, 3];
  const both = [at(0.2, loose), at(0.3, loose), at(0.9, tight), at(1.2, tight), at(1.5, tight)];
  expect(readPushes(both, 0.5)!.tightness).toBe('hole');
  expect(readPushes(both)!.tightness).toBe('whole');
  expect(readPushes([])).toBeUndefined();
});

test('the profile is the middle of the pushes that reach a depth, inside its band', () => {
  fc.assert(
    fc.property(
      fc.array(fc.array(fc.double({ min: 0, max: 8, noNaN: true }), { minLength: 2, maxLength: 12 }), {
        minLength: 1,
        maxLength: 9,
      }),
      (all) => {
        const rows = profileOfPushes(all.map((p) => push(p)));
        for (const r of rows) {
          expect(r.low).toBeLessThanOrEqual(r.median);
          expect(r.median).toBeLessThanOrEqual(r.high);
          expect(r.count).toBeLessThanOrEqual(all.length);
        }
        const first = all.map((p) => p[0]! * 1e6).sort((a, b) => a - b);
        const at = rows.find((r) => r.depth === 0.05)!;
        expect(at.low).toBeGreaterThanOrEqual(first[0]! - 1e-6);
        expect(at.high).toBeLessThanOrEqual(first.at(-1)! + 1e-6);
      },
    ),
  );
});

const places = fc
  .uniqueArray(fc.tuple(fc.integer({ min: -30, max: 30 }), fc.integer({ min: -30, max: 30 })), {
    minLength: 3,
    maxLength: 12,
    selector: ([x, y]) => `${x} ${y}`,
  })
  .chain((at) =>
    fc.tuple(
      fc.constant(at),
      fc.array(fc.double({ min: 0.05, max: 0.6, noNaN: true }), {
        minLength: at.length,
        maxLength: at.length,
      }),
    ),
  );

test('the map follows its measurements, knows less the farther off, and nothing far away', () => {
  fc.assert(
    fc.property(places, ([at, depths]) => {
      const measured = at.map(([x, y], i) => ({ x: x / 10, y: y / 10, value: depths[i]! }));
      const map = mapOf(measured)!;
      const [low, high] = [Math.min(...depths), Math.max(...depths)];
      for (const m of measured) {
        const there = map.at(m.x, m.y)!;
        expect(there.value).toBeGreaterThan(low - 0.3 * (high - low) - 0.05);
        expect(there.value).toBeLessThan(high + 0.3 * (high - low) + 0.05);
      }
      expect(map.at(50, 50)).toBeUndefined();
      expect(chanceBelow(map, 50, 50, 0.3, 1)).toBe(1);
      // Turned and shifted, the same.
      const moved = mapOf(measured.map((m) => ({ x: 7 - m.y, y: m.x - 2, value: m.value })))!;
      const [here, there] = [map.at(0.5, 0.2), moved.at(7 - 0.2, 0.5 - 2)];
      if (here) expect(there!.value).toBeCloseTo(here.value, 6);
    }),
    { numRuns: 60 },
  );
  const one = mapOf([0, 1, 2].map((x) => ({ x: 4 * x, y: 0, value: 0.1 + 0.2 * x })))!;
  expect(one.at(0, 0)!.error).toBeLessThan(one.at(0.3, 0)!.error);
  expect(one.at(0, 0)!.value).toBeCloseTo(0.1, 1);
  expect(mapOf([{ x: 0, y: 0, value: 1 }])).toBeUndefined();
});

test('files of several layouts come in; what is wrong is named by row, and the way back loses nothing', () => {
  const layout = layoutOf(['Bearing', 'Distance (m)', 'Depth (in)', 'Cone index (psi)']) as PushLayout;
  expect(layout.load).toEqual({ column: 'Cone index (psi)', unit: 'psi' });
  const row = (b: string, d: string, depth: string, ci: string) => ({
    Bearing: b,
    'Distance (m)': d,
    'Depth (in)': depth,
    'Cone index (psi)': ci,
  });
  const { pushes, notes } = pushesFromRows(
    [
      row('90', '1', '1', '100'),
      row('90', '1', '2', '290'),
      row('90', '1', '1.5', '300'),
      row('90', '1', '3', '-5'),
      row('400', '1', '3', '5'),
    ],
    layout,
    undefined,
  );
  expect(pushes).toHaveLength(1);
  expect(pushes[0]!.readings[1]!.pressure / 1e6).toBeCloseTo(2, 2);
  expect(notes).toEqual([
    expect.stringContaining('Row 4 left out, depth'),
    expect.stringContaining('Row 5 left out, Cone index (psi): “-5”'),
    expect.stringContaining('Row 6 left out, bearing: “400”'),
  ]);
  const forces = layoutOf(['bearing', 'distance (m)', 'depth (cm)', 'force (N)']) as PushLayout;
  const rows = [{ bearing: '0', 'distance (m)': '1', 'depth (cm)': '10', 'force (N)': '646' }];
  expect(pushesFromRows(rows, forces, undefined).notes[0]).toContain('size of the cone');
  expect(pushesFromRows(rows, forces, 'large').pushes[0]!.readings[0]!.pressure / 1e6).toBeCloseTo(2, 2);
  const [heads, ...out] = pushesToRows(pushes) as string[][];
  const back = pushesFromRows(
    out.map((r) => Object.fromEntries(heads!.map((h, i) => [h, String(r[i])]))),
    layoutOf(heads!) as PushLayout,
    undefined,
  );
  expect(back.pushes[0]!.readings[0]!.depth).toBeCloseTo(0.0254, 4);
});
