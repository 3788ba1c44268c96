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
