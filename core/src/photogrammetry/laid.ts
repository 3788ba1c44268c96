/** A traced root is where it is said to be within this, m: nine of ten points of made-up pictures. */
export const TRACED_WITHIN = 0.015;

/** Half the thickness of a usual root at a collar, m: pictures are laid true for the middle of such a root. Judgement. */
const HALF_A_ROOT = 0.02;

/**
 * The depth for which pictures are laid under the plan, so that the middle of a root is where it is seen whichever picture
 * shows it.
 *
 * @param top depth of the top of the root below grade; undefined: it lies on the ground of the cards, at `level`
 */
export const laidFor = (level: number, top?: number): number =>
  top === undefined ? level - HALF_A_ROOT : top + HALF_A_ROOT;
