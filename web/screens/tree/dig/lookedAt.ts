import type { RootPath } from '@undrel/core/roots';
import { toDrawing, toMetres, type PlanView } from '../../../drawings/planView';
import type { Point } from '../../../drawings/shapes';
import { tubeOutline } from '../../../drawings/tube';

/** A view of the plan on a sheet of some size, px. */
export interface Frame {
  view: PlanView;
  width: number;
  height: number;
}

const [LEAST_SCALE, MOST_SCALE] = [40, 4000];
const clampScale = (scale: number) => Math.min(MOST_SCALE, Math.max(LEAST_SCALE, scale));

/** The view at a scale, px a metre, in which a place (m) lies at a point of the sheet. */
const placedAt = (
  [x, y]: readonly [number, number],
  [px, py]: Point,
  scale: number,
  { width, height }: Frame,
): PlanView => ({ scale, x: x - (px - width / 2) / scale, y: y + (py - height / 2) / scale });

/** Larger or smaller about a point of the sheet, which stays where it is. */
export const zoomed = (frame: Frame, by: number, about: Point): PlanView =>
  placedAt(toMetres(frame, about), about, clampScale(frame.view.scale * by), frame);

/** Moved as a pointer was. */
export const moved = (view: PlanView, from: Point, at: Point): PlanView => ({
  scale: view.scale,
  x: view.x - (at[0] - from[0]) / view.scale,
  y: view.y + (at[1] - from[1]) / view.scale,
});

/** A finger on the plan: where it came down and is now. */
export interface Finger {
  from: Point;
  at: Point;
}

/** As two fingers have it: larger as they part, moved as their middle is. */
export function pinched(frame: Frame, one: Finger, two: Finger): PlanView {
  const gap = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1]);
  const middle = (a: Point, b: Point): Point => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  const scale = clampScale(frame.view.scale * (gap(one.at, two.at) / Math.max(1, gap(one.from, two.from))));
  return placedAt(toMetres(frame, middle(one.from, two.from)), middle(one.at, two.at), scale, frame);
}

/** Index of the root drawn at a point of the sheet, the one on top; undefined beside all. */
export function rootAt(frame: Frame, paths: readonly RootPath[], [px, py]: Point): number | undefined {
  const to = toDrawing(frame);
  for (let i = paths.length - 1; i >= 0; i--) {
    const edge = tubeOutline(paths[i]!, to);
    let inside = false;
    for (let a = 0, b = edge.length - 1; a < edge.length; b = a++) {
      const [[xa, ya], [xb, yb]] = [edge[a]!, edge[b]!];
      if (ya > py !== yb > py && px < ((xb - xa) * (py - ya)) / (yb - ya) + xa) inside = !inside;
    }
    if (inside) return i;
  }
  return undefined;
}
