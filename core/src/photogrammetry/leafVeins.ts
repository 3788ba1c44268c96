import type { Point } from './homography';

/** A leaf has its main vein near its longer axis: it is looked for so far aside, m, and turned by so much, degrees. Judgement. */
const [ASIDE, TURNED] = [0.003, 6];
/** How far from the vein the blade is looked at, as a share of half the width of the leaf, and steps along it, m. Judgement. */
const [BLADE, STEP] = [0.45, 0.001];
/** The ends of a leaf are left out: there vein and blade run together. Share of half its length. Judgement. */
const MIDDLE = 0.6;

/** A leaf as it lies on the sheet: its middle, along its longer axis, half its length and half its width, m. */
interface Lie {
  middle: Point;
  along: Point;
  long: number;
  wide: number;
}

/** How a leaf lies, by the moments of the places it covers. */
function lieOf(places: readonly Point[]): Lie {
  const n = places.length;
  const middle: Point = [places.reduce((s, p) => s + p[0], 0) / n, places.reduce((s, p) => s + p[1], 0) / n];
  let [xx, xy, yy] = [0, 0, 0];
  for (const [x, y] of places) {
    xx += (x - middle[0]) ** 2;
    xy += (x - middle[0]) * (y - middle[1]);
    yy += (y - middle[1]) ** 2;
  }
  const angle = 0.5 * Math.atan2(2 * xy, xx - yy);
  const along: Point = [Math.cos(angle), Math.sin(angle)];
  const reach = (axis: Point) =>
    Math.max(...places.map(([x, y]) => Math.abs((x - middle[0]) * axis[0] + (y - middle[1]) * axis[1])));
  return { middle, along, long: reach(along), wide: reach([-along[1], along[0]]) };
}

const turnedBy = ([x, y]: Point, degrees: number): Point => {
  const a = (degrees * Math.PI) / 180;
  return [x * Math.cos(a) - y * Math.sin(a), x * Math.sin(a) + y * Math.cos(a)];
};

/**
 * By how much the main vein of a leaf has another index than the blade on both sides of it: more where veins stay green and
 * the blade pales, less where the vein is the paler of the two, as in most sound leaves.
 *
 * @param places that the leaf covers on the sheet, m
 * @param indexAt dark green colour index at a place; undefined outside the picture
 * @returns undefined where too little of it is in view
 */
export function veinContrast(
  places: readonly Point[],
  indexAt: (x: number, y: number) => number | undefined,
): number | undefined {
  const { middle, along, long, wide } = lieOf(places);
  const half = MIDDLE * long;
  const lineAt = (axis: Point, off: number): number | undefined => {
    let [sum, count] = [0, 0];
    for (let t = -half; t <= half; t += STEP) {
      const index = indexAt(middle[0] + t * axis[0] - off * axis[1], middle[1] + t * axis[1] + off * axis[0]);
      if (index === undefined) continue;
      sum += index;
      count++;
    }
    return count > 4 ? sum / count : undefined;
  };
  let found: number | undefined;
  for (let turn = -TURNED; turn <= TURNED; turn += 3) {
    const axis = turnedBy(along, turn);
    for (let off = -ASIDE; off <= ASIDE; off += STEP) {
      const vein = lineAt(axis, off);
      const [left, right] = [lineAt(axis, off - BLADE * wide), lineAt(axis, off + BLADE * wide)];
      if (vein === undefined || left === undefined || right === undefined) continue;
      const differs = vein - (left + right) / 2;
      if (found === undefined || Math.abs(differs) > Math.abs(found)) found = differs;
    }
  }
  return found;
}
