import { REACH, SHOWN_SIDE, shownSize, TOUCH, type PlaneLength } from './sheet';
import type { Point } from './homography';

/** What a length is laid beside: a rod or a tape, or the stem of which the diameter was measured. */
export const BARS = ['rod', 'stem'] as const;
export type BarKind = (typeof BARS)[number];

/** A thing of known length in a picture, from end to end, m. Shares of width and height. */
export interface SeenBar {
  of: BarKind;
  from: Point;
  to: Point;
  length: number;
}

/**
 * One length tells nothing of how the plane is turned to the camera. Taken that it faces it within some 20° (a deviation of
 * 10°): deviations of a length, as shares of it, beside the bar; more where it runs across the bar; and more the farther
 * from the middle of the bar it lies, for there the plane is nearer or farther: twice the tangent of 10° for each focal
 * length of a phone's camera, which is some 0.8 of the longer side. Judgement, held against cameras that are turned so.
 */
const TURNED = {
  beside: 0.02,
  across: 0.06,
  away: (2 * Math.tan(Math.PI / 18)) / (0.8 * SHOWN_SIDE),
} as const;

/** Shorter than this in the picture as it is shown, pixels, a bar is a slip of the finger. Judgement. */
const SHORTEST = 40;

const halfway = ([a, b]: Point, [c, d]: Point): Point => [(a + c) / 2, (b + d) / 2];

/**
 * A length beside a bar in the same plane, m: by proportion, with the error of the four touches and of how the plane may be
 * turned. A sheet or cards tell it better.
 *
 * @param picture its width and height upright, pixels
 * @param from @param to shares of width and height
 * @returns undefined where the bar is no more than a slip
 */
export function lengthByBar(
  picture: { width: number; height: number },
  bar: SeenBar,
  from: Point,
  to: Point,
): PlaneLength | undefined {
  const [width, height] = shownSize(picture);
  const way = (a: Point, b: Point): Point => [(b[0] - a[0]) * width, (b[1] - a[1]) * height];
  const [along, seen] = [way(bar.from, bar.to), way(from, to)];
  const [long, far] = [Math.hypot(...along), Math.hypot(...seen)];
  if (long < SHORTEST) return undefined;
  const value = (bar.length * far) / long;
  if (far === 0) return { value: 0, plusMinus: REACH * Math.SQRT2 * TOUCH * (bar.length / long) };
  const sine = (along[0] * seen[1] - along[1] * seen[0]) / (long * far);
  const off = way(halfway(bar.from, bar.to), halfway(from, to));
  const turned = Math.hypot(TURNED.beside, TURNED.across * sine, TURNED.away * Math.hypot(...off));
  const touched = Math.SQRT2 * TOUCH * Math.hypot(1 / far, 1 / long);
  return { value, plusMinus: REACH * value * Math.hypot(turned, touched) };
}

/**
 * Depths of what was touched on the face of a pit beside a tape that hangs from the grade down, m, from the grade down the
 * tape. What was touched in whatever order comes in the order of depth.
 *
 * @param touched the grade first, then where one layer ends and the next begins
 * @returns what is wrong, in words, where a layer would lie above the grade
 */
export function layerDepths(
  picture: { width: number; height: number },
  tape: SeenBar,
  touched: readonly Point[],
): PlaneLength[] | { problem: string } {
  const [grade, ...ends] = touched;
  if (!grade) return [];
  const [width, height] = shownSize(picture);
  const [dx, dy] = [(tape.to[0] - tape.from[0]) * width, (tape.to[1] - tape.from[1]) * height];
  const long = Math.hypot(dx, dy);
  if (long < SHORTEST) return { problem: 'The tape is too short in the picture; touch its two ends again.' };
  // A tape may be touched from below as well: down is where the picture goes down along it.
  const way = dy < 0 ? -1 : 1;
  const down = (p: Point) =>
    (way * ((p[0] - grade[0]) * width * dx + (p[1] - grade[1]) * height * dy)) / long;
  const depths = ends.map(down).sort((a, b) => a - b);
  if (depths.some((d) => d <= 0))
    return { problem: 'A layer ends above the grade. Take the touches off and touch the grade first.' };
  return depths.map((d) => {
    const foot: Point = [grade[0] + (way * d * dx) / long / width, grade[1] + (way * d * dy) / long / height];
    return lengthByBar(picture, tape, grade, foot)!;
  });
}
