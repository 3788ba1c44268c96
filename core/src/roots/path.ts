import type { Dig, DugRoot } from '../records';
import { planPoint, type Outline } from './outline';

/**
 * A root as a tube: a centreline of short straight pieces with a radius at every vertex. Metres, x east, y north from
 * the centre of the stem; `z` is the height of the centreline, below grade negative.
 */
export interface RootPath {
  x: Float64Array;
  y: Float64Array;
  z: Float64Array;
  radius: Float64Array;
  /** Distance run from the first point, in plan. */
  along: Float64Array;
  /** Vertex of each point that was read. */
  readAt: number[];
}

/** Longest piece of a centreline, m: a tenth of what a tape in a pit can tell apart. */
const PIECE = 0.01;
const LEAST_PIECE = 0.001;
/** Round a thin stem a root bends more sharply: its pieces are no longer than this share of the stem's radius. */
const PIECE_OF_RADIUS = 0.04;
/** Longest stretch between two readings that is cut as finely as that, m. */
const FINE = 0.6;

/** Longest piece of a centreline beside a stem of a mean radius, m. */
export const pieceFor = (stemRadius: number): number =>
  Math.min(PIECE, Math.max(LEAST_PIECE, PIECE_OF_RADIUS * stemRadius));

/** Points of a dig as true plan positions: declination and tape frame taken into account. */
export function placed(
  dig: Pick<Dig, 'measuredFrom'>,
  turn: number,
  outline: Outline,
  root: Pick<DugRoot, 'points'>,
): { x: number; y: number; depth: number; radius: number }[] {
  return root.points.map((p) => {
    const bearing = p.bearing + turn;
    const from = dig.measuredFrom === 'bark' ? outline.radius(bearing) : 0;
    const [x, y] = planPoint(bearing, from + p.distance);
    return { x, y, depth: p.depth, radius: p.diameter / 2 };
  });
}

/**
 * Centreline through the points: a centripetal Catmull-Rom spline (Catmull & Rom 1974; centripetal parameters after
 * Yuksel et al. 2011: no loops, no cusps; from memory), straight through collinear points, in short pieces. Radius and
 * depth go straight from point to point.
 *
 * @param piece longest piece, m, see {@link pieceFor}
 * @param bend `straight` goes straight from reading to reading in plan, too: how far that is from the curve tells how much
 *   hangs on what lies between the readings
 */
export function pathThrough(
  points: readonly { x: number; y: number; depth: number; radius: number }[],
  piece = PIECE,
  bend: 'curve' | 'straight' = 'curve',
): RootPath {
  const xs: number[] = [];
  const ys: number[] = [];
  const zs: number[] = [];
  const rs: number[] = [];
  const readAt: number[] = [];
  const put = (x: number, y: number, z: number, r: number) => {
    xs.push(x);
    ys.push(y);
    zs.push(z);
    rs.push(r);
  };
  const n = points.length;
  for (let i = 0; i < n; i++) {
    const b = points[i]!;
    readAt.push(xs.length);
    put(b.x, b.y, -b.depth - b.radius, b.radius);
    const c = points[i + 1];
    if (!c) break;
    const span = Math.hypot(c.x - b.x, c.y - b.y);
    const pieces = Math.ceil(Math.min(span, FINE) / piece);
    const a = points[i - 1] ?? mirrored(b, c, points[i + 2]);
    const d = points[i + 2] ?? mirrored(c, b, points[i - 1]);
    const curve =
      bend === 'straight'
        ? (t: number): [number, number] => [b.x + (c.x - b.x) * t, b.y + (c.y - b.y) * t]
        : between(a, b, c, d);
    for (let k = 1; k < pieces; k++) {
      const t = k / pieces;
      const [x, y] = curve(t);
      const r = b.radius + (c.radius - b.radius) * t;
      put(x, y, -(b.depth + (c.depth - b.depth) * t) - r, r);
    }
  }
  const along = new Float64Array(xs.length);
  for (let i = 1; i < xs.length; i++)
    along[i] = along[i - 1]! + Math.hypot(xs[i]! - xs[i - 1]!, ys[i]! - ys[i - 1]!);
  return {
    x: Float64Array.from(xs),
    y: Float64Array.from(ys),
    z: Float64Array.from(zs),
    radius: Float64Array.from(rs),
    along,
    readAt,
  };
}

type Plan = { x: number; y: number };

/**
 * The point before the first: where the curve would have come from if it went on bending as it does; without a third
 * point, straight.
 */
function mirrored(end: Plan, next: Plan, third: Plan | undefined): Plan {
  if (!third) return { x: 2 * end.x - next.x, y: 2 * end.y - next.y };
  // The triangle end-next-third turned over: the same turn at `end` as there is at `next`.
  const turn = Math.atan2(third.y - next.y, third.x - next.x) - Math.atan2(next.y - end.y, next.x - end.x);
  const length = Math.hypot(next.x - end.x, next.y - end.y);
  const back = Math.atan2(next.y - end.y, next.x - end.x) - turn;
  return { x: end.x - length * Math.cos(back), y: end.y - length * Math.sin(back) };
}

const TINY = 1e-9;
const knot = (p: Plan, q: Plan) => Math.max(TINY, Math.sqrt(Math.hypot(q.x - p.x, q.y - p.y)));

/** Centripetal Catmull-Rom between b and c (Barry and Goldman's pyramid), as a function of the share of the way. */
function between(a: Plan, b: Plan, c: Plan, d: Plan): (t: number) => [number, number] {
  const t1 = knot(a, b);
  const t2 = t1 + knot(b, c);
  const t3 = t2 + knot(c, d);
  return (t) => {
    const at = t1 + (t2 - t1) * t;
    // Weights of the three levels of the pyramid; the first and last point weigh at the lowest only.
    const [u1, u2, u3] = [at / t1, (at - t1) / (t2 - t1), (at - t2) / (t3 - t2)];
    const [v1, v2] = [at / t2, (at - t1) / (t3 - t1)];
    const wa = (1 - u1) * (1 - v1) * (1 - u2);
    const wd = u3 * v2 * u2;
    const wb = (u1 * (1 - v1) + (1 - u2) * v1) * (1 - u2) + (1 - u2) * (1 - v2) * u2;
    const wc = u2 * v1 * (1 - u2) + (u2 * (1 - v2) + (1 - u3) * v2) * u2;
    return [wa * a.x + wb * b.x + wc * c.x + wd * d.x, wa * a.y + wb * b.y + wc * c.y + wd * d.y];
  };
}
