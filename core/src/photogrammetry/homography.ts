import { Matrix, SingularValueDecomposition, inverse as inverseOf } from 'ml-matrix';

/** A point of a plane. */
export type Point = readonly [x: number, y: number];

/** A projective map of one plane onto another, three by three, row by row; its scale does not matter. */
export type Homography = readonly number[];

/** Moves points about their middle and to a mean distance of the root of two (Hartley 1997): sums of squares stay exact. */
function normalised(points: readonly Point[]): { points: Point[]; map: Matrix } {
  const count = points.length;
  const [mx, my] = [0, 1].map((k) => points.reduce((sum, p) => sum + p[k]!, 0) / count) as [number, number];
  const spread = points.reduce((sum, [x, y]) => sum + Math.hypot(x - mx, y - my), 0) / count;
  const s = spread > 0 ? Math.SQRT2 / spread : 1;
  return {
    points: points.map(([x, y]): Point => [s * (x - mx), s * (y - my)]),
    map: new Matrix([
      [s, 0, -s * mx],
      [0, s, -s * my],
      [0, 0, 1],
    ]),
  };
}

/** Twice the area of a triangle, with its sign. */
const turn = (a: Point, b: Point, c: Point): number =>
  (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);

/** Whether three of the points lie on a line, within a part of their spread. */
export function onALine(points: readonly Point[], within = 1e-3): boolean {
  for (let i = 0; i < points.length; i++)
    for (let j = i + 1; j < points.length; j++)
      for (let k = j + 1; k < points.length; k++) {
        const [a, b, c] = [points[i]!, points[j]!, points[k]!];
        const longest = Math.max(
          Math.hypot(a[0] - b[0], a[1] - b[1]),
          Math.hypot(b[0] - c[0], b[1] - c[1]),
          Math.hypot(a[0] - c[0], a[1] - c[1]),
        );
        if (Math.abs(turn(a, b, c)) > within * longest ** 2) continue;
        if (points.length === 4) return true;
      }
  return false;
}

/**
 * The projective map that takes some points to others with the least sum of squares: the normalised direct linear
 * transform of R. Hartley and A. Zisserman, Multiple View Geometry in Computer Vision, 2nd ed. 2004, algorithm 4.2; exact
 * for four.
 *
 * @returns undefined for fewer than four points, or where three of four lie on a line
 */
export function homographyOf(from: readonly Point[], to: readonly Point[]): Homography | undefined {
  if (from.length < 4 || from.length !== to.length || onALine(from) || onALine(to)) return undefined;
  const [a, b] = [normalised(from), normalised(to)];
  const rows = a.points.flatMap(([x, y], i) => {
    const [u, v] = b.points[i]!;
    return [
      [0, 0, 0, -x, -y, -1, v * x, v * y, v],
      [x, y, 1, 0, 0, 0, -u * x, -u * y, -u],
    ];
  });
  // A square one for four points, so that the vector that it takes to nothing is among those found.
  const system = new Matrix(rows.length < 9 ? [...rows, Array<number>(9).fill(0)] : rows);
  const { rightSingularVectors: v } = new SingularValueDecomposition(system, { autoTranspose: true });
  const h = new Matrix([0, 1, 2].map((r) => [0, 1, 2].map((c) => v.get(3 * r + c, 8))));
  return inverseOf(b.map).mmul(h).mmul(a.map).to1DArray();
}

/** Where a map takes a point. */
export function mapped(h: Homography, [x, y]: Point): Point {
  const w = h[6]! * x + h[7]! * y + h[8]!;
  return [(h[0]! * x + h[1]! * y + h[2]!) / w, (h[3]! * x + h[4]! * y + h[5]!) / w];
}

const asMatrix = (h: Homography): Matrix => Matrix.from1DArray(3, 3, [...h]);

/** The map that goes back. */
export const inverted = (h: Homography): Homography => inverseOf(asMatrix(h)).to1DArray();

/** First one map, then another. */
export const composed = (first: Homography, then: Homography): Homography =>
  asMatrix(then).mmul(asMatrix(first)).to1DArray();
