import { wrapBearing } from '../geometry';
import type { Dig, DugRoot } from '../records';
import { shortMark, toMillimetre } from '../units';
import { bearingOf, planPoint } from './outline';
import type { RootPath } from './path';

/** The old container, told from places of its wall or from where circling roots turned along it. Metres from the centre of the stem. */
export interface OldPot {
  shape: 'round' | 'square';
  x: number;
  y: number;
  /** Radius of a round pot, half the side of a square one. */
  half: number;
  /** Degrees a square pot is turned from north, 0 to 90. */
  turned: number;
  /** Root mean square distance of the points from the wall. */
  residual: number;
  points: number;
  /** Labels of roots from within that never left it. */
  never: string[];
  /** Roots known to have left it, with the farthest they were followed. */
  left: { label: string; farthest: number }[];
}

type Plan = [x: number, y: number];

/**
 * Circle by least squares: Kåsa's linear fit, then Gauss-Newton on the true distances.
 *
 * @returns undefined for fewer than three points, or points on one line
 */
export function circleThrough(points: readonly Plan[]): { x: number; y: number; r: number } | undefined {
  const n = points.length;
  if (n < 3) return undefined;
  const mx = points.reduce((s, p) => s + p[0], 0) / n;
  const my = points.reduce((s, p) => s + p[1], 0) / n;
  let [uu, uv, vv, uw, vw] = [0, 0, 0, 0, 0];
  for (const [px, py] of points) {
    const [u, v] = [px - mx, py - my];
    const w = u * u + v * v;
    uu += u * u;
    uv += u * v;
    vv += v * v;
    uw += u * w;
    vw += v * w;
  }
  const det = uu * vv - uv * uv;
  if (det < 1e-9 * (uu + vv) ** 2) return undefined;
  let x = mx + (uw * vv - vw * uv) / (2 * det);
  let y = my + (vw * uu - uw * uv) / (2 * det);
  let r = points.reduce((s, p) => s + Math.hypot(p[0] - x, p[1] - y), 0) / n;
  for (let step = 0; step < 20; step++) {
    let [a, b, c, d, e] = [0, 0, 0, 0, 0];
    let [sx, sy, mean] = [0, 0, 0];
    for (const p of points) {
      const far = Math.hypot(p[0] - x, p[1] - y) || 1e-12;
      sx += (p[0] - x) / far / n;
      sy += (p[1] - y) / far / n;
      mean += far / n;
    }
    for (const p of points) {
      const far = Math.hypot(p[0] - x, p[1] - y) || 1e-12;
      const [jx, jy] = [(p[0] - x) / far - sx, (p[1] - y) / far - sy];
      const off = far - mean;
      a += jx * jx;
      b += jx * jy;
      c += jy * jy;
      d += jx * off;
      e += jy * off;
    }
    const normal = a * c - b * b;
    if (Math.abs(normal) < 1e-15) break;
    const [dx, dy] = [(d * c - e * b) / normal, (e * a - d * b) / normal];
    x += dx;
    y += dy;
    r = points.reduce((s, p) => s + Math.hypot(p[0] - x, p[1] - y), 0) / n;
    if (Math.hypot(dx, dy) < 1e-9) break;
  }
  return { x, y, r };
}

/** Square by least squares of the distances to its walls: each turn of a degree, centre and side by alternation. */
export function squareThrough(
  points: readonly Plan[],
): { x: number; y: number; half: number; turned: number; residual: number } | undefined {
  if (points.length < 5) return undefined;
  let best: { x: number; y: number; half: number; turned: number; residual: number } | undefined;
  for (let turned = 0; turned < 90; turned++) {
    const angle = (turned * Math.PI) / 180;
    const [s, c] = [Math.sin(angle), Math.cos(angle)];
    const local = points.map(([x, y]): Plan => [x * c - y * s, x * s + y * c]);
    const us = local.map((p) => p[0]);
    const vs = local.map((p) => p[1]);
    let cu = (Math.min(...us) + Math.max(...us)) / 2;
    let cv = (Math.min(...vs) + Math.max(...vs)) / 2;
    let half = Math.max(...local.map((p) => Math.max(Math.abs(p[0] - cu), Math.abs(p[1] - cv))));
    for (let step = 0; step < 30; step++) {
      // Each point belongs to the wall it is nearest in direction; a wall moves to the mean of its points.
      const walls: [number[], number[], number[], number[]] = [[], [], [], []];
      for (const [u, v] of local) {
        const [du, dv] = [u - cu, v - cv];
        if (Math.abs(du) >= Math.abs(dv)) walls[du >= 0 ? 0 : 1].push(u);
        else walls[dv >= 0 ? 2 : 3].push(v);
      }
      const mean = (list: number[]) => list.reduce((a, b) => a + b, 0) / list.length;
      const [east, west, north, south] = walls.map((w) => (w.length > 0 ? mean(w) : undefined));
      const reach = [
        ...(east !== undefined ? [east - cu] : []),
        ...(west !== undefined ? [cu - west] : []),
        ...(north !== undefined ? [north - cv] : []),
        ...(south !== undefined ? [cv - south] : []),
      ];
      const next = mean(reach);
      const nu = east !== undefined && west !== undefined ? (east + west) / 2 : cu;
      const nv = north !== undefined && south !== undefined ? (north + south) / 2 : cv;
      const moved = Math.abs(next - half) + Math.abs(nu - cu) + Math.abs(nv - cv);
      [half, cu, cv] = [next, nu, nv];
      if (moved < 1e-7) break;
    }
    const residual = Math.sqrt(
      local.reduce((sum, [u, v]) => sum + (Math.max(Math.abs(u - cu), Math.abs(v - cv)) - half) ** 2, 0) /
        local.length,
    );
    if (!best || residual < best.residual - 1e-9) {
      best = { x: cu * c + cv * s, y: cv * c - cu * s, half, turned, residual };
    }
  }
  return best;
}

/** A square has one more number to fit with: it must be clearly nearer to be believed. Common practice, no source. */
const SQUARE_MUST_BEAT = 0.6;
/** Beyond the wall by this much a root has left the pot, m. Common practice, no source. */
const OUTSIDE = 0.05;

/** Points that a wall is fitted through at most, spread evenly over all that were read: more tell nothing new. */
const MOST_FITTED = 300;

/** Fewer places tell no wall. */
const LEAST = 4;

/**
 * The old pot through places of its wall that were seen, or through the points of circling roots that were read; undefined
 * with fewer than four of either.
 *
 * @param wall places of the wall, metres east and north of the centre of the stem
 */
export function potOf(
  roots: readonly DugRoot[],
  paths: readonly RootPath[],
  wall: readonly Plan[] = [],
): OldPot | undefined {
  const turned = roots.flatMap((root, i): Plan[] => {
    if (root.kind !== 'circling' || root.leftPot) return [];
    const path = paths[i]!;
    return path.readAt.map((v) => [path.x[v]!, path.y[v]!]);
  });
  const points = wall.length >= LEAST ? wall : turned;
  if (points.length < LEAST) return undefined;
  const step = Math.ceil(points.length / MOST_FITTED);
  const fitted = points.filter((_, i) => i % step === 0);
  const circle = circleThrough(fitted);
  if (!circle) return undefined;
  const round = Math.sqrt(
    fitted.reduce((s, p) => s + (Math.hypot(p[0] - circle.x, p[1] - circle.y) - circle.r) ** 2, 0) /
      fitted.length,
  );
  const square = squareThrough(fitted);
  const isSquare = square !== undefined && square.residual < SQUARE_MUST_BEAT * round;
  const fit = isSquare
    ? { x: square.x, y: square.y, half: square.half, turned: square.turned, residual: square.residual }
    : { x: circle.x, y: circle.y, half: circle.r, turned: 0, residual: round };
  const reach = fit.half * (isSquare ? Math.SQRT2 : 1) + OUTSIDE;
  const farthestOf = (i: number) => {
    const path = paths[i]!;
    let far = roots[i]!.farthest ?? 0;
    for (const v of path.readAt) far = Math.max(far, Math.hypot(path.x[v]!, path.y[v]!));
    return far;
  };
  // Roots of a buried stem are younger than the pot.
  const wasInside = ({ start, kind }: DugRoot) => start !== 'outside' && kind !== 'adventitious';
  const left = (i: number) => roots[i]!.leftPot ?? farthestOf(i) > reach + Math.hypot(fit.x, fit.y);
  return {
    shape: isSquare ? 'square' : 'round',
    ...fit,
    points: points.length,
    never: roots.flatMap((root, i) => (wasInside(root) && !left(i) ? [root.label] : [])),
    left: roots.flatMap((root, i) =>
      wasInside(root) && left(i) ? [{ label: root.label, farthest: farthestOf(i) }] : [],
    ),
  };
}

/** A place of the wall as it is kept: bearing as the compass of the dig reads it, distance from the centre of the stem. */
export const wallAt = ([x, y]: Readonly<Plan>, turn: number): NonNullable<Dig['pot']>[number] => ({
  bearing: wrapBearing(Math.round((bearingOf(x, y) - turn) * 10) / 10),
  distance: toMillimetre(Math.hypot(x, y)),
});

/** Where places of the wall that were touched lie, metres east and north of the centre of the stem. */
export const wallPlaces = (pot: Dig['pot'], turn: number): Plan[] =>
  (pot ?? []).map(({ bearing, distance }) => planPoint(bearing + turn, distance));

/** The wall of an old pot as a line round it, metres east and north of the centre of the stem. */
export function wallOf({ shape, x, y, half, turned }: OldPot): Plan[] {
  if (shape === 'round')
    return Array.from({ length: 72 }, (_, i): Plan => {
      const [east, north] = planPoint(5 * i, half);
      return [x + east, y + north];
    });
  // The corners of a square stand half a right angle from its walls.
  return [45, 135, 225, 315].map((corner): Plan => {
    const [east, north] = planPoint(turned + corner, half * Math.SQRT2);
    return [x + east, y + north];
  });
}

/** When the roots met the wall of the old pot, and from what that is known. */
export interface PotOutgrown {
  year: number;
  from: 'rings' | 'planting';
  /** Root whose rings were counted. */
  root?: string;
}

/**
 * Year the pot was outgrown: a root that turned along the wall is as old there as the rings counted on it, so the
 * oldest of them met the wall first. Without a count it was by the year of planting at the latest.
 *
 * @param year of the dig
 */
export function potOutgrown(
  pot: OldPot,
  roots: readonly DugRoot[],
  year: number,
  plantedYear: number | undefined,
): PotOutgrown | undefined {
  const counted = roots
    .filter((r) => r.kind === 'circling' && !pot.left.some((l) => l.label === r.label) && r.rings)
    .sort((a, b) => b.rings!.count - a.rings!.count)[0];
  if (counted) return { year: year - counted.rings!.count, from: 'rings', root: counted.label };
  return plantedYear === undefined ? undefined : { year: plantedYear, from: 'planting' };
}

/** The old pot in a sentence, lengths as marks. */
export function potInWords(pot: OldPot, outgrown: PotOutgrown | undefined): string {
  const never =
    pot.never.length > 0
      ? `; ${pot.never.join(', ')} never left it`
      : pot.left.length > 0
        ? '; every root left it'
        : '';
  const when =
    outgrown &&
    (outgrown.from === 'rings'
      ? `; outgrown about ${outgrown.year}, by the rings of ${outgrown.root}`
      : `; outgrown by ${outgrown.year} at the latest, the year of planting`);
  return `${pot.shape}, ${shortMark(2 * pot.half)} across${never}${when ?? ''}`;
}
