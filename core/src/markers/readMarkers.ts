import aruco from 'js-aruco2';
import {
  between,
  CARDS,
  doubled,
  evened,
  greyOf,
  halved,
  LEAF_SHEET,
  MARKERS,
  type Point,
  type Raster,
  type SeenMarker,
} from '../photogrammetry';
import { DICTIONARY } from './cells';

/** Pictures no wider than this are looked at in twice their size as well, where a card is missing: far ones are small. */
const SMALL = 1700;

/** Light is evened over squares of this part of the width: a few times as large as a card. */
const EVENED = 24;

const middleOf = (corners: readonly Point[]): Point =>
  [0, 1].map((k) => corners.reduce((sum, p) => sum + p[k]!, 0) / corners.length) as unknown as Point;

/** Cells of a marker that may be misread: a third of the distance between any two. */
const MISREAD = 4;

/** The straight line through points by least squares of distances: a place on it and its direction. */
function lineThrough(points: readonly Point[]): { at: Point; along: Point } {
  const n = points.length;
  const at = [0, 1].map((k) => points.reduce((s, p) => s + p[k]!, 0) / n) as unknown as Point;
  let [xx, xy, yy] = [0, 0, 0];
  for (const [x, y] of points) {
    const [dx, dy] = [x - at[0], y - at[1]];
    xx += dx * dx;
    xy += dx * dy;
    yy += dy * dy;
  }
  const angle = Math.atan2(2 * xy, xx - yy) / 2;
  return { at, along: [Math.cos(angle), Math.sin(angle)] };
}

function meeting(a: { at: Point; along: Point }, b: { at: Point; along: Point }): Point | undefined {
  const cross = a.along[0] * b.along[1] - a.along[1] * b.along[0];
  if (Math.abs(cross) < 0.05) return undefined;
  const t = ((b.at[0] - a.at[0]) * b.along[1] - (b.at[1] - a.at[1]) * b.along[0]) / cross;
  return [a.at[0] + t * a.along[0], a.at[1] + t * a.along[1]];
}

/**
 * Corners of a black square to a part of a pixel: each side is found anew, where brightness rises the most across it, and
 * the sides are met. A side that is not found leaves the corners as they were.
 */
function refined(grey: Float32Array, width: number, height: number, corners: readonly Point[]): Point[] {
  const sides = corners.map((a, i) => {
    const b = corners[(i + 1) % 4]!;
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    const [tx, ty] = [(b[0] - a[0]) / length, (b[1] - a[1]) / length];
    // Clockwise with y downward: outside lies to the left of the way.
    const [nx, ny] = [ty, -tx];
    const reach = Math.min(6, Math.max(2, length / 16));
    const points: Point[] = [];
    const steps = Math.max(8, Math.min(60, Math.round(length / 2)));
    for (let k = 0; k < steps; k++) {
      const share = 0.08 + (0.84 * (k + 0.5)) / steps;
      const [x, y] = [a[0] + share * (b[0] - a[0]), a[1] + share * (b[1] - a[1])];
      const slope = (s: number) =>
        between(grey, width, height, x + (s + 0.6) * nx, y + (s + 0.6) * ny) -
        between(grey, width, height, x + (s - 0.6) * nx, y + (s - 0.6) * ny);
      let [best, most] = [0, -Infinity];
      for (let s = -reach; s <= reach; s += 0.5) {
        const now = slope(s);
        if (now > most) [best, most] = [s, now];
      }
      if (most < 12 || Math.abs(best) > reach - 0.5) continue;
      const [before, after] = [slope(best - 0.5), slope(best + 0.5)];
      const bow = before - 2 * most + after;
      const by = bow < 0 ? Math.max(-0.5, Math.min(0.5, (0.25 * (before - after)) / bow)) : 0;
      points.push([x + (best + by) * nx, y + (best + by) * ny]);
    }
    if (points.length < 6) return undefined;
    // Once more without those that lie far off: what grows or lies over a side.
    const rough = lineThrough(points);
    const away = (p: Point) =>
      Math.abs((p[0] - rough.at[0]) * rough.along[1] - (p[1] - rough.at[1]) * rough.along[0]);
    const middle = points.map(away).sort((p, q) => p - q)[points.length >> 1]!;
    const kept = points.filter((p) => away(p) <= Math.max(0.3, 3 * middle));
    return lineThrough(kept.length >= 6 ? kept : points);
  });
  if (sides.some((s) => !s)) return [...corners];
  const met = corners.map((corner, i) => {
    const there = meeting(sides[(i + 3) % 4]!, sides[i]!);
    return there && Math.hypot(there[0] - corner[0], there[1] - corner[1]) < 8 ? there : undefined;
  });
  return met.every((p) => p !== undefined) ? (met as Point[]) : [...corners];
}

/**
 * Markers of the cards in a picture, at its own size and at half of it, for large ones are blurred or noisy. Corners are
 * found to a part of a pixel.
 *
 * @returns by number; one that is there twice is told twice
 */
export function readMarkers(raster: Raster): SeenMarker[] {
  const { width, height } = raster;
  const grey = greyOf(raster);
  const found: { id: number; corners: Point[] }[] = [];
  const half = halved(raster);
  // A card that lies half in a shadow is read in even light alone; a large or noisy one at half the size alone.
  const looks: readonly [look: () => Raster, scale: number][] = [
    [() => raster, 1],
    [() => half, 2],
    [() => evened(raster, Math.round(width / EVENED)), 1],
    [() => evened(half, Math.round(half.width / EVENED)), 2],
    ...(width <= SMALL
      ? [[() => doubled(evened(raster, Math.round(width / EVENED))), 0.5] as [() => Raster, number]]
      : []),
  ];
  const whole = (ids: readonly number[]) => ids.every((id) => found.some((f) => f.id === id));
  for (const [look, scale] of looks) {
    if (whole(CARDS.ids) || whole(LEAF_SHEET.ids)) break;
    const image = look();
    const detector = new aruco.AR.Detector({ dictionaryName: DICTIONARY, maxHammingDistance: MISREAD });
    for (const { id, corners } of detector.detectImage(image.width, image.height, image.data)) {
      if (!MARKERS.includes(id)) continue;
      const rough = corners.map(({ x, y }): Point => [(x + 0.5) * scale, (y + 0.5) * scale]);
      const [mx, my] = middleOf(rough);
      const size = Math.hypot(rough[0]![0] - rough[2]![0], rough[0]![1] - rough[2]![1]);
      const known = found.some((f) => {
        const [x, y] = middleOf(f.corners);
        return f.id === id && Math.hypot(x - mx, y - my) < size / 2;
      });
      if (!known) found.push({ id, corners: refined(grey, width, height, rough) });
    }
  }
  return found
    .sort((a, b) => a.id - b.id)
    .map(({ id, corners }) => ({
      id,
      corners: corners.map(([x, y]): Point => [x / width, y / height]) as unknown as SeenMarker['corners'],
    }));
}
