import Flatten from '@flatten-js/core';
import fc from 'fast-check';
import highs from 'highs';
import polygonClipping from 'polygon-clipping';
import { share } from '../../tests/anyCase';
import {
  along,
  blockedAlong,
  freeOf,
  layOut,
  type LayoutRules,
  type LayoutSite,
  type Obstacle,
} from './index';

const RULES: LayoutRules = {
  width: 0.2,
  from: 1.5,
  to: 4,
  innerSpacing: 0.6,
  outerSpacing: 1.2,
  leastLength: 0.8,
  opened: 0.3,
  leastGain: 0.08,
};

type Point = readonly [number, number];
const toSegment = ([x, y]: Point, [ax, ay]: Point, [bx, by]: Point): number => {
  const [dx, dy] = [bx - ax, by - ay];
  const squared = dx * dx + dy * dy;
  const t = squared === 0 ? 0 : Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / squared));
  return Math.hypot(x - ax - t * dx, y - ay - t * dy);
};
const inside = ([x, y]: Point, ring: readonly Point[]): boolean => {
  let within = false;
  ring.forEach(([ax, ay], i) => {
    const [bx, by] = ring[(i + 1) % ring.length]!;
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) within = !within;
  });
  return within;
};
/** Nearest a point comes to an obstacle; 0 inside it. */
const distanceTo = (p: Point, { shape, points }: Obstacle): number => {
  if (shape === 'area' && inside(p, points)) return 0;
  const edges = shape === 'area' ? points.map((a, i) => [a, points[(i + 1) % points.length]!] as const) : [];
  for (let i = 0; shape === 'line' && i + 1 < points.length; i++) edges.push([points[i]!, points[i + 1]!]);
  return Math.min(...edges.map(([a, b]) => toSegment(p, a, b)));
};

const coordinate = fc.double({ min: -6, max: 6, noNaN: true });
const obstacle = fc.record({
  name: fc.constantFrom('wall', 'gas', 'bed'),
  shape: fc.constantFrom('area' as const, 'line' as const),
  points: fc.array(fc.tuple(coordinate, coordinate), { minLength: 3, maxLength: 5 }),
  clearance: fc.double({ min: 0, max: 1, noNaN: true }),
});

test('no trench comes nearer to anything than its clearance, on thousands of sites at random', () => {
  fc.assert(
    fc.property(
      fc.array(obstacle, { minLength: 1, maxLength: 4 }),
      fc.integer({ min: 0, max: 359 }),
      (obstacles, bearing) => {
        const [ux, uy] = along(bearing);
        let least = Infinity;
        for (const { from, to } of freeOf(RULES, blockedAlong(bearing, obstacles, RULES.width)))
          for (let k = 0; k <= 20; k++) {
            const r = from + ((to - from) * k) / 20;
            for (const o of obstacles)
              least = Math.min(least, distanceTo([r * ux, r * uy], o) - o.clearance - RULES.width / 2);
          }
        expect(least).toBeGreaterThanOrEqual(-1e-9);
        // And nothing more is kept from it: a place beyond every clearance is free.
        const r = RULES.from + ((RULES.to - RULES.from) * bearing) / 359;
        const near = Math.min(
          ...obstacles.map((o) => distanceTo([r * ux, r * uy], o) - o.clearance - RULES.width / 2),
        );
        const free = freeOf(RULES, blockedAlong(bearing, obstacles, RULES.width));
        if (near > 1e-6) expect(free.some((f) => f.from <= r && r <= f.to)).toBe(true);
      },
    ),
    { numRuns: share(10_000) },
  );
});

/** The trench as it is dug: a rectangle about its middle line. */
const dugOut = ({ bearing, from, to }: { bearing: number; from: number; to: number }): [number, number][] => {
  const [ux, uy] = along(bearing);
  const half = RULES.width / 2;
  const corner = (r: number, side: number): [number, number] => [
    r * ux + side * half * uy,
    r * uy - side * half * ux,
  ];
  return [corner(from, -1), corner(to, -1), corner(to, 1), corner(from, 1)];
};

test('clearances and areas of whole layouts, measured by general-purpose geometry libraries', () => {
  fc.assert(
    fc.property(fc.array(obstacle, { minLength: 1, maxLength: 3 }), (obstacles) => {
      const { spokes, length } = layOut(RULES, { obstacles });
      const trenches = spokes.map(dugOut);
      for (const trench of trenches)
        for (const { points, shape, clearance } of obstacles) {
          const edges = points.flatMap((a, i) => {
            const b = points[i + 1] ?? (shape === 'area' ? points[0]! : undefined);
            return b ? [Flatten.segment(...a, ...b)] : [];
          });
          const rectangle = new Flatten.Polygon(trench);
          const nearest = Math.min(...edges.map((edge) => rectangle.distanceTo(edge)[0]));
          expect(nearest).toBeGreaterThanOrEqual(clearance - 1e-6);
        }
      const areaOf = (ring: readonly (readonly number[])[]) =>
        Math.abs(
          ring.reduce((sum, [x, y], i) => {
            const [nx, ny] = ring[(i + 1) % ring.length]!;
            return sum + x! * ny! - nx! * y!;
          }, 0) / 2,
        );
      const [first, ...others] = trenches.map((t): [[number, number][]] => [t]);
      const union = first ? polygonClipping.union(first, ...others) : [];
      const area = union.reduce((sum, [ring]) => sum + areaOf(ring!), 0);
      expect(area).toBeCloseTo(length * RULES.width, 6);
    }),
    { numRuns: 20 },
  );
});

test('a zone that ends nearer on one side: radial trenches end there, and only its soil counts', () => {
  const edge = (bearing: number) => (Math.floor(bearing) % 360 < 180 ? 2.5 : 4);
  const { spokes, tight } = layOut(RULES, { obstacles: [], edge });
  for (const s of spokes) expect(s.to).toBeLessThanOrEqual(edge(s.bearing) + 1e-9);
  expect(tight).toBeCloseTo((Math.PI * (2.5 ** 2 - 1.5 ** 2)) / 2 + (Math.PI * (4 ** 2 - 1.5 ** 2)) / 2, 6);
  expect(spokes.some((s) => s.bearing < 180) && spokes.some((s) => s.bearing >= 180)).toBe(true);
});

const patchy = (x: number, y: number) => (Math.sin(2 * x) + Math.cos(3 * y) > 0 ? 1 : 0);
/** Only these bearings may be dug. */
const only = (bearings: readonly number[], site: LayoutSite): LayoutSite => ({
  ...site,
  refused: (b) => (bearings.includes(b) ? site.refused?.(b) : 'not asked for'),
});

/** Soil within reach of any spoke, each place once: counted in small cells, apart from the sums the layout uses. */
function counted(
  rules: LayoutRules,
  spokes: readonly { bearing: number; from: number; to: number }[],
  tight: NonNullable<LayoutSite['tight']>,
) {
  let sum = 0;
  const half = rules.opened + rules.width / 2;
  for (let inner = rules.from; inner < rules.to - 1e-9; inner += 0.1) {
    const r = inner + 0.05;
    for (let d = 0; d < 3600; d++) {
      const angle = ((d + 0.5) * Math.PI) / 1800;
      const middle = ((Math.floor(d / 10) + 0.5) * Math.PI) / 180;
      const by = spokes.some(
        (s) =>
          r > s.from &&
          r < s.to &&
          Math.cos(angle - (s.bearing * Math.PI) / 180) > 0 &&
          r * Math.abs(Math.sin(angle - (s.bearing * Math.PI) / 180)) <= half,
      );
      if (by) sum += (tight(r * Math.sin(middle), r * Math.cos(middle)) * r * 0.1 * Math.PI) / 1800;
    }
  }
  return sum;
}

test('soil opened is that within reach of a trench, each place once', () => {
  for (const tight of [() => 1, patchy]) {
    const { spokes, opened } = layOut(RULES, { obstacles: [], tight });
    expect(spokes.length).toBeGreaterThan(8);
    expect(opened / counted(RULES, spokes, tight)).toBeCloseTo(1, 2);
  }
});

const value = (layout: ReturnType<typeof layOut>, rules: LayoutRules) =>
  layout.opened - rules.leastGain * layout.spokes.length;

test('the layout is the best of all there are: every choice of up to eight bearings tried', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.integer({ min: 0, max: 359 }), { minLength: 3, maxLength: 8 }),
      fc.array(obstacle, { maxLength: 2 }),
      fc.boolean(),
      fc.integer({ min: 0, max: 2 }),
      (bearings, obstacles, even, locks) => {
        const site = only(bearings, { obstacles, tight: even ? undefined : patchy });
        const locked = bearings.slice(0, locks);
        const found = layOut(RULES, site, locked);
        const kept = found.spokes.filter((s) => s.locked).map((s) => s.bearing);
        let best = kept.length > 0 ? -Infinity : 0;
        for (let bits = 1; bits < 1 << bearings.length; bits++) {
          const some = bearings.filter((_, i) => bits & (1 << i));
          if (!kept.every((k) => some.includes(k))) continue;
          // All locked: the layout only judges them.
          const tried = layOut(RULES, only(some, site), some);
          if (tried.refused.length === 0) best = Math.max(best, value(tried, RULES));
        }
        expect(value(found, RULES)).toBeCloseTo(best, 6);
      },
    ),
    { numRuns: 15 },
  );
});

test('a mixed-integer solver finds no better layout among 60 bearings', async () => {
  const solver = await highs();
  const obstacles: Obstacle[] = [
    {
      name: 'wall',
      shape: 'line',
      points: [
        [-5, 2.5],
        [5, 3],
      ],
      clearance: 0.5,
    },
  ];
  const tight = patchy;
  const bearings = Array.from({ length: 60 }, (_, i) => 6 * i);
  const rules = { ...RULES, outerSpacing: 0.9 };
  const site = only(bearings, { obstacles, tight });
  const alone = new Map<number, number>();
  for (const b of bearings) {
    const one = layOut(rules, only([b], site), [b]);
    if (one.spokes.length === 1) alone.set(b, one.opened);
  }
  const open = [...alone.keys()];
  const pairs: string[] = [];
  const rows: string[] = [];
  for (const [i, a] of open.entries()) {
    // Farther apart they neither share soil nor stand too close.
    for (const b of open.slice(i + 1).filter((b) => Math.min(b - a, 360 + a - b) <= 45)) {
      const two = layOut(rules, only([a, b], site), [a, b]);
      if (two.spokes.length < 2) rows.push(`x${a} + x${b} <= 1`);
      else {
        const lost = alone.get(a)! + alone.get(b)! - two.opened;
        if (lost < 1e-9) continue;
        pairs.push(`- ${lost.toFixed(9)} y${a}_${b}`);
        rows.push(`x${a} + x${b} - y${a}_${b} <= 1`);
      }
    }
  }
  const problem = [
    'Maximize',
    `obj: ${open.map((b) => `+ ${(alone.get(b)! - rules.leastGain).toFixed(9)} x${b}`).join(' ')} ${pairs.join(' ')}`,
    'Subject To',
    ...rows.map((row, i) => `c${i}: ${row}`),
    'Binary',
    open.map((b) => `x${b}`).join(' '),
    'End',
  ].join('\n');
  const solved = solver.solve(problem);
  expect(solved.Status).toBe('Optimal');
  expect(value(layOut(rules, site), rules)).toBeCloseTo(solved.ObjectiveValue, 4);
});

test('turning the site turns the layout', () => {
  const site = (turn: number): LayoutSite => ({
    obstacles: [
      {
        name: 'gas',
        shape: 'line',
        points: [40, 100].map((b) => along(b + turn).map((v) => 3 * v) as [number, number]),
        clearance: 0.6,
      },
    ],
  });
  const [a, b] = [layOut(RULES, site(0)), layOut(RULES, site(37))];
  expect(b.opened).toBeCloseTo(a.opened, 6);
  expect(b.length).toBeCloseTo(a.length, 6);
});

test('an obstacle over the tree leaves no bearing; bad zones are refused by value', () => {
  const over: Obstacle = {
    name: 'slab',
    shape: 'area',
    points: [
      [-9, -9],
      [9, -9],
      [9, 9],
      [-9, 9],
    ],
    clearance: 0,
  };
  const none = layOut(RULES, { obstacles: [over] }, [45]);
  expect(none).toMatchObject({ spokes: [], free: 0, refused: [{ bearing: 45, why: 'no room beside slab' }] });
  expect(() => layOut({ ...RULES, to: 1 }, { obstacles: [] })).toThrow('1.5 m and end at 1 m');
});

test('a bearing taken out stays out and the rest close up; a locked one stays', () => {
  const full = layOut(RULES, { obstacles: [] });
  const [first] = full.spokes;
  const without = layOut(RULES, { obstacles: [] }, [], [first!.bearing]);
  expect(without.spokes.every((s) => Math.abs(s.bearing - first!.bearing) > 5)).toBe(true);
  const locked = layOut(RULES, { obstacles: [] }, [12.5]);
  expect(locked.spokes.filter((s) => s.locked).map((s) => s.bearing)).toEqual([12.5]);
  expect(locked.spokes.length).toBe(full.spokes.length);
});
