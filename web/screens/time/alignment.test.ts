import fc from 'fast-check';
import type { Point } from '@undrel/core/photogrammetry';
import { alignedBy } from './alignment';

const FOUR: Point[] = [
  [0.1, 0.1],
  [0.9, 0.2],
  [0.8, 0.9],
  [0.2, 0.8],
];

/** Where a transform of a style sheet takes a place: columns of four, and the division by the last. */
function drawn(matrix: string, [x, y]: Point): Point {
  const m = matrix.slice('matrix3d('.length, -1).split(',').map(Number);
  const w = m[3]! * x + m[7]! * y + m[15]!;
  return [(m[0]! * x + m[4]! * y + m[12]!) / w, (m[1]! * x + m[5]! * y + m[13]!) / w];
}

test('each of four places is drawn where the other picture has it, whatever the sizes; three on a line are refused', () => {
  const off = fc.double({ min: -0.06, max: 0.06, noNaN: true });
  const size = fc.record({
    width: fc.integer({ min: 200, max: 900 }),
    height: fc.integer({ min: 200, max: 900 }),
  });
  fc.assert(
    fc.property(fc.array(off, { minLength: 8, maxLength: 8 }), size, size, (moved, own, frame) => {
      const to = FOUR.map(([x, y], i): Point => [x + moved[2 * i]!, y + moved[2 * i + 1]!]);
      const matrix = alignedBy(FOUR, to, own, frame)!;
      FOUR.forEach(([x, y], i) => {
        const [px, py] = drawn(matrix, [x * own.width, y * own.height]);
        expect(Math.abs(px - to[i]![0] * frame.width)).toBeLessThan(0.01);
        expect(Math.abs(py - to[i]![1] * frame.height)).toBeLessThan(0.01);
      });
    }),
  );
  const line: Point[] = [
    [0, 0],
    [0.5, 0.5],
    [1, 1],
    [0, 1],
  ];
  expect(alignedBy(line, FOUR, { width: 9, height: 9 }, { width: 9, height: 9 })).toBeUndefined();
});
