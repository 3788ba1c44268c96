import fc from 'fast-check';
import type { DugRoot } from '../records';
import { bearingGap } from '../geometry';
import { barkBefore, keptOnPlan, radiiThrough, stillTouched } from './bark';
import { outlineOf, planPoint } from './outline';
import { placed } from './path';

const round = outlineOf({}, 0, 0.15);
const before = (turn = 0) => barkBefore({ stemDiameter: 0.3 }, { north: 'magnetic', declination: turn });
const ellipse = outlineOf({ diameters: { bearing: 30, along: 0.4, across: 0.3 } }, 0, undefined);

test('an outline goes through every place of the bark that was touched, whichever way the compass points', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.integer({ min: 0, max: 359 }), { minLength: 1, maxLength: 40 }),
      fc.integer({ min: -20, max: 20 }),
      (bearings, turn) => {
        const places = bearings.map((b) => planPoint(b, ellipse.radius(b)));
        const radii = radiiThrough(places, before(turn));
        const through = outlineOf({ radii }, turn, undefined);
        for (const b of bearings)
          expect(Math.abs(through.radius(b) - ellipse.radius(b))).toBeLessThan(0.0011);
        expect(radii.length).toBeLessThanOrEqual(72);
        expect([...radii].sort((a, b) => a.bearing - b.bearing)).toEqual(radii);
        expect(stillTouched(places, radii, before(turn))).toEqual(places);
      },
    ),
  );
});

test('where no bark was touched, the stem stays as it was measured', () => {
  const places = [80, 90, 100].map((b) => planPoint(b, 0.2));
  const through = outlineOf({ radii: radiiThrough(places, before()) }, 0, undefined);
  for (let b = 0; b < 360; b++) {
    const away = Math.min(...[80, 90, 100].map((t) => bearingGap(b, t)));
    if (away >= 35) expect(through.radius(b)).toBeCloseTo(0.15, 9);
  }
  expect(through.radius(95)).toBeGreaterThan(0.199);
});

test('touched all round every ten degrees, the girth is that of the stem within half a percent', () => {
  const places = Array.from({ length: 36 }, (_, i) => planPoint(10 * i, ellipse.radius(10 * i)));
  const through = outlineOf({ radii: radiiThrough(places, before()) }, 0, undefined);
  expect(Math.abs(through.circumference / ellipse.circumference - 1)).toBeLessThan(0.005);
});

test('of two touches at one bearing the later holds, and one that was undone does not come back', () => {
  const [first, second] = [planPoint(45, 0.17), planPoint(45, 0.19)];
  const radii = radiiThrough([first, second], before());
  expect(radii.filter((r) => r.bearing === 45)).toEqual([{ bearing: 45, radius: 0.19 }]);
  expect(stillTouched([first, second], radii, before())).toEqual([second]);
  expect(stillTouched([first, second], undefined, before())).toEqual([]);
});

test('a stem that was never measured has the touches alone', () => {
  const radii = radiiThrough([planPoint(90, 0.2), planPoint(10, 0.18)], barkBefore({}, { north: 'true' }));
  expect(radii).toEqual([
    { bearing: 10, radius: 0.18 },
    { bearing: 90, radius: 0.2 },
  ]);
});

test('bark touched on a buttress that was measured is not counted twice', () => {
  const dig = {
    measuredFrom: 'bark' as const,
    north: 'true' as const,
    buttresses: [{ bearing: 90, reach: 0.06, width: 0.12 }],
  };
  const radii = radiiThrough([planPoint(90, 0.23)], barkBefore({ stemDiameter: 0.3 }, dig));
  expect(radii.find((r) => r.bearing === 90)!.radius).toBeCloseTo(0.17, 6);
  expect(outlineOf({ ...dig, radii }, 0, undefined).radius(90)).toBeCloseTo(0.23, 6);
});

test('a traced root stays where it lies when the bark is drawn anew', () => {
  const root: DugRoot = {
    label: 'A',
    kind: 'girdling',
    start: 'outside',
    points: [40, 80, 120].map((bearing) => ({ bearing, distance: 0.05, depth: 0.1, diameter: 0.03 })),
  };
  const frame = { dig: { measuredFrom: 'bark' as const }, turn: 7, outline: round };
  const after = { ...frame, outline: ellipse };
  const moved = keptOnPlan(root, frame, after);
  const at = (r: DugRoot, f: typeof frame) => placed(f.dig, f.turn, f.outline, r);
  at(root, frame).forEach(({ x, y }, i) => {
    const now = at(moved, after)[i]!;
    expect(Math.hypot(now.x - x, now.y - y)).toBeLessThan(0.001);
  });
});
