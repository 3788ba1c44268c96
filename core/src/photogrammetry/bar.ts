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

/** What is wrong with a bar that is no more than a slip. */
const TOO_SHORT = {
  problem: 'The rod, tape or stem is too short in the picture; touch its two ends again.',
} as const;

interface Upright {
  /** How far a place lies below where it is counted from, and how far to its right, pixels as shown. */
  below: (place: Point) => [down: number, right: number];
  /** The place so far below it, and so far to its right. */
  at: (down: number, right: number) => Point;
}

/**
 * Down and across in a picture: along a rod or tape that hangs or stands upright, or at a right angle to the diameter of an
 * upright stem, and from a place in it. Touched from either end: down is where the picture goes down.
 */
function uprightFrom(
  picture: { width: number; height: number },
  bar: SeenBar,
  origin: Point,
): Upright | undefined {
  const [width, height] = shownSize(picture);
  const [x, y] = [(bar.to[0] - bar.from[0]) * width, (bar.to[1] - bar.from[1]) * height];
  const long = Math.hypot(x, y);
  if (long < SHORTEST) return undefined;
  const [along, across] = bar.of === 'rod' ? [x, y] : [-y, x];
  const way = (across < 0 ? -1 : 1) / long;
  const [dx, dy] = [way * along, way * across];
  return {
    below: (place) => {
      const [px, py] = [(place[0] - origin[0]) * width, (place[1] - origin[1]) * height];
      return [px * dx + py * dy, px * dy - py * dx];
    },
    at: (down, right) => [
      origin[0] + (down * dx + right * dy) / width,
      origin[1] + (down * dy - right * dx) / height,
    ],
  };
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
  const upright = uprightFrom(picture, tape, grade);
  if (!upright) return TOO_SHORT;
  const depths = ends.map((end) => upright.below(end)[0]).sort((a, b) => a - b);
  if (depths.some((d) => d <= 0))
    return { problem: 'A layer ends above the grade. Take the touches off and touch the grade first.' };
  return depths.map((d) => lengthByBar(picture, tape, grade, upright.at(d, 0))!);
}

/** Where the top of a root is seen: to which side, from the bark outward, and below grade; above grade it is less than 0. */
export interface RootSeen {
  side: 'left' | 'right';
  distance: PlaneLength;
  depth: PlaneLength;
}

/**
 * The section of the stem where it is laid bare: how deep the tops of the roots lie that run to the left and to the right,
 * and how far from the bark. The rod stands, or the tape hangs, beside the stem, at about its distance from the camera.
 *
 * @param touched the bark at the grade on either side of the stem, then the tops of roots
 * @returns the roots as they were touched, or what is wrong, in words
 */
export function rootsBelowGrade(
  picture: { width: number; height: number },
  bar: SeenBar,
  touched: readonly Point[],
): RootSeen[] | { problem: string } {
  const [first, second, ...tops] = touched;
  if (!first || !second) return [];
  const upright = uprightFrom(picture, bar, first);
  if (!upright) return TOO_SHORT;
  const [left, right] = upright.below(second)[1] < 0 ? [second, first] : [first, second];
  const [fromLeft, fromRight] = [uprightFrom(picture, bar, left)!, uprightFrom(picture, bar, right)!];
  const roots: RootSeen[] = [];
  for (const top of tops) {
    const side = fromLeft.below(top)[1] < 0 ? 'left' : 'right';
    const [grade, bark] = side === 'left' ? [left, fromLeft] : [right, fromRight];
    const [down, across] = bark.below(top);
    if (side === 'right' && across < 0)
      return {
        problem:
          'A root was touched in front of the stem; how far it runs towards the camera is not seen. Touch roots to the left and to the right.',
      };
    const depth = lengthByBar(picture, bar, grade, bark.at(down, 0))!;
    roots.push({
      side,
      distance: lengthByBar(picture, bar, grade, bark.at(0, across))!,
      depth: down < 0 ? { ...depth, value: -depth.value } : depth,
    });
  }
  return roots;
}
