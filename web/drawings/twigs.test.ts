import fc from 'fast-check';
import { twigDrawing, twigsInWords } from './twigs';

const SIZE = { width: 600, height: 700 };

test('years lie between their scars, to scale, the newest at the tip', () => {
  const values = [
    { year: 2023, metres: 0.3 },
    { year: 2024, metres: 0.15 },
    { year: 2025, metres: 0.05 },
  ];
  const { shapes } = twigDrawing([{ name: 'Katsura 14', values }], 'metric', SIZE)!;
  const pieces = shapes.flatMap((s) =>
    s.as === 'area' && s.tone === 'root' && s.points.length === 4 ? [s.points[2]![1] - s.points[0]![1]] : [],
  );
  expect(pieces.length).toBe(3);
  expect(pieces[1]! / pieces[0]!).toBeCloseTo(3, 6);
  expect(pieces[2]! / pieces[0]!).toBeCloseTo(6, 6);
  expect(twigsInWords([{ name: 'Katsura 14', values }], 'metric')).toBe(
    'Katsura 14: 2025 5.0 cm, 2024 15.0 cm, 2023 30.0 cm.',
  );
});

test('two twigs share one scale; whatever was read stays within the drawing, and none is drawn of nothing', () => {
  expect(twigDrawing([{ name: 'x', values: [] }], 'metric', SIZE)).toBeUndefined();
  const value = fc.record({
    year: fc.integer({ min: 2000, max: 2026 }),
    metres: fc.double({ min: 0.001, max: 2, noNaN: true }),
  });
  const twig = fc.uniqueArray(value, { minLength: 1, maxLength: 10, selector: (v) => v.year });
  fc.assert(
    fc.property(twig, twig, (one, two) => {
      const { shapes } = twigDrawing(
        [
          { name: 'a', values: one },
          { name: 'b', values: two },
        ],
        'us',
        SIZE,
      )!;
      for (const s of shapes) {
        const points = s.as === 'text' ? [s.at] : s.as === 'marks' ? s.segments.flat() : s.points;
        for (const [, y] of points) expect(y >= 0 && y <= SIZE.height).toBe(true);
      }
    }),
  );
});
