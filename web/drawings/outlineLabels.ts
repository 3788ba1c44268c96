/** The name of an outline on a plan: where its middle stands, and whether it is set upright. */
export interface OutlineLabel {
  x: number;
  y: number;
  upright: boolean;
  /** Where it stands away from its line: the place on the line that it names. */
  of?: { x: number; y: number };
}

interface Named {
  /** Drawing units. */
  points: readonly (readonly [number, number])[];
  shape: 'area' | 'line';
  name?: string | undefined;
}

/** A box that a label keeps clear of. */
export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

const LINE = 15;
/** How far from its line a name stands, in lines of text: close to it, or where marks crowd it away, tied to it by a stroke. */
const BESIDE = [-0.75, 0.85];
const AWAY = [-2.2, 2.2, -3.4, 3.4];
/** Parts of a line's run at which its name may stand. */
const ALONG = [0.5, 0.25, 0.75, 0.12, 0.88];

const meets = (a: Box, b: Box): boolean =>
  Math.abs(a.x - b.x) * 2 < a.width + b.width && Math.abs(a.y - b.y) * 2 < a.height + b.height;

/**
 * Where names of outlines stand: in the middle of an area, upright where it is too narrow for them, beneath or above it where
 * it is too small for them either way; over or under a line, at the part of its run where they meet the fewest marks and
 * names, and further away where marks crowd it.
 *
 * @param letter width of a letter, drawing units
 * @param taken boxes by their middle, of marks with their labels
 */
export function outlineLabels(
  outlines: readonly Named[],
  letter: number,
  taken: readonly Box[],
): (OutlineLabel | undefined)[] {
  const boxes = [...taken];
  return outlines.map(({ points, shape, name }) => {
    if (!name || points.length === 0) return undefined;
    const width = name.length * letter + 8;
    const xs = points.map((p) => p[0]);
    const ys = points.map((p) => p[1]);
    const [left, right] = [Math.min(...xs), Math.max(...xs)];
    const [top, bottom] = [Math.min(...ys), Math.max(...ys)];
    const count = (box: Box) => boxes.filter((other) => meets(box, other)).length;
    if (shape === 'area') {
      const upright = right - left < width && bottom - top > right - left;
      const at = { x: (left + right) / 2, y: (top + bottom) / 2 };
      if (Math.max(right - left, bottom - top) >= width) {
        boxes.push({ ...at, width: upright ? LINE : width, height: upright ? width : LINE });
        return { ...at, upright };
      }
      // Too small for its name either way: it stands beneath or above, within the plan.
      const most = Math.max(...outlines.flatMap((o) => o.points.map((p) => p[0])));
      const x = Math.min(at.x, most - width / 2);
      const tries = [bottom + 0.8 * LINE, top - 0.8 * LINE].map((y) => ({ x, y, width, height: LINE }));
      const best = tries.reduce((one, other) => (count(other) < count(one) ? other : one));
      boxes.push(best);
      return { x, y: best.y, upright: false };
    }
    const [a, b] = [points[0]!, points.at(-1)!];
    const places = [
      ...ALONG.flatMap((t) => BESIDE.map((off) => [t, off] as const)),
      ...AWAY.flatMap((off) => ALONG.map((t) => [t, off] as const)),
    ];
    const tries = places.map(([t, off]) => {
      const of = { x: a[0] + t * (b[0] - a[0]), y: a[1] + t * (b[1] - a[1]) };
      return { of, away: AWAY.includes(off), x: of.x, y: of.y + off * LINE, width, height: LINE };
    });
    const best = tries.reduce((one, other) => (count(other) < count(one) ? other : one));
    boxes.push(best);
    return { x: best.x, y: best.y, upright: false, ...(best.away && { of: best.of }) };
  });
}
