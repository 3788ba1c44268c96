import { bearingOf, type Outline } from '../roots';
import { shortMark } from '../units/marks';
import { eyeOf, placeAt, seenBy, type Place } from './camera';
import type { Point } from './homography';
import { LEAST_BARK } from './lacking';
import { leastSquares } from './leastSquares';
import { inLongSides, inShares, type CardPlane } from './plane';
import type { TakenFrom } from './rays';

/** What ties a picture with cards to the plan of a dig. */
export interface StemTie {
  /** Places on it where the bark of the stem meets the ground on which the cards lie, shares of width and height. */
  bark: readonly Point[];
  /** True bearing to which the upward edge of the card with the lowest number points, degrees. */
  towards: number;
  /** Depth of the cards below grade, m. */
  level: number;
}

/** A picture on the plan of a dig: metres, x east and y north of the middle of the stem. */
export interface PictureOnPlan extends TakenFrom {
  plane: CardPlane;
  /** Where a point of the picture lies, if it lies at a depth below grade. */
  toPlan: (at: Point, depth: number) => Point | undefined;
  /** Where a place of the plan is in the picture, if it lies at a depth below grade; undefined behind the camera. */
  toPicture: (place: Point, depth: number) => Point | undefined;
  /** How far the places of the bark are off the outline of the stem, the root of the mean square, m. */
  misfit: number;
  /** How well the middle of the stem is known from them, the wider half of its 90 % interval, m. */
  plusMinus: number;
}

/** How well a place of the bark is touched on the ground, m. Judgement: bark is rough, and soil lies against it. */
const BARK = 0.005;
/** Beyond this the places do not lie round such a stem, m. Judgement. */
const NOT_ROUND = 0.03;

/**
 * Ties a picture with cards to the plan: turned by a card whose edge points to a known bearing, and moved until the bark
 * lies on the outline of the stem, by least squares.
 *
 * @returns what is wrong, in words
 */
export function onPlan(
  plane: CardPlane,
  outline: Outline,
  { bark, towards, level }: StemTie,
): PictureOnPlan | { problem: string } {
  if (bark.length < LEAST_BARK)
    return {
      problem: `Touch the bark where it meets the ground: ${bark.length} places; at least ${LEAST_BARK} are needed, as far round the stem as the picture shows it.`,
    };
  const first = [...plane.cards].sort((a, b) => a.id - b.id)[0]!;
  const angle = ((-towards - first.turned) * Math.PI) / 180;
  const [s, c] = [Math.sin(angle), Math.cos(angle)];
  const swung = ([x, y]: readonly [number, number]): Point => [c * x - s * y, s * x + c * y];
  const back = ([x, y]: Point): Point => [c * x + s * y, -s * x + c * y];
  const seen = bark.map((p) => placeAt(plane.camera, inLongSides(plane.picture, p) as [number, number], 0));
  if (seen.some((p) => !p))
    return {
      problem:
        'A place of the bark lies above the ground of the cards. Touch it lower, where the bark meets the ground.',
    };
  const places = (seen as [number, number][]).map(swung);
  const eye = eyeOf(plane.camera);
  const stands = swung([eye[0], eye[1]]);
  // The middle of the stem lies behind what is seen of its bark.
  const mean = [0, 1].map(
    (k) => places.reduce((sum, p) => sum + p[k]!, 0) / places.length,
  ) as unknown as Point;
  const away = Math.hypot(mean[0] - stands[0], mean[1] - stands[1]) || 1;
  const start = [0, 1].map((k) => -(mean[k]! + (outline.meanRadius * (mean[k]! - stands[k]!)) / away));
  const off = ([dx, dy]: readonly number[]) =>
    places.map(([x, y]) => {
      const [px, py] = [x + dx!, y + dy!];
      return (Math.hypot(px, py) - outline.radius(bearingOf(px, py))) / BARK;
    });
  const fit = leastSquares(off, start);
  if (!fit) return { problem: 'The places of the bark do not lie round a stem. Touch them again.' };
  const misfit = BARK * Math.sqrt(fit.cost / places.length);
  if (misfit > NOT_ROUND)
    return {
      problem: `The places of the bark are ${shortMark(misfit)} off the outline of this stem; at most ${shortMark(NOT_ROUND)} is allowed. Touch them again where the bark meets the ground, or measure the stem.`,
    };
  const [dx, dy] = fit.at as [number, number];
  const freedom = Math.max(1, places.length - 2);
  const widen = Math.max(1, fit.cost / freedom);
  const plusMinus = 1.645 * Math.sqrt(widen * Math.max(fit.covariance.get(0, 0), fit.covariance.get(1, 1)));
  return {
    plane,
    level,
    eye: [stands[0] + dx, stands[1] + dy, eye[2]],
    toPlan: (at, depth) => {
      const there = placeAt(plane.camera, inLongSides(plane.picture, at) as [number, number], level - depth);
      if (!there) return undefined;
      const [x, y] = swung([there[0], there[1]]);
      return [x + dx, y + dy];
    },
    toPicture: ([x, y], depth) => {
      const [px, py] = back([x - dx, y - dy]);
      const at = seenBy(plane.camera, [px, py, level - depth]);
      return at && inShares(plane.picture, at);
    },
    misfit,
    plusMinus,
  };
}

/** A root where it is crossed: the middle of it in plan, how thick it is, and the depth of its top, m. */
export interface Crossed {
  at: Point;
  diameter: number;
  depth: number;
}

const cross = (a: Place, b: Place): Place => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
const dot = (a: Place, b: Place): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const unit = (a: Place): Place => {
  const length = Math.hypot(...a);
  return [a[0] / length, a[1] / length, a[2] / length];
};

/**
 * A round root from its two edges as a picture shows them: the two rays touch a tube whose axis runs level in a direction,
 * so its middle lies between them and its thickness follows from their angle. It lies on the ground of the cards, or its
 * top is at a depth that was measured.
 *
 * @param edges places on the plan where the edges seem to lie if they are at a depth, `seenAt`, m below grade
 * @param direction of the root in plan
 * @param top depth of its top below grade, where it was measured
 * @returns undefined where the rays do not come down to it
 */
export function crossedAt(
  { eye, level }: TakenFrom,
  edges: readonly [Point, Point],
  direction: Point,
  seenAt: number,
  top?: number,
): Crossed | undefined {
  const axis = unit([direction[0], direction[1], 0]);
  const flat = (ray: Place): Place => {
    const on = dot(ray, axis);
    return unit([ray[0] - on * axis[0], ray[1] - on * axis[1], ray[2] - on * axis[2]]);
  };
  const [a, b] = edges.map(([x, y]) => flat([x - eye[0], y - eye[1], level - seenAt - eye[2]])) as [
    Place,
    Place,
  ];
  const half = Math.asin(Math.min(1, Math.hypot(...cross(a, b)))) / 2;
  const middle = unit([a[0] + b[0], a[1] + b[1], a[2] + b[2]]);
  if (middle[2] >= -1e-3) return undefined;
  // How far along the middle ray the axis lies: its height is half its thickness above the ground, or below its top.
  const grows = Math.sin(half);
  const far =
    top === undefined ? eye[2] / (-middle[2] + grows) : (eye[2] - (level - top)) / (-middle[2] - grows);
  if (!(far > 0)) return undefined;
  const radius = far * grows;
  const mean: Point = [(edges[0][0] + edges[1][0]) / 2, (edges[0][1] + edges[1][1]) / 2];
  // The middle ray runs across the root; along it, the place is where the edges were read, drawn toward the camera as far.
  const across = [eye[0] + far * middle[0], eye[1] + far * middle[1]] as const;
  const height = eye[2] + far * middle[2];
  const drawn = (eye[2] - height) / (eye[2] - (level - seenAt));
  const along =
    (eye[0] + drawn * (mean[0] - eye[0])) * axis[0] + (eye[1] + drawn * (mean[1] - eye[1])) * axis[1];
  const side = across[0] * -axis[1] + across[1] * axis[0];
  return {
    at: [along * axis[0] - side * axis[1], along * axis[1] + side * axis[0]],
    diameter: 2 * radius,
    depth: top ?? level - 2 * radius,
  };
}
