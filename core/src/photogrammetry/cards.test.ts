import fc from 'fast-check';
import { share } from '../../tests/anyCase';
import { readDig, readingAt } from '../roots';
import type { Dig, DugRoot, Tree } from '../records';
import { seenBy, turnAbout, rayThrough, eyeOf, placeAt, type Camera } from './camera';
import { bodies, CARDS, LEAF_SHEET } from './cards';
import type { Point } from './homography';
import { leastSquares } from './leastSquares';
import { crossedAt, onPlan } from './onPlan';
import { inPlane, inShares, lengthOnPlane, planeOfCards, type CardPlane, type SeenMarker } from './plane';
import { keptOnRays, movedForDepth } from './rays';
import { bestRibbon, ribbonCost, thinned, type RibbonPlace } from './ribbon';
import { lackingFor } from './lacking';
import { pixelOf, placeOf, shownBy } from './warp';

const PICTURE = { width: 4000, height: 3000 };
const double = (min: number, max: number) => fc.double({ min, max, noNaN: true });

/** A camera over the plane z = 0, turned by rotation vectors alone: apart from how the program looks for it. */
const camera: fc.Arbitrary<Camera> = fc
  .record({
    tilt: double(0, 0.65),
    heading: double(-3, 3),
    focal: double(0.55, 1.1),
    bend: double(-0.04, 0.04),
    high: double(0.8, 1.8),
  })
  .map(({ tilt, heading, focal, bend, high }) => {
    // From above: x to the right, y downward, z ahead, which is down.
    const flip = [1, 0, 0, 0, -1, 0, 0, 0, -1];
    const product = (a: readonly number[], b: readonly number[]) =>
      [0, 1, 2].flatMap((r) =>
        [0, 1, 2].map((c) => [0, 1, 2].reduce((sum, k) => sum + a[3 * r + k]! * b[3 * k + c]!, 0)),
      );
    const turn = product(turnAbout([tilt, 0, 0]), product(flip, turnAbout([0, 0, heading])));
    return { focal, bend, turn, shift: [0, 0, high] };
  });

interface Laid {
  id: number;
  at: Point;
  angle: number;
  height?: number;
}

const AROUND: Laid[] = [
  { id: 1, at: [0.3, 0.05], angle: 0.4 },
  { id: 2, at: [-0.1, 0.28], angle: 1.9 },
  { id: 3, at: [-0.28, -0.12], angle: -2.2 },
  { id: 4, at: [0.08, -0.3], angle: 3 },
];

/** Where the corners of cards are in the picture, with an error of each in parts of the longer side. */
function seen(
  c: Camera,
  laid: readonly Laid[],
  off: () => number = () => 0,
  side: number = CARDS.side,
): SeenMarker[] {
  return laid.map(({ id, at, angle, height = 0 }) => {
    const body = bodies(side).find((b) => b.markers.has(id))!;
    const corners = body.markers.get(id)!.map(([x, y]): Point => {
      const place = [
        at[0] + x * Math.cos(angle) - y * Math.sin(angle),
        at[1] + x * Math.sin(angle) + y * Math.cos(angle),
        height,
      ] as const;
      const [u, v] = seenBy(c, place)!;
      return inShares(PICTURE, [u + off(), v + off()]);
    });
    return { id, corners: corners as unknown as SeenMarker['corners'] };
  });
}

const plane = (markers: readonly SeenMarker[], side?: number): CardPlane => {
  const found = planeOfCards(PICTURE, markers, side);
  if ('problem' in found) throw new Error(found.problem);
  return found;
};

const noise = (seed: number, spread: number) => {
  let state = seed;
  const uniform = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return (state + 0.5) / 2 ** 32;
  };
  return () => spread * Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
};

test('a ray goes back to what was seen, whatever the camera and its lens', () => {
  fc.assert(
    fc.property(camera, double(-0.3, 0.3), double(-0.3, 0.3), double(-0.1, 0.2), (c, x, y, z) => {
      const at = seenBy(c, [x, y, z])!;
      const back = placeAt(c, at, z)!;
      expect(Math.hypot(back[0] - x, back[1] - y)).toBeLessThan(1e-6);
      const eye = eyeOf(c);
      const ray = rayThrough(c, at);
      const far = Math.hypot(x - eye[0], y - eye[1], z - eye[2]);
      expect(Math.hypot(eye[0] + far * ray[0] - x, eye[1] + far * ray[1] - y)).toBeLessThan(1e-6);
    }),
    // Right and up by the same: a step that moves both alike moves their sum by nothing.
    {
      examples: [
        [{ focal: 0.55, bend: -0.2, turn: [1, 0, 0, 0, -1, 0, 0, 0, -1], shift: [0, 0, 0.8] }, 0.3, 0.3, 0],
      ],
    },
  );
});

test('four cards anywhere in a plane give back where they lie, whatever the camera', () => {
  fc.assert(
    fc.property(camera, (c) => {
      const found = plane(seen(c, AROUND));
      for (const a of found.cards)
        for (const b of found.cards) {
          const [p, q] = [AROUND[a.id - 1]!.at, AROUND[b.id - 1]!.at];
          const is = Math.hypot(p[0] - q[0], p[1] - q[1]);
          expect(Math.abs(Math.hypot(a.at[0] - b.at[0], a.at[1] - b.at[1]) - is)).toBeLessThan(0.002);
        }
      expect(found.off).toBeUndefined();
    }),
    { numRuns: 20 },
  );
});

test('corners that are off: the interval of a length holds the truth in 85 to 96% of 200 @whole', () => {
  const off = noise(11, 0.35 / 1600);
  const touch = noise(7, 2 / 1600);
  const c: Camera[] = fc.sample(camera, { numRuns: 200, seed: 4 });
  let held = 0;
  for (const [i, one] of c.entries()) {
    const found = plane(seen(one, AROUND, off));
    const [p, q]: Point[] = [
      [0.25 * Math.cos(i), 0.25 * Math.sin(i)],
      [-0.2, 0.1],
    ];
    const at = ([x, y]: Point): Point => {
      const [u, v] = seenBy(one, [x, y, 0])!;
      return inShares(PICTURE, [u + touch(), v + touch()]);
    };
    const read = lengthOnPlane(found, at(p!), at(q!))!;
    if (Math.abs(read.value - Math.hypot(p![0] - q![0], p![1] - q![1])) <= read.plusMinus) held++;
  }
  expect(held / 200).toBeGreaterThanOrEqual(0.85);
  expect(held / 200).toBeLessThanOrEqual(0.96);
});

test('cards that were printed smaller: lengths follow the side that was measured', () => {
  const [c] = fc.sample(camera, { numRuns: 1, seed: 9 });
  const small = seen(c!, AROUND, undefined, 0.076);
  const length = (side?: number) => {
    const [a, b] = ['1', '3'].map((id) => plane(small, side).cards.find((k) => k.id === Number(id))!.at);
    return Math.hypot(a![0] - b![0], a![1] - b![1]);
  };
  const is = Math.hypot(0.58, 0.17);
  expect(length(0.076)).toBeCloseTo(is, 2);
  expect(length() / length(0.076)).toBeCloseTo(80 / 76, 2);
});

test('a card 10 cm above three others is left out and named; without cards, with one twice, it says so', () => {
  const high = AROUND.map((l) => (l.id === 2 ? { ...l, height: 0.1 } : l));
  const off = noise(3, 0.2 / 1600);
  for (const c of fc.sample(camera, { numRuns: share(12), seed: 21 })) {
    const found = plane(seen(c, high, off));
    expect(found.off?.id).toBe(2);
  }
  const [c] = fc.sample(camera, { numRuns: 1, seed: 1 });
  const markers = seen(c!, AROUND);
  expect(planeOfCards(PICTURE, [...markers, markers[1]!])).toEqual({
    problem: expect.stringContaining('Card 2 is there twice') as string,
  });
  expect(planeOfCards(PICTURE, [])).toEqual({
    problem: expect.stringContaining('No card is found') as string,
  });
});

test('whatever corners a file holds, there is a plane or a word on why not, and lengths that are numbers or none', () => {
  const share = double(0, 1);
  const corner = fc.tuple(share, share);
  const marker = fc.record({
    id: fc.constantFrom(1, 2, 3, 4, 11, 12, 13, 14, 200),
    corners: fc.tuple(corner, corner, corner, corner),
  });
  fc.assert(
    fc.property(fc.array(marker, { maxLength: 5 }), corner, corner, (markers, a, b) => {
      const found = planeOfCards(PICTURE, markers);
      if ('problem' in found) return expect(found.problem).toMatch(/\.$/);
      const length = lengthOnPlane(found, a, b);
      if (length) expect(Number.isFinite(length.value) && length.plusMinus >= 0).toBe(true);
    }),
    { numRuns: 60 },
  );
  const same: SeenMarker = {
    id: 1,
    corners: [
      [0.5, 0.5],
      [0.5, 0.5],
      [0.5, 0.5],
      [0.5, 0.5],
    ],
  };
  expect(planeOfCards(PICTURE, [same])).toHaveProperty('problem');
});

test('the sheet for leaves is one stiff body: two of its markers place the other two', () => {
  const [c] = fc.sample(camera, { numRuns: 1, seed: 5 });
  const two = LEAF_SHEET.ids.slice(0, 2).map((id) => ({ id, at: [0, 0] as Point, angle: 0.3 }));
  const found = plane(seen(c!, two));
  const other = seen(c!, [{ id: LEAF_SHEET.ids[2], at: [0, 0], angle: 0.3 }])[0]!.corners[0];
  const body = bodies().find((b) => b.markers.has(LEAF_SHEET.ids[2]))!;
  const [x, y] = body.markers.get(LEAF_SHEET.ids[2])![0]!;
  const [px, py] = inPlane(found, other)!;
  expect(Math.hypot(px - x, py - y)).toBeLessThan(0.01);
});

test('a fit of a line by least squares is that of the normal equations', () => {
  // Points (0, 1), (1, 3), (2, 4), (3, 4) by hand: slope 1, intercept 1.5; sum of squares 1.
  const points: Point[] = [
    [0, 1],
    [1, 3],
    [2, 4],
    [3, 4],
  ];
  const fit = leastSquares(([a, b]) => points.map(([x, y]) => a! + b! * x - y), [0, 0])!;
  expect(fit.at[0]).toBeCloseTo(1.5, 6);
  expect(fit.at[1]).toBeCloseTo(1, 6);
  expect(fit.cost).toBeCloseTo(1, 6);
  // Their covariance, by hand: inverse of [[4, 6], [6, 14]].
  expect(fit.covariance.get(0, 0)).toBeCloseTo(0.7, 4);
  expect(fit.covariance.get(1, 1)).toBeCloseTo(0.2, 4);
});

const TREE: Tree = { species: 'x', label: 'T', stemDiameter: 0.3 } as unknown as Tree;
const DIG: Dig = { measuredFrom: 'bark', north: 'true', roots: [] };

test('a picture is tied to the plan by bark and one bearing: places of the ground come back where they are', () => {
  const { outline } = readDig(TREE, DIG);
  fc.assert(
    fc.property(double(0, 360), double(0, 360), double(0.05, 0.3), (from, towards, level) => {
      // A camera from one side of a stem whose middle is the origin; card 1 lies where its edge points to a bearing.
      const side = (from * Math.PI) / 180;
      const eye = [1.1 * Math.sin(side), 1.1 * Math.cos(side), 1.2] as const;
      const ahead = eye.map((v) => -v / Math.hypot(...eye)) as [number, number, number];
      const right = [ahead[1], -ahead[0], 0].map((v) => v / Math.hypot(ahead[0], ahead[1]));
      const down = [
        ahead[1] * right[2]! - ahead[2] * right[1]!,
        ahead[2] * right[0]! - ahead[0] * right[2]!,
        ahead[0] * right[1]! - ahead[1] * right[0]!,
      ];
      const turn = [...right, ...down, ...ahead];
      const shift = [0, 3, 6].map(
        (k) => -(turn[k]! * eye[0] + turn[k + 1]! * eye[1] + turn[k + 2]! * eye[2]),
      );
      const c: Camera = { focal: 0.75, bend: 0.01, turn, shift: shift as [number, number, number] };
      const angle = (-towards * Math.PI) / 180;
      const laid = AROUND.map((l, i): Laid => {
        const out = side + (i - 1.5) * 0.5;
        return { ...l, at: [0.45 * Math.sin(out), 0.45 * Math.cos(out)], angle: i === 0 ? angle : l.angle };
      });
      const found = plane(seen(c, laid));
      const bark = [-0.8, -0.3, 0, 0.4, 0.8].map((aside): Point => {
        const place = [0.15 * Math.sin(side + aside), 0.15 * Math.cos(side + aside), 0] as const;
        return inShares(PICTURE, seenBy(c, place)!);
      });
      const on = onPlan(found, outline, { bark, towards, level });
      if ('problem' in on) throw new Error(on.problem);
      expect(Math.hypot(on.eye[0] - eye[0], on.eye[1] - eye[1])).toBeLessThan(0.02);
      for (const [x, y, depth] of [
        [0.3, 0.2, level],
        [-0.2, 0.4, level - 0.05],
      ] as const) {
        const at = inShares(PICTURE, seenBy(c, [x, y, level - depth])!);
        const there = on.toPlan(at, depth)!;
        expect(Math.hypot(there[0] - x, there[1] - y)).toBeLessThan(0.008);
        const back = on.toPicture(there, depth)!;
        expect(Math.hypot(back[0] - at[0], back[1] - at[1])).toBeLessThan(1e-6);
      }
    }),
    { numRuns: 25 },
  );
});

test('too few touches of the bark, or touches that lie round no such stem, are refused with what is asked for', () => {
  const { outline } = readDig(TREE, DIG);
  const [c] = fc.sample(camera, { numRuns: 1, seed: 2 });
  const found = plane(seen(c!, AROUND));
  const tie = (bark: Point[]) => {
    const on = onPlan(found, outline, { bark, towards: 0, level: 0.2 });
    return 'problem' in on ? on.problem : 'tied';
  };
  expect(tie([[0.5, 0.5]])).toMatch(/1 places; at least 3/);
  expect(
    tie([
      [0.2, 0.2],
      [0.8, 0.2],
      [0.8, 0.8],
      [0.2, 0.8],
      [0.5, 0.5],
    ]),
  ).toMatch(/off the outline of this stem; at most \S+ is allowed/);
  expect(lackingFor({ found: [], bark: [[0.1, 0.1]] }, false)).toHaveLength(4);
});

test('a round root from the two rays that touch it: place and thickness exact, lying or at a depth', () => {
  fc.assert(
    fc.property(
      double(0.01, 0.05),
      double(-0.4, 0.4),
      double(0.1, 0.4),
      double(0, Math.PI),
      double(0.02, 0.3),
      fc.boolean(),
      (radius, x, y, heading, lift, lies) => {
        const level = 0.3;
        const eye = [0.6, 0.9, 1.2] as const;
        const axis = [Math.cos(heading), Math.sin(heading)] as const;
        const high = lies ? radius : lift + radius;
        // Across the axis, in two numbers: aside of the axis and up. The tangents from the eye to the circle, by hand.
        const aside = [-axis[1], axis[0]] as const;
        const from = [(eye[0] - x) * aside[0] + (eye[1] - y) * aside[1], eye[2] - high] as const;
        const far = Math.hypot(...from);
        const half = Math.asin(radius / far);
        const towards = Math.atan2(-from[1], -from[0]);
        const seenAt = level - 0.04;
        const along = (eye[0] - x) * axis[0] + (eye[1] - y) * axis[1];
        const edges = [-half, half].map((turn): Point => {
          const [s, u] = [Math.cos(towards + turn), Math.sin(towards + turn)];
          const run = (eye[2] - (level - seenAt)) / -u;
          const out = from[0] + run * s;
          // Both edges are read where the crossing lies: drawn from the eye to the height at which they are seen.
          const drawn = along * (1 - (eye[2] - (level - seenAt)) / (eye[2] - high));
          return [x + out * aside[0] + drawn * axis[0], y + out * aside[1] + drawn * axis[1]];
        });
        const top = level - high - radius;
        const read = crossedAt(
          { eye, level },
          [edges[0]!, edges[1]!],
          [axis[0], axis[1]],
          seenAt,
          lies ? undefined : top,
        )!;
        expect(read.diameter).toBeCloseTo(2 * radius, 6);
        expect(read.depth).toBeCloseTo(top, 6);
        expect(Math.abs((read.at[0] - x) * aside[0] + (read.at[1] - y) * aside[1])).toBeLessThan(1e-6);
        expect(Math.abs((read.at[0] - x) * axis[0] + (read.at[1] - y) * axis[1])).toBeLessThan(1e-6);
      },
    ),
  );
});

test('a traced point whose depth is measured later stays on its ray, and back again is where it was', () => {
  const { outline, turn } = readDig(TREE, DIG);
  const from = { eye: [0.9, 0.9, 1.3] as const, level: 0.25 };
  const moved = movedForDepth(from, [0.2, 0.3], 0.25, 0.1);
  // By hand: the eye is 1.3 above the cards; 15 cm higher, a place is 15 parts of 130 nearer to it.
  expect(moved[0]).toBeCloseTo(0.9 - (0.7 * 1.15) / 1.3, 9);
  expect(moved[1]).toBeCloseTo(0.9 - (0.6 * 1.15) / 1.3, 9);
  const frame = { dig: DIG, turn, outline };
  fc.assert(
    fc.property(double(-0.4, 0.4), double(0.2, 0.5), double(0, 0.3), (x, y, depth) => {
      const root: DugRoot = {
        label: 'A',
        kind: 'girdling',
        start: 'stem',
        points: [{ ...readingAt(frame, x, y), depth: 0.2, diameter: 0.03 }],
      };
      const deeper = keptOnRays(root, { ...root, points: [{ ...root.points[0]!, depth }] }, frame, from);
      const back = keptOnRays(
        deeper,
        { ...deeper, points: [{ ...deeper.points[0]!, depth: 0.2 }] },
        frame,
        from,
      );
      expect(back.points[0]!.distance).toBeCloseTo(root.points[0]!.distance, 2);
      expect(Math.abs(((back.points[0]!.bearing - root.points[0]!.bearing + 540) % 360) - 180)).toBeLessThan(
        0.6,
      );
    }),
  );
});

test('places and pixels of the plan undo each other; a place is shown by the picture from its side', () => {
  const square = { x: 0.2, y: -0.1, half: 0.8, scale: 700 };
  fc.assert(
    fc.property(double(-1, 1), double(-1, 1), (x, y) => {
      const [px, py] = placeOf(square, pixelOf(square, [x, y]));
      expect(px).toBeCloseTo(x, 9);
      expect(py).toBeCloseTo(y, 9);
    }),
  );
  const views = [0, 120, 240].map((bearing) => ({
    bearing,
    eye: [Math.sin((bearing * Math.PI) / 180), Math.cos((bearing * Math.PI) / 180), 1] as const,
  }));
  expect(shownBy(views, [0.1, 0.4])?.bearing).toBe(0);
  expect(shownBy(views, [0.4, -0.3])?.bearing).toBe(120);
  expect(shownBy(views, [-0.2, 0.1])?.bearing).toBe(240);
  expect(shownBy([], [0, 1])).toBeUndefined();
});

test('a line is thinned to its corners, and every point left out is as near as was asked', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(double(-1, 1), double(-1, 1)), { minLength: 2, maxLength: 30 }),
      (points) => {
        const all = points.map((at) => ({ at }));
        const kept = thinned(all, 0.05);
        expect(kept[0]).toBe(all[0]);
        expect(kept.at(-1)).toBe(all.at(-1));
        for (const { at } of all) {
          const near = kept.slice(1).map((b, i) => {
            const a = kept[i]!.at;
            const length = Math.hypot(b.at[0] - a[0], b.at[1] - a[1]) || 1e-9;
            return Math.abs((b.at[0] - a[0]) * (at[1] - a[1]) - (b.at[1] - a[1]) * (at[0] - a[0])) / length;
          });
          expect(Math.min(...near)).toBeLessThanOrEqual(0.05 + 1e-9);
        }
      },
    ),
  );
});

test('the ribbon found is the best of all that may be, tried one by one', () => {
  const room = { crossings: 3, sway: 2, least: 1, most: 2 };
  const states: RibbonPlace[] = [-2, -1, 0, 1, 2].flatMap((aside) => [1, 2].map((half) => ({ aside, half })));
  fc.assert(
    fc.property(fc.array(double(0, 2), { minLength: 30, maxLength: 30 }), (gains) => {
      const gain = (k: number, { aside, half }: RibbonPlace) => gains[10 * k + 2 * (aside + 2) + half - 1]!;
      const worth = (ribbon: readonly RibbonPlace[]) =>
        ribbon.reduce((sum, place, k) => sum + gain(k, place), 0) - ribbonCost(ribbon);
      const holds = ({ aside, half }: RibbonPlace) => Math.abs(aside) <= half;
      const near = (a: RibbonPlace, b: RibbonPlace) =>
        Math.abs(a.aside - b.aside) <= 3 && Math.abs(a.half - b.half) <= 1;
      const all = states
        .filter(holds)
        .flatMap((a) =>
          states
            .filter((b) => near(a, b))
            .flatMap((b) => states.filter((c) => holds(c) && near(b, c)).map((c) => worth([a, b, c]))),
        );
      expect(worth(bestRibbon(room, gain))).toBeCloseTo(Math.max(...all), 9);
    }),
  );
});
