import type { Point } from './homography';
import { crossedAt } from './onPlan';
import type { TakenFrom } from './rays';
import { ribbonBetween, thinned, type SeenPlan } from './ribbon';
import { pixelOf, placeOf, type PlanSquare } from './warp';

/** A point of a root as it was traced: metres, x east and y north of the middle of the stem. */
export interface TracedPoint {
  x: number;
  y: number;
  diameter: number;
  /** Of its top, below grade. */
  depth: number;
}

/** Roots that are looked for are between these thick, m. */
const [THINNEST, THICKEST] = [0.006, 0.16];
/** Points nearer than this to the line between their neighbours are left out, m: a tape in a pit tells no more. */
const WITHIN = 0.004;
/** The most that thickness may differ from what it was at the last touch, as a share. Judgement: roots taper slowly. */
const TAPER = 0.45;

/**
 * A root between two touches on a picture that lies under the plan: its two edges are followed, and its middle and
 * thickness are read from them.
 *
 * @param seen the picture under the plan, as it lies for things at a depth
 * @param shownBy from where the picture was taken that shows a place
 * @param from @param to the touches, m on the plan
 * @param top depth of the top of the root below grade; undefined: it lies on the ground of the cards
 * @param before its diameter where it was touched last, m
 */
export function traced(
  seen: SeenPlan,
  square: PlanSquare,
  shownBy: (place: Point) => TakenFrom | undefined,
  {
    from,
    to,
    seenAt,
    top,
    before,
  }: { from: Point; to: Point; seenAt: number; top?: number; before?: number },
): TracedPoint[] {
  const pixels = (metres: number) => Math.max(2, Math.round((metres / 2) * square.scale));
  const ribbon = ribbonBetween(seen, pixelOf(square, from), pixelOf(square, to), {
    least: pixels(before ? Math.max(THINNEST, before * (1 - TAPER)) : THINNEST),
    most: pixels(before ? Math.min(THICKEST, before * (1 + TAPER)) : THICKEST),
  });
  const points = ribbon.flatMap((crossing, k) => {
    const [a, b] = [ribbon[Math.max(0, k - 3)]!.at, ribbon[Math.min(ribbon.length - 1, k + 3)]!.at];
    // Rows of the picture run south.
    const direction: Point = [b[0] - a[0], a[1] - b[1]];
    const edges = crossing.edges.map((p) => placeOf(square, p)) as unknown as readonly [Point, Point];
    const picture = shownBy(placeOf(square, crossing.at));
    const root = picture && crossedAt(picture, edges, direction, seenAt, top);
    return root ? [{ at: root.at, diameter: root.diameter, depth: root.depth }] : [];
  });
  // Thickness is the middle one of five: one stone beside the root widens it at one place.
  const smooth = points.map((p, k) => {
    const near = points.slice(Math.max(0, k - 2), k + 3).map((q) => q.diameter);
    return { ...p, diameter: near.sort((x, y) => x - y)[near.length >> 1]! };
  });
  return thinned(smooth, WITHIN).map(({ at, diameter, depth }) => ({
    x: at[0],
    y: at[1],
    diameter,
    depth: top ?? depth,
  }));
}
