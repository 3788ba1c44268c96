import fc from 'fast-check';
import { pictureMarks } from './pictureMarks';

const at = fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }));

test('marks have the proportions of their picture, each line on a light one, and no number that is none', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 30_000 }),
      fc.integer({ min: 1, max: 30_000 }),
      fc.array(
        fc.record({
          kind: fc.constantFrom('arrow' as const, 'circle' as const, 'length' as const),
          from: at,
          to: at,
        }),
        { maxLength: 6 },
      ),
      (width, height, marks) => {
        const drawing = pictureMarks({ width, height, marks });
        expect(Math.max(drawing.width, drawing.height)).toBeCloseTo(1000, 6);
        expect(drawing.width / drawing.height).toBeCloseTo(width / height, 6);
        const lines = drawing.shapes.flatMap((s) => (s.as === 'line' ? [s] : []));
        expect(lines.filter((l) => l.tone === 'paper')).toHaveLength(lines.length / 2);
        for (const { points } of lines) for (const p of points) expect(p.every(Number.isFinite)).toBe(true);
      },
    ),
  );
});

test('an arrow ends where it points, a circle has its middle where it was begun, a length both ends', () => {
  const lines = (kind: 'arrow' | 'circle' | 'length') =>
    pictureMarks({
      width: 2000,
      height: 1000,
      marks: [{ kind, from: [0.25, 0.5], to: [0.5, 0.5], text: 'A' }],
    }).shapes.flatMap((s) => (s.as === 'line' && s.tone === 'harm' ? [s.points] : []));
  expect(lines('arrow')[0]).toEqual([
    [250, 250],
    [500, 250],
  ]);
  expect(lines('arrow')[1]![1]).toEqual([500, 250]);
  for (const [x, y] of lines('circle')[0]!) expect(Math.hypot(x - 250, y - 250)).toBeCloseTo(250, 6);
  expect(lines('length')).toHaveLength(3);
  expect(lines('length')[1]!.map((p) => p[0])).toEqual([250, 250]);
});
