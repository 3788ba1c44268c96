import fc from 'fast-check';
import type { GradeProfile, ProbePoint, Tree, Visit } from '../records';
import { collarOf, fillOf, mulchOf, profileOf } from './index';

const cone = (bearing: number, height = 0.3, reach = 0.8): GradeProfile => ({
  bearing,
  mulch: [{ distance: 0, depth: height }],
  mulchEnds: reach,
  fill: [],
});
const push = (bearing: number, depth: number, more: Partial<ProbePoint> = {}): ProbePoint => ({
  bearing,
  distance: 0.1,
  depth,
  found: 'root',
  from: 'grade',
  ...more,
});

test('a cone is exact from any bearings: 0.2765 m3', () => {
  // pi h (R - r)(R + 2r)/3 with h 0.30, R 0.90, r 0.10: exact geometry.
  for (const bearings of [[0], [0, 180], [10, 50, 200, 340], [0, 45, 90, 135, 180, 225, 270, 315]]) {
    const mulch = mulchOf(
      bearings.map((b) => cone(b)),
      0.1,
    )!;
    expect(mulch.volume.value).toBeCloseTo((Math.PI * 0.3 * 0.8 * 1.1) / 3, 9);
    expect(mulch.ringRadius.value).toBeCloseTo(0.9, 9);
  }
});

test('a flat ring with clearance is exact', () => {
  const ring = (bearing: number): GradeProfile => ({
    bearing,
    mulch: [
      { distance: 0, depth: 0 },
      { distance: 0.075, depth: 0 },
      { distance: 0.075, depth: 0.06 },
      { distance: 1.1, depth: 0.06 },
    ],
    mulchEnds: 1.1,
    fill: [],
  });
  const mulch = mulchOf([0, 90, 180, 270].map(ring), 0.1)!;
  // Annulus: pi t (R^2 - r^2).
  expect(mulch.volume.value).toBeCloseTo(Math.PI * 0.06 * (1.2 ** 2 - 0.175 ** 2), 6);
  expect(mulch.clearance.value).toBeCloseTo(0.075, 6);
  expect(mulch.volume.plusMinus).toBeCloseTo(0, 9);
});

test('an elliptic ring converges on the exact area as bearings are added', () => {
  // Ellipse a = 1.2, b = 0.8 of constant depth 0.1 round a stem of 0.1: volume pi (ab - r^2) t.
  const exact = Math.PI * (1.2 * 0.8 - 0.01) * 0.1;
  const error = (n: number) => {
    const profiles = Array.from({ length: n }, (_, i): GradeProfile => {
      const t = (2 * Math.PI * i) / n;
      const rho = 0.96 / Math.hypot(0.8 * Math.sin(t), 1.2 * Math.cos(t));
      return {
        bearing: (360 * i) / n,
        mulch: [
          { distance: 0, depth: 0.1 },
          { distance: rho - 0.1, depth: 0.1 },
        ],
        mulchEnds: rho - 0.1,
        fill: [],
      };
    });
    return Math.abs(mulchOf(profiles, 0.1)!.volume.value - exact) / exact;
  };
  expect(error(8)).toBeLessThan(0.02);
  expect(error(32)).toBeLessThan(0.001);
});

test('turning, mirroring and scaling do to the volume what they must', () => {
  const heights = fc.array(fc.double({ min: 0.01, max: 0.4, noNaN: true }), { minLength: 4, maxLength: 4 });
  fc.assert(
    fc.property(
      heights,
      fc.integer({ min: 0, max: 359 }),
      fc.double({ min: 0.5, max: 3, noNaN: true }),
      (h, turn, k) => {
        const at = (place: (b: number) => number, scale = 1) =>
          mulchOf(
            h.map((v, i) => cone(place(i * 77), v * scale, (0.5 + v) * scale)),
            0.1 * scale,
          )!.volume.value;
        const plain = at((b) => b);
        expect(at((b) => (b + turn) % 360)).toBeCloseTo(plain, 9);
        expect(at((b) => (360 - b) % 360)).toBeCloseTo(plain, 9);
        expect(at((b) => b, k) / k ** 3).toBeCloseTo(plain, 6);
      },
    ),
  );
});

test('more mulch never measures less', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0, max: 0.3, noNaN: true }), { minLength: 3, maxLength: 8 }),
      fc.nat(7),
      (h, i) => {
        const n = h.length;
        const volume = (values: number[]) =>
          mulchOf(
            values.map((v, k) => cone((360 * k) / n, v)),
            0.1,
          )!.volume.value;
        const raised = h.map((v, k) => (k === i % n ? v + 0.05 : v));
        return volume(raised) >= volume(h) - 1e-9;
      },
    ),
  );
});

test('a hair of mulch measures nothing or a hair, never less than nothing', () => {
  const hair = fc.double({ min: 0, max: 1e-9, noNaN: true });
  fc.assert(
    fc.property(hair, hair, fc.double({ min: 0.001, max: 1, noNaN: true }), (depth, ends, stem) => {
      const profile = { bearing: 0, mulch: [{ distance: 0, depth }], mulchEnds: ends, fill: [] };
      expect(mulchOf([profile], stem)!.volume.value).toBeGreaterThanOrEqual(0);
    }),
  );
});

test('level fill is a ring of its own volume, counted to where it was read', () => {
  const profiles = [0, 120, 240].map((bearing): GradeProfile => ({
    bearing,
    mulch: [],
    fill: [
      { distance: 0, depth: 0.14 },
      { distance: 1, depth: 0.14 },
    ],
  }));
  const fill = fillOf(profiles, 0.15)!;
  expect(fill.volume.value).toBeCloseTo(Math.PI * 0.14 * (1.15 ** 2 - 0.15 ** 2), 9);
  expect(fill.atStem.value).toBeCloseTo(0.14, 9);
});

test('collar depth: shallowest root near the stem, obstacles and far roots left out, mulch taken off', () => {
  const collar = collarOf(
    [
      push(0, 0.18),
      push(0, 0.3, { distance: 0.2 }),
      push(0, 0.05, { distance: 0.8 }),
      push(90, 0.16),
      push(90, 0.02, { found: 'obstacle' }),
      push(180, 0.4, { from: 'mulch' }),
      push(270, 0.5, { found: 'nothing' }),
    ],
    () => 0.2,
  )!;
  expect(collar.byBearing.map((b) => [b.bearing, Number(b.value.toFixed(3))])).toEqual([
    [0, 0.18],
    [90, 0.16],
    [180, 0.2],
  ]);
  expect(collar.deeperThan).toEqual([{ bearing: 270, value: 0.5 }]);
  expect(collar.depth.working.notes.join()).toContain('deeper');
});

test('two pushes side by side do not count double, and more bearings narrow the interval', () => {
  const crowded = collarOf([push(0, 0.1), push(2, 0.1), push(4, 0.1), push(180, 0.2)])!;
  expect(crowded.depth.value).toBeCloseTo(0.15, 2);
  const spreadOf = (n: number) =>
    collarOf(Array.from({ length: n }, (_, i) => push((360 * i) / n, i % 2 ? 0.16 : 0.2)))!.depth.plusMinus!;
  expect(spreadOf(12)).toBeLessThan(spreadOf(6));
  expect(spreadOf(6)).toBeLessThan(spreadOf(4));
  expect(collarOf([push(0, 0.1)])!.depth.plusMinus).toBeUndefined();
});

const tree: Tree = { label: 'T', species: 'Tilia cordata', stemDiameter: 0.3 };
const visit = (more: Partial<Visit>): Visit => ({
  date: '2026-05-01',
  findings: [],
  profiles: [],
  probes: [],
  decisions: [],
  ...more,
});

test('a visit with nothing measured gives nothing, not zero', () => {
  expect(profileOf(tree, visit({}))).toMatchObject({
    mulch: undefined,
    fill: undefined,
    collar: undefined,
    flare: { looked: 0 },
  });
});

test('contradictions are named and the rest is kept', () => {
  const profile = profileOf(
    tree,
    visit({
      findings: [{ key: 'base.entry', part: 0, answer: 'straight' }],
      profiles: [
        {
          bearing: 0,
          mulch: [
            { distance: 0, depth: 0.1 },
            { distance: 1, depth: 0.05 },
          ],
          mulchEnds: 0.5,
          fill: [],
        },
      ],
      probes: [push(0, -0.04), push(90, 0.1), push(91, 0.3, { found: 'nothing' })],
    }),
  );
  const said = profile.problems.map((p) => p.message).join('\n');
  expect(said).toContain('above grade');
  expect(said).toContain('push again');
  expect(said).toContain('Only one mulch profile');
  expect(said).toContain('ends at');
  expect(profile.collar).toBeDefined();
  expect(profile.mulch).toBeDefined();
});

test('without a stem diameter volumes wait, collar depth does not', () => {
  const profile = profileOf(
    { label: 'T', species: '' },
    visit({ profiles: [cone(0)], probes: [push(0, 0.2)] }),
  );
  expect(profile.mulch).toBeUndefined();
  expect(profile.collar?.depth.value).toBeCloseTo(0.2);
  expect(profile.missing[0]).toContain('Stem diameter');
});
