import { homographyOf, mapped, onALine, type Homography, type Point } from './homography';

/** Sheets of paper that lie about on any site, m. ISO 216, and ANSI/ASME Y14.1. */
export const SHEETS = {
  a4: { name: 'A4 sheet', width: 0.21, height: 0.297 },
  letter: { name: 'letter sheet', width: 0.2159, height: 0.2794 },
} as const;
export type SheetKey = keyof typeof SHEETS;

/** A corner is touched so well, in pixels of the picture as it is shown, as a standard deviation. Judgement: half the width of a line. */
export const TOUCH = 2;
/** Pixels of the longer side of a picture as it is shown. */
export const SHOWN_SIDE = 1600;

/**
 * A sheet of known size in a picture: its corners round it, the first edge a short one; or any rectangle whose sides were
 * measured, m, the first edge the first side. Shares of width and height.
 */
export interface SeenSheet {
  kind: SheetKey | 'rectangle';
  corners: readonly [Point, Point, Point, Point];
  sides?: readonly [number, number] | undefined;
}

export interface PlaneScale {
  /** From pixels to m in the plane of the sheet. */
  map: Homography;
  width: number;
  height: number;
  corners: readonly Point[];
  /** The first edge and the second, m. */
  sides: readonly [number, number];
}

/** Width and height of a picture as it is shown, pixels. */
export const shownSize = ({
  width,
  height,
}: {
  width: number;
  height: number;
}): readonly [number, number] => {
  const scale = SHOWN_SIDE / Math.max(width, height);
  return [width * scale, height * scale];
};

const placesOf = ([first, second]: readonly [number, number]): Point[] => [
  [0, 0],
  [first, 0],
  [first, second],
  [0, second],
];

/** Whether corners go round without crossing: all turns the same way. */
function goesRound(corners: readonly Point[]): boolean {
  const turns = corners.map((a, i) => {
    const [b, c] = [corners[(i + 1) % 4]!, corners[(i + 2) % 4]!];
    return Math.sign((b[0] - a[0]) * (c[1] - b[1]) - (b[1] - a[1]) * (c[0] - b[0]));
  });
  return turns.every((t) => t === turns[0] && t !== 0);
}

/**
 * The scale of the plane in which a sheet lies.
 *
 * @param picture its width and height upright, pixels
 * @returns what is wrong with the corners, in words, where they are none of a sheet
 */
export function scaleBySheet(
  picture: { width: number; height: number },
  { kind, corners, sides: measured }: SeenSheet,
): PlaneScale | { problem: string } {
  const sides = kind === 'rectangle' ? measured : ([SHEETS[kind].width, SHEETS[kind].height] as const);
  if (!sides)
    return { problem: 'Two sides of the rectangle are asked for: the one touched first, and the next.' };
  const [width, height] = shownSize(picture);
  const touched = corners.map(([x, y]): Point => [x * width, y * height]);
  if (onALine(touched) || !goesRound(touched))
    return {
      problem: 'Touch the four corners one after the other round the sheet, beginning with a short edge.',
    };
  const map = homographyOf(touched, placesOf(sides));
  if (!map) return { problem: 'These four corners are none of a sheet; touch them again.' };
  return { map, width, height, corners: touched, sides };
}

const apart = ([a, b]: Point, [c, d]: Point): number => Math.hypot(a - c, b - d);

/** A length in the plane of a sheet, m, with the half-width of its 90 % interval. */
export interface PlaneLength {
  value: number;
  plusMinus: number;
}

/** From a deviation to the half-width of a 90 % interval. */
export const REACH = 1.645;

/**
 * A length between two points of the plane of a sheet. Its error is that of the six touches that it rests on, taken as
 * independent and carried through by small steps; it grows with the distance from the sheet. What lies above or below
 * the plane is off by its height over the distance of the camera, which no touch tells.
 *
 * @param from @param to shares of width and height
 */
export function lengthInPlane(scale: PlaneScale, from: Point, to: Point): PlaneLength {
  const { width, height, corners, sides, map } = scale;
  const ends: Point[] = [from, to].map(([x, y]) => [x * width, y * height]);
  const between = (h: Homography, [a, b]: readonly Point[]) => apart(mapped(h, a!), mapped(h, b!));
  const value = between(map, ends);
  let variance = 0;
  const step = TOUCH;
  const moved = (points: readonly Point[], i: number, k: 0 | 1, by: number) =>
    points.map((p, j): Point => (j === i ? (k === 0 ? [p[0] + by, p[1]] : [p[0], p[1] + by]) : p));
  for (const k of [0, 1] as const) {
    for (let i = 0; i < 4; i++) {
      const h = homographyOf(moved(corners, i, k, step), placesOf(sides));
      variance += h ? (between(h, ends) - value) ** 2 : 0;
    }
    for (let i = 0; i < 2; i++) variance += (between(map, moved(ends, i, k, step)) - value) ** 2;
  }
  return { value, plusMinus: REACH * Math.sqrt(variance) };
}
