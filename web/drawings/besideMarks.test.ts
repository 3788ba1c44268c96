import fc from 'fast-check';
import { besideMarks } from './besideMarks';

const SIZE = { width: 440, height: 300 };
const [R, LINE] = [7, 18];

test('three on a line: no label meets another, nor a mark', () => {
  const marks = [
    [44, 150],
    [340, 150],
    [400, 150],
  ] as const;
  const widths = [140, 170, 150];
  const at = besideMarks(marks, widths, SIZE, R, LINE);
  const boxes = at.map(({ x, y }, i) => ({ l: x, r: x + widths[i]!, t: y - LINE / 2, b: y + LINE / 2 }));
  boxes.forEach((a, i) => {
    expect([a.l >= 0, a.r <= SIZE.width]).toEqual([true, true]);
    boxes.forEach((b, k) => i < k && expect(a.r <= b.l || b.r <= a.l || a.b <= b.t || b.b <= a.t).toBe(true));
    marks.forEach(([x, y]) =>
      expect(a.l >= x + R || a.r <= x - R || a.t >= y + R || a.b <= y - R).toBe(true),
    );
  });
});

test('wherever marks lie, every label has a place, and a lone one stays within the drawing', () => {
  const mark = fc.tuple(fc.integer({ min: 44, max: 396 }), fc.integer({ min: 44, max: 256 }));
  fc.assert(
    fc.property(
      fc.array(mark, { minLength: 1, maxLength: 12 }),
      fc.integer({ min: 20, max: 200 }),
      (marks, width) => {
        const at = besideMarks(
          marks,
          marks.map(() => width),
          SIZE,
          R,
          LINE,
        );
        expect(at.every(({ x, y }) => Number.isFinite(x) && Number.isFinite(y))).toBe(true);
        if (marks.length === 1) expect(at[0]!.x >= 0 && at[0]!.x + width <= SIZE.width).toBe(true);
      },
    ),
  );
});
