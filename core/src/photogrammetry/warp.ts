import type { Place } from './camera';
import type { Point } from './homography';
import type { Raster } from './raster';
import type { PictureOnPlan } from './onPlan';

/** A square of the plan that a picture is laid under: its middle, half its side, and pixels for a metre. */
export interface PlanSquare {
  x: number;
  y: number;
  half: number;
  scale: number;
}

/** Places of a square of the plan by pixel, and back; the row above is the farthest north. */
export const pixelOf = ({ x, y, half, scale }: PlanSquare, [px, py]: Point): Point => [
  (px - x + half) * scale,
  (y + half - py) * scale,
];
export const placeOf = ({ x, y, half, scale }: PlanSquare, [col, row]: Point): Point => [
  x - half + col / scale,
  y + half - row / scale,
];

/** What is to be laid: a picture, and where it lies. */
export interface Laid {
  raster: Raster;
  on: Pick<PictureOnPlan, 'toPicture' | 'eye'>;
}

/**
 * The picture that shows a place of the plan, of several: its camera stood on the side of the stem where the place lies, for
 * the stem hides what is behind it.
 */
export function shownBy<T extends { eye: Place }>(pictures: readonly T[], [x, y]: Point): T | undefined {
  const here = Math.atan2(x, y);
  let [best, least] = [undefined as T | undefined, Infinity];
  for (const picture of pictures) {
    const turn = Math.abs(here - Math.atan2(picture.eye[0], picture.eye[1]));
    const away = Math.min(turn, 2 * Math.PI - turn);
    if (away < least) [best, least] = [picture, away];
  }
  return best;
}

/** Picture places are worked out at every eighth pixel, and between them in straight lines: exact to a tenth of a pixel. */
const KNOT = 8;

/**
 * Pictures seen from straight above, at true scale for what lies at a depth below grade, m. Where several show the same ground, that
 * one is taken that {@link shownBy} names, of those that reach there.
 *
 * @param working is told the share that is done; false ends it
 */
export function warped(
  pictures: readonly Laid[],
  square: PlanSquare,
  depth: number,
  working: (share: number) => boolean = () => true,
): Raster | undefined {
  const side = Math.round(2 * square.half * square.scale);
  const data = new Uint8ClampedArray(4 * side * side);
  const knots = Math.ceil(side / KNOT) + 1;
  const maps = pictures.map(({ raster, on }) => {
    const map = new Float32Array(2 * knots * knots).fill(-1e6);
    for (let j = 0; j < knots; j++)
      for (let i = 0; i < knots; i++) {
        const at = on.toPicture(placeOf(square, [i * KNOT, j * KNOT]), depth);
        if (!at) continue;
        map[2 * (j * knots + i)] = at[0] * raster.width;
        map[2 * (j * knots + i) + 1] = at[1] * raster.height;
      }
    return map;
  });
  const bearings = pictures.map(({ on }) => Math.atan2(on.eye[0], on.eye[1]));
  for (let row = 0; row < side; row++) {
    if (row % 100 === 0 && !working(row / side)) return undefined;
    const j = Math.floor(row / KNOT);
    const fy = (row + 0.5 - j * KNOT) / KNOT;
    for (let col = 0; col < side; col++) {
      const i = Math.floor(col / KNOT);
      const fx = (col + 0.5 - i * KNOT) / KNOT;
      const [px, py] = placeOf(square, [col, row]);
      const here = Math.atan2(px, py);
      let least = Infinity;
      const into = 4 * (row * side + col);
      for (let k = 0; k < pictures.length; k++) {
        const turn = Math.abs(here - bearings[k]!);
        const away = Math.min(turn, 2 * Math.PI - turn);
        if (away >= least) continue;
        const map = maps[k]!;
        const at = 2 * (j * knots + i);
        const below = at + 2 * knots;
        const x =
          (map[at]! * (1 - fx) + map[at + 2]! * fx) * (1 - fy) +
          (map[below]! * (1 - fx) + map[below + 2]! * fx) * fy;
        const y =
          (map[at + 1]! * (1 - fx) + map[at + 3]! * fx) * (1 - fy) +
          (map[below + 1]! * (1 - fx) + map[below + 3]! * fx) * fy;
        const { raster } = pictures[k]!;
        const [sx, sy] = [x - 0.5, y - 0.5];
        const [left, top] = [Math.floor(sx), Math.floor(sy)];
        if (left < 0 || top < 0 || left >= raster.width - 1 || top >= raster.height - 1) continue;
        least = away;
        const [gx, gy] = [sx - left, sy - top];
        const from = 4 * (top * raster.width + left);
        const next = from + 4 * raster.width;
        for (let c = 0; c < 3; c++)
          data[into + c] =
            (raster.data[from + c]! * (1 - gx) + raster.data[from + 4 + c]! * gx) * (1 - gy) +
            (raster.data[next + c]! * (1 - gx) + raster.data[next + 4 + c]! * gx) * gy;
        data[into + 3] = 255;
      }
    }
  }
  return { width: side, height: side, data };
}
