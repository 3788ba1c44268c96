import type { Tree } from '../records';
import { periodic } from '../geometry/periodic';

/**
 * Radius of the crown by bearing, m: through the bearings where it was measured, else the same all round.
 *
 * @returns undefined where the crown was not measured
 */
export function dripLine({
  crownRadius,
  crownSpread,
}: Pick<Tree, 'crownRadius' | 'crownSpread'>): ((bearing: number) => number) | undefined {
  if (crownSpread && crownSpread.length > 0)
    return periodic(crownSpread.map(({ bearing, radius }) => ({ bearing, value: radius })));
  return crownRadius === undefined ? undefined : () => crownRadius;
}

const DIRECTIONS = 72;

/** Radius of the circle that covers as much ground as the crown, m; undefined where the crown was not measured. */
export function crownReach(tree: Pick<Tree, 'crownRadius' | 'crownSpread'>): number | undefined {
  const line = dripLine(tree);
  if (!line) return undefined;
  const squares = Array.from({ length: DIRECTIONS }, (_, i) => line((360 * i) / DIRECTIONS) ** 2);
  return Math.sqrt(squares.reduce((sum, square) => sum + square, 0) / DIRECTIONS);
}
