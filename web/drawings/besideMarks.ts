/** Where a label stands by its mark, from its middle left edge, drawing units. */
export interface Beside {
  x: number;
  y: number;
}

interface Box {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

const apart = (a: Box, b: Box): boolean =>
  a.right <= b.left || b.right <= a.left || a.bottom <= b.top || b.bottom <= a.top;

/**
 * Places labels beside their marks, each to the right, the left, above or below, where it meets no mark and no label
 * placed before, and stays within the drawing. One that finds no such place stands where it meets the fewest.
 *
 * @param marks centres, drawing units
 * @param widths of the labels, drawing units
 * @param r radius of a mark
 * @param height of a line of text
 */
export function besideMarks(
  marks: readonly (readonly [number, number])[],
  widths: readonly number[],
  size: { width: number; height: number },
  r: number,
  height: number,
): Beside[] {
  const boxOf = ({ x, y }: Beside, width: number): Box => ({
    left: x,
    right: x + width,
    top: y - height / 2,
    bottom: y + height / 2,
  });
  const taken: Box[] = marks.map(([x, y]) => ({ left: x - r, right: x + r, top: y - r, bottom: y + r }));
  return marks.map(([x, y], i) => {
    const width = widths[i]!;
    const gap = r + 5;
    const within = (left: number) => Math.max(2, Math.min(size.width - width - 2, left));
    const tries: Beside[] = [
      { x: x + gap, y },
      { x: x - gap - width, y },
      ...[1, 2, 3].flatMap((line) => [
        { x: within(x - width / 2), y: y - r - (line - 0.4) * height },
        { x: within(x - width / 2), y: y + r + (line - 0.4) * height },
      ]),
    ];
    const meets = (at: Beside): number => {
      const box = boxOf(at, width);
      const outside = box.left < 0 || box.right > size.width || box.top < 0 || box.bottom > size.height;
      return taken.filter((b) => !apart(b, box)).length + (outside ? 100 : 0);
    };
    const best = tries.reduce((a, b) => (meets(b) < meets(a) ? b : a));
    taken.push(boxOf(best, width));
    return best;
  });
}
