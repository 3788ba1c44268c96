import fc from 'fast-check';
import type { Dig } from '../records';
import { mayClose } from '../growth/closing';
import { readDig } from './reading';
import { shareOf, unionOf } from './arcs';
import { clearanceTo, compressionOf, leavesBase, nearestBark, togetherOf } from './compression';
import { bearingOf, outlineOf, planPoint, type Outline } from './outline';
import { pathThrough, pieceFor, type RootPath } from './path';
import { girdledShare, rootShare } from './quantities';
import { formatQuantity } from '../units';
import { assess } from '../assessment';
import { round } from '../../tests/digs';

const exactly = { tolerance: 0, underside: Infinity };
const touching = { tolerance: 0.002, underside: Infinity };

const polar = (...points: [bearing: number, distance: number, diameter: number][]): RootPath =>
  pathThrough(
    points.map(([bearing, distance, diameter]) => {
      const [x, y] = planPoint(bearing, distance);
      return { x, y, depth: 0.1, radius: diameter / 2 };
    }),
  );
const line = (y: number, from: number, to: number, radius: number): RootPath =>
  pathThrough([from, (from + to) / 2, to].map((x) => ({ x, y, depth: 0.1, radius })));

const share = (path: RootPath, outline: Outline, rule = exactly) =>
  compressionOf(path, 0, outline, rule).share;
/** Each check is held to this: 0.1 % of the circumference. */
const TENTH = 0.001;

describe('compressed arcs, exact cases (shared geometry: arccos(a/R))', () => {
  test('a straight root beside a round stem', () => {
    for (const ratio of [0.9, 0.95, 0.99, 0.5]) {
      const [stem, thick] = [0.2, 0.03];
      const found = compressionOf(line(ratio * stem + thick, -1, 1, thick), 0, round(stem), exactly);
      expect(Math.abs(found.share - Math.acos(ratio) / Math.PI)).toBeLessThan(TENTH);
    }
    const [arc] = compressionOf(line(0.9 * 0.2 + 0.03, -1, 1, 0.03), 0, round(0.2), exactly).arcs;
    // 25.84 degrees each side, 14.4 % of the circumference: the figures of the published check.
    expect((arc!.to - arc!.from) / 2).toBeCloseTo(25.84, 1);
    expect(Math.round(1000 * share(line(0.9 * 0.2 + 0.03, -1, 1, 0.03), round(0.2)))).toBe(144);
  });

  test('a root beside the bark presses nowhere; touching is told within the tolerance', () => {
    expect(share(line(0.2 + 0.03 + 0.001, -1, 1, 0.03), round(0.2))).toBe(0);
    expect(
      share(line(0.2 + 0.03 + 0.001, -1, 1, 0.03), round(0.2), { tolerance: 0.002, underside: Infinity }),
    ).toBeCloseTo(Math.acos(0.2 / (0.2 + 0.001)) / Math.PI, 2);
  });

  test('a concentric circling root presses over its own length and its round ends', () => {
    const [stem, thick] = [0.15, 0.02];
    const bearings = Array.from({ length: 13 }, (_, i) => i * 15);
    const path = polar(
      ...bearings.map((b): [number, number, number] => [b, stem + thick - 0.001, 2 * thick]),
    );
    // The end of the root is a disk: the line to the bark passes within its radius a little beyond the last point.
    const beyond = [...Array(20000).keys()]
      .map((k) => k / 2000)
      .filter((deg) => {
        const a = (deg * Math.PI) / 180;
        return Math.hypot(stem * Math.sin(a), stem * Math.cos(a) - (stem + thick - 0.001)) <= thick;
      })
      .pop()!;
    expect(Math.abs(share(path, round(stem)) - (180 + 2 * beyond) / 360)).toBeLessThan(TENTH);
  });

  test('two overlapping roots count once', () => {
    const a = compressionOf(line(0.9 * 0.2 + 0.03, -1, 1, 0.03), 0, round(0.2), exactly);
    const turned = pathThrough(
      [-1, 0, 1].map((t) => {
        const [s, c] = [Math.sin(0.3), Math.cos(0.3)];
        const y = 0.9 * 0.2 + 0.03;
        return { x: t * c + y * s, y: y * c - t * s, depth: 0.25, radius: 0.03 };
      }),
    );
    const b = compressionOf(turned, 0, round(0.2), exactly);
    const half = Math.acos(0.9);
    const both = togetherOf([a, b], round(0.2));
    expect(Math.abs(both.share - (2 * half + 0.3) / (2 * Math.PI))).toBeLessThan(TENTH);
    // Each lies in its own layer of depth.
    expect(both.byLayer[1]).toBeCloseTo(half / Math.PI, 2);
    expect(both.byLayer[2]).toBeCloseTo(half / Math.PI, 2);
    expect(both.byLayer[0]).toBe(0);
  });

  test('an oval stem: by arc length, not by angle', () => {
    const [along, across] = [0.3, 0.15];
    const oval = outlineOf({ diameters: { bearing: 0, along: 2 * along, across: 2 * across } }, 0, undefined);
    const edge = 0.2;
    const path = line(edge + 0.02, -1, 1, 0.02);
    // y >= edge on the ellipse y = along cos t, x = across sin t: a Simpson sum of its arc length.
    const end = Math.acos(edge / along);
    const speed = (t: number) => Math.hypot(along * Math.sin(t), across * Math.cos(t));
    const arcLength = (a: number, b: number) => {
      const n = 4000;
      let sum = speed(a) + speed(b);
      for (let i = 1; i < n; i++) sum += speed(a + ((b - a) * i) / n) * (i % 2 ? 4 : 2);
      return ((b - a) / n / 3) * sum;
    };
    const exact = arcLength(-end, end) / arcLength(0, 2 * Math.PI);
    expect(Math.abs(share(path, oval) - exact)).toBeLessThan(TENTH);
    expect(oval.circumference).toBeCloseTo(arcLength(0, 2 * Math.PI), 4);
  });
});

test('a root that passes under the stem presses on nothing', () => {
  const deep = pathThrough([-1, 0, 1].map((x) => ({ x, y: 0, depth: 0.6, radius: 0.03 })));
  expect(share(deep, round(0.2), { tolerance: 0, underside: 0.4 })).toBe(0);
  expect(share(deep, round(0.2), { tolerance: 0, underside: 0.7 })).toBeGreaterThan(0.05);
});

test('an anchor does not press on the stem it grows from; one that turns and hugs the bark does', () => {
  const anchor = polar([90, 0.2, 0.08], [90, 0.5, 0.06], [95, 1, 0.04]);
  const counted = leavesBase(anchor, true, round(0.2));
  expect(compressionOf(anchor, counted, round(0.2), exactly).share).toBe(0);
  const hugging = polar(
    [0, 0.21, 0.04],
    [30, 0.22, 0.04],
    [60, 0.22, 0.04],
    [90, 0.22, 0.04],
    [120, 0.22, 0.04],
  );
  const from = leavesBase(hugging, true, round(0.2));
  expect(hugging.along[from]).toBeGreaterThanOrEqual(0.08);
  const found = compressionOf(hugging, from, round(0.2), { tolerance: 0.002, underside: Infinity });
  expect(found.share).toBeGreaterThan(0.2);
  expect(found.share).toBeLessThan(0.33);
});

test('the centreline is straight through collinear points and round through points of a circle', () => {
  const straight = pathThrough(
    [0, 0.1, 0.35, 0.5].map((x) => ({ x, y: 2 * x, depth: 0.1 + x, radius: 0.02 })),
  );
  for (let i = 0; i < straight.x.length; i++) expect(straight.y[i]).toBeCloseTo(2 * straight.x[i]!, 9);
  const circle = polar(...[0, 30, 60, 90, 120, 150].map((b): [number, number, number] => [b, 0.3, 0.04]));
  for (let i = 0; i < circle.x.length; i++)
    expect(Math.abs(Math.hypot(circle.x[i]!, circle.y[i]!) - 0.3)).toBeLessThan(0.002);
});

test('clearance is from the root’s edge to the bark', () => {
  const found = clearanceTo(line(0.3, -1, 1, 0.03), 0, round(0.2))!;
  expect(found.clearance).toBeCloseTo(0.07, 4);
  const oval = outlineOf({ diameters: { bearing: 0, along: 0.6, across: 0.3 } }, 0, undefined);
  // From a point beside an oval the nearest bark is not straight in towards the centre.
  const beside = pathThrough([{ x: 0.3, y: 0.2, depth: 0, radius: 0.01 }]);
  const brute = Math.min(
    ...Array.from({ length: 3600 }, (_, i) => {
      const t = (i * Math.PI) / 1800;
      return Math.hypot(0.3 - 0.15 * Math.sin(t), 0.2 - 0.3 * Math.cos(t));
    }),
  );
  expect(clearanceTo(beside, 0, oval)!.clearance).toBeCloseTo(brute - 0.01, 3);
});

describe('what must hold of any dig', () => {
  const bearing = fc.double({ min: 0, max: 359.9, noNaN: true });
  const root = fc
    .record({
      at: bearing,
      turn: fc.double({ min: -200, max: 200, noNaN: true }),
      gap: fc.double({ min: -0.01, max: 0.06, noNaN: true }),
      end: fc.double({ min: 0, max: 0.5, noNaN: true }),
      diameter: fc.double({ min: 0.01, max: 0.12, noNaN: true }),
    })
    .map((r) =>
      Array.from({ length: 6 }, (_, i) => {
        const t = i / 5;
        return {
          bearing: r.at + r.turn * t,
          distance: 0.2 + r.gap + r.diameter / 2 + r.end * t * t,
          radius: r.diameter / 2,
        };
      }),
    );
  const build = (
    points: { bearing: number; distance: number; radius: number }[],
    turn = 0,
    size = 1,
    flip = 1,
  ) =>
    pathThrough(
      points.map((p) => {
        const [x, y] = planPoint(flip * p.bearing + turn, p.distance * size);
        return { x, y, depth: 0.1, radius: p.radius * size };
      }),
      // As a dig is read: round a thin stem in shorter pieces.
      pieceFor(0.2 * size),
    );
  const oval = (turn: number, size: number) =>
    outlineOf({ diameters: { bearing: turn, along: 0.42 * size, across: 0.38 * size } }, 0, undefined);

  const grazing = Array.from({ length: 6 }, (_, i) => ({
    bearing: 29.925438960025083 * i,
    distance: 0.21263480927506143,
    radius: 0.01263480927506141,
  }));

  test('turning, mirroring and scaling leave shares unchanged', () => {
    fc.assert(
      fc.property(root, bearing, fc.double({ min: 0.4, max: 3, noNaN: true }), (points, turn, size) => {
        const rule = { tolerance: 0, underside: Infinity };
        const plain = share(build(points), oval(0, 1), rule);
        const turned = share(build(points, turn), oval(turn, 1), rule);
        const mirrored = share(build(points, 0, 1, -1), oval(0, 1), rule);
        const scaled = share(build(points, 0, size), oval(0, size), rule);
        return [turned, mirrored, scaled].every((s) => Math.abs(s - plain) < 0.002);
      }),
      // The edge of this root runs along the bark for a third of the way round: a little more or less of curve tells.
      { numRuns: 50, examples: [[grazing, 0, 0.4]] },
    );
  });

  test('another root never lowers the union, nor lifts it by more than its own', () => {
    fc.assert(
      fc.property(fc.array(root, { minLength: 1, maxLength: 6 }), root, (some, more) => {
        const stem = round(0.2);
        const found = some.map((r) => compressionOf(build(r), 0, stem, exactly));
        const extra = compressionOf(build(more), 0, stem, exactly);
        const before = togetherOf(found, stem).share;
        const after = togetherOf([...found, extra], stem).share;
        return after >= before - 1e-9 && after <= before + extra.share + 1e-9;
      }),
      { numRuns: 50 },
    );
  });

  test('the union of arcs is what counting bearings gives', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(bearing, fc.double({ min: 0.5, max: 359, noNaN: true })), { maxLength: 6 }),
        (list) => {
          const arcs = list.map(([from, length]) => ({ from, to: from + length }));
          const n = 36000;
          let inside = 0;
          for (let i = 0; i < n; i++) {
            const at = (i + 0.5) / 100;
            if (arcs.some((a) => (((at - a.from) % 360) + 360) % 360 < a.to - a.from)) inside++;
          }
          return Math.abs(shareOf(unionOf(arcs), round(0.2)) - inside / n) < 0.0005;
        },
      ),
      { numRuns: 60 },
    );
  });
});

test('an anchor that grows straight out of an oval stem presses nowhere, today and in thirty years', () => {
  // Exact: a straight root leaving the stem is only where the stem is not; common practice, no source, that it grows in.
  fc.assert(
    fc.property(
      fc.double({ min: 0.5, max: 1, noNaN: true }),
      fc.double({ min: 0.1, max: 0.5, noNaN: true }),
      fc.integer({ min: 0, max: 359 }),
      fc.double({ min: 0.02, max: 0.25, noNaN: true }),
      (flat, along, bearing, thick) => {
        const outline = outlineOf({ diameters: { bearing: 0, along, across: flat * along } }, 0, undefined);
        const diameter = thick * along;
        const bark = outline.radius(bearing);
        const path = polar(
          [bearing, bark, diameter],
          [bearing, bark + 0.4, diameter],
          [bearing, bark + 1, diameter],
        );
        const from = leavesBase(path, true, outline);
        expect(compressionOf(path, from, outline, { tolerance: 0.002, underside: Infinity }).share).toBe(0);
      },
    ),
  );
});

test('the distance to the bark of an oval is that to an ellipse, to a tenth of a millimetre', () => {
  // Geometry: the nearest point of an ellipse, looked for along it in 200,000 steps.
  fc.assert(
    fc.property(
      fc.double({ min: 0.5, max: 1, noNaN: true }),
      fc.double({ min: 0.1, max: 0.5, noNaN: true }),
      fc.integer({ min: 0, max: 359 }),
      fc.double({ min: 0.0005, max: 0.3, noNaN: true }),
      (flat, along, bearing, off) => {
        const outline = outlineOf({ diameters: { bearing: 0, along, across: flat * along } }, 0, undefined);
        const [x, y] = planPoint(bearing, outline.radius(bearing) + off);
        let least = Infinity;
        for (let i = 0; i < 200_000; i++) {
          const t = (2 * Math.PI * i) / 200_000;
          least = Math.min(
            least,
            Math.hypot(x - (flat * along * Math.sin(t)) / 2, y - (along * Math.cos(t)) / 2),
          );
        }
        expect(Math.abs(nearestBark(x, y, outline) - least)).toBeLessThan(1e-4);
      },
    ),
    { numRuns: 30 },
  );
});

test('a root at the very edge of clear of a flat oval presses nowhere', () => {
  const [flat, along, bearing, thick] = [0.5, 0.48859252928604646, 234, 0.028695022932297705];
  const outline = outlineOf({ diameters: { bearing: 0, along, across: flat * along } }, 0, undefined);
  const bark = outline.radius(bearing);
  const path = polar(
    ...[0, 0.4, 1].map((out): [number, number, number] => [bearing, bark + out, thick * along]),
  );
  expect(compressionOf(path, leavesBase(path, true, outline), outline, touching).share).toBe(0);
});

test('the oval of the book: two diameters 40 and 30 cm, one root of 94 mm at 45°', () => {
  const tree = { stemDiameter: 0.35 };
  const dig: Dig = {
    measuredFrom: 'bark',
    north: 'true',
    diameters: { bearing: 0, along: 0.4, across: 0.3 },
    roots: [
      {
        label: 'A',
        kind: 'structural',
        start: 'stem',
        points: [0, 0.4, 1].map((distance) => ({ bearing: 45, distance, depth: 0.1, diameter: 0.094 })),
      },
    ],
  };
  const reading = readDig(tree, dig);
  expect([reading.share, reading.roots[0]!.compression.share]).toEqual([0, 0]);
  expect(mayClose(reading.roots[0]!)).toBe(false);
});

describe('what lies between the readings', () => {
  const dig = (points: { bearing: number; distance: number }[]): Dig => ({
    measuredFrom: 'centre',
    north: 'true',
    roots: [
      {
        label: 'A',
        kind: 'girdling',
        start: 'outside',
        points: points.map((p) => ({ ...p, depth: 0.1, diameter: 0.02 })),
      },
    ],
  });

  test('round a thin stem the pieces are fine enough: within 0.1% of pieces a tenth as long', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 0.12, noNaN: true }),
        fc.double({ min: 0.1, max: 0.9, noNaN: true }),
        fc.array(fc.double({ min: -0.2, max: 0.6, noNaN: true }), { minLength: 4, maxLength: 6 }),
        (stem, thick, gaps) => {
          const outline = round(stem);
          const radius = (thick * stem) / 2;
          const points = gaps.map((gap, i) => {
            const [x, y] = planPoint(40 * i, stem * (1 + gap) + radius);
            return { x, y, depth: 0.1, radius };
          });
          const usual = share(pathThrough(points, pieceFor(stem)), outline, touching);
          const fine = share(pathThrough(points, pieceFor(stem) / 10), outline, touching);
          expect(Math.abs(usual - fine)).toBeLessThan(TENTH);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('the ± is how far straight lines between the readings have it otherwise, worked out for itself', () => {
    // A chord between two readings on a circle of radius c passes the centre at c cos(half the turn): on one of 60
    // degrees a root whose readings lie 13 mm off the bark comes as near as the bark itself.
    const [stem, off] = [0.1, 0.013];
    const ring = (turn: number) =>
      Array.from({ length: 4 }, (_, i) => ({ bearing: turn * i, distance: stem + off + 0.01 }));
    const wide = readDig({ stemDiameter: 2 * stem }, dig(ring(60)));
    expect(wide.share).toBe(0);
    // Straight: each of three chords presses where it is nearer than R + r, that is within acos(c cos(h) / (R + r + t))
    // of its middle; the ends of the arc on the bark lie on lines from the centre that pass within r of the chord.
    const straight = pathThrough(
      ring(60).map(({ bearing, distance }) => {
        const [x, y] = planPoint(bearing, distance);
        return { x, y, depth: 0.1, radius: 0.01 };
      }),
      0.001,
      'straight',
    );
    const nearest = Math.min(...Array.from(straight.x, (x, i) => Math.hypot(x, straight.y[i]!)));
    expect(nearest).toBeCloseTo((stem + off + 0.01) * Math.cos(Math.PI / 6), 4);
    expect(wide.spread).toBeCloseTo(share(straight, round(stem), touching), 2);
    expect(girdledShare(wide)).toMatchObject({ plusMinus: wide.spread });
    expect(formatQuantity(girdledShare(wide), 'metric')).toMatch(/^0 ± \d+%$/);
    // Twice as many readings leave less open; a straight root leaves nothing open.
    const close = readDig(
      { stemDiameter: 2 * stem },
      dig(Array.from({ length: 7 }, (_, i) => ({ bearing: 30 * i, distance: stem + off + 0.01 }))),
    );
    expect(close.spread).toBeLessThan(wide.spread / 3);
    const past = readDig(
      { stemDiameter: 2 * stem },
      dig([-45, 0, 45].map((b) => ({ bearing: b, distance: 0.11 / Math.cos((b * Math.PI) / 180) }))),
    );
    expect(past.share).toBeGreaterThan(0.02);
    expect(past.spread).toBeCloseTo(0, 9);
    expect(girdledShare(past)).not.toHaveProperty('plusMinus');
  });

  test('what several roots leave open adds up as of independent readings', () => {
    const one = dig([0, 60, 120, 180].map((bearing) => ({ bearing, distance: 0.13 })));
    const both: Dig = {
      ...one,
      roots: [
        one.roots[0]!,
        {
          ...one.roots[0]!,
          label: 'B',
          points: one.roots[0]!.points.map((p) => ({ ...p, bearing: p.bearing + 180 })),
        },
      ],
    };
    const [a, b] = readDig({ stemDiameter: 0.22 }, both).roots;
    expect(readDig({ stemDiameter: 0.22 }, both).spread).toBeCloseTo(Math.hypot(a!.spread, b!.spread), 12);
    expect(a!.spread).toBeGreaterThan(0.01);
    expect(rootShare(a!).plusMinus).toBe(a!.spread);
  });

  test('of two digs with one share the verdict is less sure by the one with fewer readings', () => {
    const tree = { label: 'T', species: 'Tilia cordata', stemDiameter: 0.22 };
    const sparse = dig([0, 60, 120, 180].map((bearing) => ({ bearing, distance: 0.13 })));
    const { path } = readDig(tree, sparse).roots[0]!;
    const dense = dig(
      Array.from(path.x, (x, i) => ({
        bearing: bearingOf(x, path.y[i]!),
        distance: Math.hypot(x, path.y[i]!),
      })),
    );
    const told = (given: Dig) => {
      const visit = { date: '2026-05-01', findings: [], profiles: [], probes: [], decisions: [], dig: given };
      const { share, spread } = readDig(tree, given);
      const girdled = assess(tree, [], visit).verdict.evidence.find((e) => e.key === 'dig.girdled')!;
      return { share, spread, agrees: girdled.agrees };
    };
    const [few, many] = [told(sparse), told(dense)];
    expect(Math.abs(few.share - many.share)).toBeLessThan(0.005);
    expect(few.spread).toBeGreaterThan(many.spread + 0.01);
    expect(Math.max(...few.agrees)).toBeLessThan(Math.max(...many.agrees) - 0.001);
  });
});
