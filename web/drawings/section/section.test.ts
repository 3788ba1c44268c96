import fc from 'fast-check';
import type { GradeProfile, ProbePoint } from '@undrel/core/records';
import { profileOf, sectionOf } from '@undrel/core/profile';
import { scaleBar } from '../scaleBar';
import { hatch, spaced, type Point } from '../shapes';
import { sectionDrawing } from './index';

const profiles = (height: number, fill: number): GradeProfile[] =>
  [0, 90, 180, 270].map((bearing) => ({
    bearing,
    mulch: [{ distance: 0, depth: height }],
    mulchEnds: 0.9,
    fill: [{ distance: 0, depth: fill }],
  }));
const probes = (depth: number): ProbePoint[] =>
  [0, 90, 180, 270].map((bearing) => ({ bearing, distance: 0.1, depth, found: 'root', from: 'grade' }));

function draw(height: number, depth: number, width: number, tall: number) {
  const profile = profileOf(
    { label: 'T', species: 'x', stemDiameter: 0.3 },
    {
      date: '2026-01-01',
      findings: [],
      profiles: profiles(height, 0.1),
      probes: probes(depth),
      decisions: [],
    },
  );
  return sectionDrawing({
    section: sectionOf(profile, 90),
    profile,
    work: {},
    when: 'before',
    width,
    height: tall,
    system: 'metric',
    compact: false,
    cornerTaken: true,
  });
}

const areaOf = (drawing: ReturnType<typeof draw>, tone: string) =>
  drawing.shapes.flatMap((s) => (s.as === 'area' && s.tone === tone ? [s.points] : []));
const extent = (points: readonly Point[], axis: 0 | 1) =>
  Math.max(...points.map((p) => p[axis])) - Math.min(...points.map((p) => p[axis]));

test('one scale across and down, in any size: a mulch profile 90 by 30 is drawn 3 to 1', () => {
  fc.assert(
    fc.property(fc.integer({ min: 300, max: 1600 }), fc.integer({ min: 250, max: 1200 }), (width, tall) => {
      const [mulch] = areaOf(draw(0.3, 0.2, width, tall), 'mulch');
      return Math.abs(extent(mulch!, 0) / extent(mulch!, 1) - 3) < 0.02;
    }),
  );
});

test('nothing measured is drawn outside the picture', () => {
  const drawing = draw(0.3, 0.5, 640, 700);
  for (const tone of ['mulch', 'buried', 'root', 'sheet']) {
    for (const points of areaOf(drawing, tone)) {
      for (const [x, y] of points)
        expect([tone, x >= -1 && x <= 641 && y >= -1 && y <= 701]).toEqual([tone, true]);
    }
  }
});

test('buried bark reaches from the collar to the top of the mulch', () => {
  const drawing = draw(0.3, 0.2, 640, 700);
  const [mulch] = areaOf(drawing, 'mulch');
  const [bark] = areaOf(drawing, 'buried');
  // 0.30 m of mulch and 0.18 m of the 0.20 m below grade, on the scale of the mulch.
  expect(extent(bark!, 1) / extent(mulch!, 1)).toBeCloseTo(0.48 / 0.3, 1);
});

test('labels keep their distance and their order', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ min: 0, max: 600, noNaN: true }), { maxLength: 12 }), (ys) => {
      const placed = spaced(
        ys.map((y) => ({ y })),
        18,
        700,
      ).map((l) => l.y);
      return (
        placed.every((y, i) => i === 0 || y - placed[i - 1]! >= 18 - 1e-9) && placed.every((y) => y <= 700)
      );
    }),
  );
});

test('hatch strokes stay within their area', () => {
  const triangle: Point[] = [
    [0, 0],
    [200, 20],
    [60, 180],
  ];
  const strokes = hatch(triangle, 10, [6, 2]);
  expect(strokes.length).toBeGreaterThan(50);
  const leftOf = ([x, y]: Point) =>
    triangle.map(([x1, y1], i) => {
      const [x2, y2] = triangle[(i + 1) % 3]!;
      return (x2 - x1) * (y - y1) - (y2 - y1) * (x - x1);
    });
  expect(strokes.flat().every((p) => leftOf(p).every((side) => side >= -1e-9))).toBe(true);
});

test('the scale bar is as long as it says', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 800, noNaN: true }),
      fc.constantFrom('metric' as const, 'us' as const),
      (perMetre, system) => {
        const { length, label } = scaleBar(perMetre, system, 160);
        const [, figure, unit] = /^([\d.]+) (cm|m|ft)$/.exec(label)!;
        const metres = Number(figure) * { cm: 0.01, m: 1, ft: 0.3048 }[unit as 'cm' | 'm' | 'ft'];
        return Math.abs(length - metres * perMetre) < 1e-6 * perMetre;
      },
    ),
  );
});
