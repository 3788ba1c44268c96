import fc from 'fast-check';
import { shareOf, unionOf } from './arcs';
import { clearanceTo, compressionOf, leavesBase, togetherOf } from './compression';
import { DIRECTIONS, outlineFrom, outlineOf, planPoint, type Outline } from './outline';
import { pathThrough, placed, type RootPath } from './path';
import { addPoint, insertPoint, joinRoots, nextLabel, readingAt, snapToBark, splitRoot } from './edits';
import { structuralRootZone } from './zones';
import { digToGeoJson, digToRows, rootsFromGeoJson, rootsFromRows, CSV_COLUMNS } from './exchange';
import { readDig } from './reading';
import { dugSection, rootOvals } from './section';
import { circleThrough, potOutgrown, squareThrough } from './pot';
import type { Dig, DugRoot } from '../casefile/dig';

const round = (radius: number): Outline => outlineFrom(() => radius, 'radii');
const exactly = { tolerance: 0, underside: Infinity };

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
    );
  const oval = (turn: number, size: number) =>
    outlineOf({ diameters: { bearing: turn, along: 0.42 * size, across: 0.38 * size } }, 0, undefined);

  test('turning, mirroring and scaling leave shares unchanged', () => {
    fc.assert(
      fc.property(root, bearing, fc.double({ min: 0.4, max: 3, noNaN: true }), (points, turn, size) => {
        const rule = { tolerance: 0, underside: Infinity };
        const plain = share(build(points), oval(0, 1), rule);
        const turned = share(build(points, turn), oval(turn, 1), rule);
        const mirrored = share(build(points, 0, 1, -1), oval(0, 1), rule);
        const scaled = share(build(points, 0, size), oval(0, size), rule);
        return [turned, mirrored, scaled].every((s) => Math.abs(s - plain) < 0.004);
      }),
      { numRuns: 50 },
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

const dug = (
  label: string,
  points: [number, number, number, number][],
  more: Partial<DugRoot> = {},
): DugRoot => ({
  label,
  kind: 'structural',
  start: 'stem',
  points: points.map(([bearing, distance, depth, diameter]) => ({ bearing, distance, depth, diameter })),
  ...more,
});
const digOf = (roots: DugRoot[], more: Partial<Dig> = {}): Dig => ({
  measuredFrom: 'centre',
  north: 'true',
  roots,
  ...more,
});
const anchors = [0, 80, 170, 260].map((b, i) =>
  dug(`D${i + 1}`, [
    [b, 0.16, 0.12, 0.08],
    [b, 0.6, 0.18, 0.06],
    [b, 1.1, 0.25, 0.04],
  ]),
);

describe('reading a dig', () => {
  test('cross-sections, anchors and gaps', () => {
    const reading = readDig({ stemDiameter: 0.3 }, digOf(anchors));
    expect(reading.share).toBe(0);
    expect(reading.roots.map((r) => r.shareOfArea)).toEqual([0.25, 0.25, 0.25, 0.25]);
    expect(reading.anchorage.sectorsWithout).toEqual([1, 3, 5, 7]);
    expect(reading.anchorage.largestGap).toMatchObject({ from: 260, to: 0, degrees: 100 });
    const rotten = anchors.map((r, i) => (i === 1 ? { ...r, condition: 'decayed' as const } : r));
    expect(readDig({ stemDiameter: 0.3 }, digOf(rotten)).anchorage).toMatchObject({
      sound: 3,
      largestGap: { from: 0, to: 170, degrees: 170 },
    });
  });

  test('over and under by depth, or as it was seen; pressing where the tubes meet', () => {
    const across = dug(
      'X',
      [
        [40, 0.4, 0.08, 0.04],
        [0, 0.3, 0.09, 0.04],
        [320, 0.4, 0.08, 0.04],
      ],
      { kind: 'root on root', start: 'outside' },
    );
    const one = readDig({ stemDiameter: 0.3 }, digOf([...anchors, across]));
    const [crossing] = one.crossings;
    expect(one.crossings).toHaveLength(1);
    expect(one.roots[crossing!.over]!.root.label).toBe('X');
    expect(crossing!.y).toBeCloseTo(0.3, 2);
    expect(crossing!.angle).toBeGreaterThan(75);
    // The top of the anchor there lies near 14 cm, the underside of X at 13 cm: a centimetre apart.
    expect(one.pressings[0]).toMatchObject({ length: 0 });
    expect(one.pressings[0]!.gap).toBeCloseTo(0.01, 2);
    const said = readDig(
      { stemDiameter: 0.3 },
      digOf([{ ...anchors[0]!, over: ['X'] }, ...anchors.slice(1), across]),
    );
    expect(said.roots[said.crossings[0]!.over]!.root.label).toBe('D1');
    const thick = { ...across, points: across.points.map((p) => ({ ...p, diameter: 0.07 })) };
    const pressed = readDig({ stemDiameter: 0.3 }, digOf([...anchors, thick])).pressings[0]!;
    expect(pressed.gap).toBeLessThan(0);
    expect(pressed.length).toBeGreaterThan(0.02);
  });

  test('the section meets a root as an oval, stretched where it runs aslant', () => {
    const reading = readDig(
      { stemDiameter: 0.3 },
      digOf([
        dug(
          'S',
          [
            [60, 0.4, 0.1, 0.04],
            [90, 0.35, 0.1, 0.04],
            [120, 0.4, 0.1, 0.04],
          ],
          { start: 'outside' },
        ),
      ]),
    );
    const [oval] = rootOvals(reading, 90);
    expect(oval).toMatchObject({ label: 'S', halfHeight: 0.02 });
    expect(oval!.x).toBeCloseTo(0.35, 3);
    expect(oval!.z).toBeCloseTo(-0.12, 3);
    expect(oval!.halfWidth).toBeCloseTo(0.02, 3);
    expect(rootOvals(reading, 270)[0]!.x).toBeCloseTo(-0.35, 3);
    expect(rootOvals(reading, 75)[0]!.halfWidth).toBeGreaterThan(0.0202);
  });

  test('an anchor that runs along the plane is seen from the side', () => {
    const reading = readDig({ stemDiameter: 0.3 }, digOf(anchors));
    const { along, ovals } = dugSection(reading, 5);
    expect(along.map((r) => r.label)).toEqual(['D1', 'D3']);
    expect(ovals.map((o) => o.label)).not.toContain('D1');
    const [first, last] = [along[0]!.points[0]!, along[0]!.points.at(-1)!];
    expect(first.top).toBeCloseTo(-0.12, 6);
    expect(first.bottom).toBeCloseTo(-0.2, 6);
    expect(last.x).toBeCloseTo(1.1 * Math.cos((5 * Math.PI) / 180), 3);
    expect(along[1]!.points.at(-1)!.x).toBeLessThan(-1);
  });

  test('declination turns everything, the tape frame moves it', () => {
    const far = (dig: Dig) => {
      const { path } = readDig({ stemDiameter: 0.3 }, dig).roots[0]!;
      return [path.x[0]!, path.y[0]!];
    };
    const one = digOf([dug('A', [[350, 0.3, 0.1, 0.02]])], { north: 'magnetic', declination: 10 });
    expect(far(one)[0]).toBeCloseTo(0, 9);
    expect(far({ ...one, measuredFrom: 'bark' })[1]).toBeCloseTo(0.45, 9);
    expect(readDig({ stemDiameter: 0.3 }, { ...one, declination: undefined }).problems[0]!.message).toContain(
      'declination is missing',
    );
  });
});

describe('the old pot', () => {
  test('a circle and a turned square come back from points of theirs', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.1, max: 0.1, noNaN: true }),
        fc.double({ min: 0.08, max: 0.4, noNaN: true }),
        fc.integer({ min: 0, max: 89 }),
        (x, half, turned) => {
          const bearings = [5, 40, 85, 130, 160, 210, 250, 300, 340];
          const circle = circleThrough(
            bearings.map((b) => [x + half * Math.sin(b), 0.02 + half * Math.cos(b)]),
          )!;
          const angle = (turned * Math.PI) / 180;
          const square = squareThrough(
            Array.from({ length: 24 }, (_, i) => {
              const side = Math.floor(i / 6);
              const along = half * (((i % 6) + 0.5) / 3 - 1);
              const [u, v] = [
                [half, along],
                [-half, along],
                [along, half],
                [along, -half],
              ][side]!;
              return [
                x + u! * Math.cos(angle) + v! * Math.sin(angle),
                v! * Math.cos(angle) - u! * Math.sin(angle),
              ] as [number, number];
            }),
          )!;
          return (
            Math.hypot(circle.x - x, circle.y - 0.02, circle.r - half) < 1e-6 &&
            Math.hypot(square.x - x, square.y, square.half - half) < 1e-3 &&
            square.residual < 1e-4
          );
        },
      ),
      { numRuns: 40 },
    );
  });

  test('circling roots tell the pot, and who never left it', () => {
    const ring = (label: string, from: number) =>
      dug(
        label,
        Array.from({ length: 6 }, (_, i): [number, number, number, number] => [
          (from + 25 * i) % 360,
          0.18,
          0.1,
          0.02,
        ]),
        { kind: 'circling', start: 'outside' },
      );
    const { pot } = readDig(
      { stemDiameter: 0.1 },
      digOf([{ ...ring('C1', 0), start: 'stem' }, ring('C2', 140), ...anchors.slice(0, 1)]),
    );
    expect(pot).toMatchObject({ shape: 'round', never: ['C1'] });
    expect(pot!.half).toBeCloseTo(0.18, 3);
    expect(pot!.left).toEqual([{ label: 'D1', farthest: expect.closeTo(1.1, 3) }]);
    // The oldest root at the wall dates it, whatever the year of planting; a root outside does not.
    const counted = (count: number) => ({ rings: { count, over: 0.01 } });
    const roots = [
      { ...ring('C1', 0), ...counted(9) },
      { ...ring('C2', 140), ...counted(12) },
      { ...anchors[0]!, ...counted(30) },
    ];
    expect(potOutgrown(pot!, roots, 2026, 2016)).toEqual({ year: 2014, from: 'rings', root: 'C2' });
    expect(potOutgrown(pot!, [ring('C1', 0)], 2026, 2016)).toEqual({ year: 2016, from: 'planting' });
    expect(potOutgrown(pot!, [ring('C1', 0)], 2026, undefined)).toBeUndefined();
  });
});

describe('bad input', () => {
  const told = (roots: DugRoot[], more: Partial<Dig> = {}) =>
    readDig({ stemDiameter: 0.3 }, digOf(roots, more)).problems.map((p) => p.message);

  test('each fault is named, and the rest is computed', () => {
    expect(
      told([
        dug(
          'A',
          [
            [0, 0.05, 0.1, 0.02],
            [10, 0.3, 0.1, 0.02],
          ],
          { start: 'outside' },
        ),
      ])[0],
    ).toContain('inside the stem');
    expect(
      told([
        dug('A', [
          [0, 0.2, 0.1, 0.02],
          [0, 0.6, 0.1, 0.02],
          [0, 0.4, 0.1, 0.02],
        ]),
      ])[0],
    ).toContain('turns back by 180°');
    expect(
      told(
        [
          dug('A', [
            [0, 0.2, 0.1, 0.02],
            [0, 1.6, 0.1, 0.02],
          ]),
        ],
        { pitRadius: 1 },
      )[0],
    ).toContain('outside the pit');
    expect(told([anchors[0]!, { ...anchors[0]!, label: 'E' }])[0]).toContain('same line as root D1');
    expect(told([anchors[0]!, { ...anchors[1]!, label: 'D1' }])[0]).toContain('Two roots have this label');
    expect(told([dug('A', [[0, 0.2, 0.1, 0.02]])])[0]).toContain('Only one point');
    expect(
      told([], {
        radii: [0, 10, 90, 180].map((bearing, i) => ({ bearing, radius: i === 1 ? 0.4 : 0.15 })),
      })[0],
    ).toContain('is one of them a diameter');
  });

  test('300 roots are read, with a word', () => {
    const many = Array.from({ length: 300 }, (_, i) =>
      dug(`R${i}`, [
        [i * 1.2, 0.2, 0.1, 0.01],
        [i * 1.2, 0.25, 0.1, 0.01],
      ]),
    );
    const reading = readDig({ stemDiameter: 0.3 }, digOf(many));
    expect(reading.roots).toHaveLength(300);
    expect(reading.problems.some((p) => p.message.startsWith('300 roots'))).toBe(true);
  });
});

test('the structural root zone is the published one', () => {
  // AS 4970:2009 (from memory): worked values to 1 cm.
  for (const [diameter, radius] of [
    [0.2, 1.68],
    [0.3, 2],
    [0.5, 2.47],
    [0.8, 3.01],
    [1, 3.31],
  ] as const)
    expect(structuralRootZone(diameter)).toBeCloseTo(radius, 2);
  expect(structuralRootZone(0.05)).toBe(1.5);
});

describe('drawing on the plan', () => {
  const frame = { dig: { measuredFrom: 'bark' as const }, turn: 7, outline: round(0.2) };
  const one = dug('A', [
    [0, 0.03, 0.1, 0.04],
    [30, 0.03, 0.2, 0.02],
    [60, 0.2, 0.2, 0.02],
  ]);
  const at = (root: DugRoot) => placed(frame.dig, frame.turn, frame.outline, root);

  test('a place becomes the reading that leads back to it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: 0.25, max: 1, noNaN: true }),
        (x, y) => {
          const [there] = at(addPoint(dug('N', []), readingAt(frame, x, y)));
          return Math.hypot(there!.x - x, there!.y - y) < 0.003;
        },
      ),
    );
  });

  test('insert, snap, split and join', () => {
    const middle = at(one)[0]!;
    const next = at(one)[1]!;
    const added = insertPoint(one, frame, (middle.x + next.x) / 2, (middle.y + next.y) / 2);
    expect(added.index).toBe(1);
    expect(added.root.points[1]).toMatchObject({ depth: 0.15, diameter: 0.03 });
    expect(snapToBark(one, 2, frame).points[2]!.distance).toBe(0.01);
    const [first, second] = splitRoot(one, 1, 'B')!;
    expect(second).toMatchObject({ label: 'B', start: 'root', from: 'A' });
    expect(joinRoots(first, second, frame).points).toEqual(one.points);
    expect(joinRoots(first, { ...second, points: [...second.points].reverse() }, frame).points).toEqual(
      one.points,
    );
    expect(splitRoot(one, 0, 'B')).toBeUndefined();
    expect(nextLabel(['A', 'C'])).toBe('B');
  });
});

describe('exchange', () => {
  const dig = digOf(
    [
      dug(
        'A',
        [
          [350, 0.02, 0.1, 0.04],
          [20, 0.3, 0.15, 0.03],
        ],
        { kind: 'girdling', start: 'outside', contact: 'pressing' },
      ),
      dug('B', [[100, 0, 0.1, 0.06]]),
    ],
    { measuredFrom: 'bark', north: 'magnetic', declination: 12 },
  );
  const reading = readDig({ stemDiameter: 0.3 }, dig);
  const rows = digToRows(dig).map((row) =>
    Object.fromEntries(CSV_COLUMNS.map((name, i) => [name as string, String(row[i])])),
  );
  const bare = (roots: DugRoot[]) =>
    roots.map(({ label, kind, start, contact, points }) => ({ label, kind, start, contact, points }));

  test('GeoJSON in local metres and a table of points come back as they went', () => {
    const out = JSON.stringify(digToGeoJson(dig, reading));
    expect(JSON.parse(out).frame.axes).toContain('y north');
    const back = rootsFromGeoJson(out, dig, reading);
    expect(back.notes).toEqual([]);
    for (const [i, root] of back.roots.entries()) {
      expect({ ...root, points: [] }).toMatchObject({ ...bare(dig.roots)[i]!, points: [] });
      root.points.forEach((p, k) => {
        const was = dig.roots[i]!.points[k]!;
        expect(p.bearing).toBeCloseTo(was.bearing, 0);
        expect(p.distance).toBeCloseTo(was.distance, 3);
        expect([p.depth, p.diameter]).toEqual([was.depth, was.diameter]);
      });
    }
    expect(bare(rootsFromRows(rows).roots)).toEqual(bare(dig.roots));
  });

  test('the outline of the stem comes along where the dig has none, and roots stand off that outline', () => {
    const oval = { ...dig, diameters: { bearing: 40, along: 0.4, across: 0.28 } };
    const read = readDig({ stemDiameter: 0.3 }, oval);
    const out = JSON.stringify(digToGeoJson(oval, read));
    const back = rootsFromGeoJson(out, { ...dig, roots: [] }, reading);
    const again = readDig({ stemDiameter: 0.3 }, { ...dig, radii: back.radii!, roots: back.roots });
    for (let d = 0; d < DIRECTIONS; d += 40)
      expect(Math.abs(again.outline.radii[d]! - read.outline.radii[d]!)).toBeLessThan(0.001);
    expect(back.roots[0]!.points[0]!.distance).toBeCloseTo(0.02, 2);
    expect(rootsFromGeoJson(out, oval, read)).toMatchObject({
      notes: [expect.stringContaining('this dig has one')],
    });
    const aside = JSON.parse(out);
    for (const corner of aside.features[0].geometry.coordinates[0]) corner[0] += 1;
    const told = rootsFromGeoJson(JSON.stringify(aside), dig, reading);
    expect(told.radii).toBeUndefined();
    expect(told.notes[0]).toContain('Feature 1: the stem reaches 0 m at');
  });

  test('what cannot be is named by place and value, the rest is kept', () => {
    const odd = rootsFromRows([
      { ...rows[0]!, kind: 'tap' },
      { ...rows[1]!, 'diameter (m)': '0.0004' },
      { ...rows[1]!, 'bearing (deg)': '400' },
      rows[2]!,
    ]);
    expect(odd.roots.map((r) => [r.label, r.kind, r.points.length])).toEqual([
      ['A', 'girdling', 1],
      ['B', 'structural', 1],
    ]);
    expect(odd.notes).toEqual([
      expect.stringContaining('Row 2: kind "tap" is not known'),
      expect.stringContaining('Row 3: Root diameter: 0.0004; allowed 0.001 to 0.8 m'),
      expect.stringContaining('Row 4: Bearing: 400; allowed 0 to 360'),
    ]);
    const out = JSON.stringify(digToGeoJson(dig, reading));
    expect(rootsFromGeoJson(out.slice(0, 300), dig, reading).notes[0]).toContain('cut off');
    expect(rootsFromGeoJson('{"type":"Feature"}', dig, reading).notes).toEqual(['The file has no features.']);
    const far = {
      features: [
        {
          properties: {},
          geometry: {
            type: 'LineString',
            coordinates: [
              [10.1, 50],
              [0.5, 0],
            ],
          },
        },
      ],
    };
    expect(rootsFromGeoJson(JSON.stringify(far), dig, reading)).toMatchObject({
      roots: [{ points: [{ depth: 0.1 }] }],
      notes: [expect.stringContaining('not within 8 m'), expect.stringContaining('kind absent')],
    });
  });
});
