import { arcsOf, shareOf, unionOf, type Arc } from './arcs';
import { bearingOf, DIRECTIONS, type Outline } from './outline';
import type { RootPath } from './path';

/** Depths of the top of the root below grade at which layers end, m; the last layer goes on down. */
export const LAYERS = [0.1, 0.2, 0.3, Infinity] as const;

/**
 * A root this near the bark presses on it: what a tape in a pit cannot tell from touching.
 * Common practice, no source.
 */
export const TOUCH_TOLERANCE = 0.002;

/** A root that starts at the stem is part of it for this many of its diameters, if it does not come clear before. */
export const BASE_DIAMETERS = 2;

export interface CompressionRule {
  /** m; see {@link TOUCH_TOLERANCE}. */
  tolerance: number;
  /** Roots whose top is deeper than this pass under the stem and press on nothing, m below grade. */
  underside: number;
}

export interface Compression {
  arcs: Arc[];
  /** Of the circumference, by arc length. */
  share: number;
  /** The same by layer of depth, see {@link LAYERS}. */
  hitByLayer: Uint8Array[];
  /** First and last vertex of the path that press, where any does. */
  presses: { from: number; to: number } | undefined;
}

/**
 * The vertex from which a root counts: the stretch in which it leaves its own base does not compress the stem it grows
 * from. The stretch ends where the root first comes clear of the bark, at the latest {@link BASE_DIAMETERS} of its
 * diameters along its path. Roots that start elsewhere count from their first point.
 */
export function leavesBase(path: RootPath, startsAtStem: boolean, outline: Outline): number {
  if (!startsAtStem) return 0;
  const n = path.x.length;
  const longest = BASE_DIAMETERS * 2 * (path.radius[0] ?? 0);
  for (let i = 0; i < n; i++) {
    const x = path.x[i]!;
    const y = path.y[i]!;
    // To the nearest bark: along the ray an oval stem seems farther than it is.
    const inside = Math.hypot(x, y) <= outline.radius(bearingOf(x, y));
    const clear = inside ? -path.radius[i]! : nearestBark(x, y, outline) - path.radius[i]!;
    if (clear > TOUCH_TOLERANCE || path.along[i]! >= longest) return i;
  }
  return n;
}

const SIN = Float64Array.from({ length: DIRECTIONS }, (_, i) => Math.sin((2 * Math.PI * i) / DIRECTIONS));
const COS = Float64Array.from({ length: DIRECTIONS }, (_, i) => Math.cos((2 * Math.PI * i) / DIRECTIONS));
const PER_RADIAN = DIRECTIONS / (2 * Math.PI);

/** From a point `u` along a line of length `reach` and `v` beside it to the line. */
function beyond(u: number, v: number, reach: number): number {
  const past = u < 0 ? u : u > reach ? u - reach : 0;
  return past === 0 ? Math.abs(v) : Math.sqrt(past * past + v * v);
}

/**
 * How far the line from the centre to the bark in a direction passes beside piece i to i+1 of a path, less the root's
 * radius there, m; negative when it passes through the root.
 */
export function passes(path: RootPath, i: number, sin: number, cos: number, reach: number): number {
  const { x, y, radius } = path;
  const ua = x[i]! * sin + y[i]! * cos;
  const va = x[i]! * cos - y[i]! * sin;
  const ra = radius[i]!;
  const first = beyond(ua, va, reach) - ra;
  if (i + 1 >= x.length) return first;
  const ub = x[i + 1]! * sin + y[i + 1]! * cos;
  const vb = x[i + 1]! * cos - y[i + 1]! * sin;
  const rb = radius[i + 1]!;
  if (va * vb < 0) {
    const t = va / (va - vb);
    const u = ua + (ub - ua) * t;
    if (u >= 0 && u <= reach) return -(ra + (rb - ra) * t);
  }
  const second = beyond(ub, vb, reach) - rb;
  // From the bark, the end of the line, to the piece.
  const du = ub - ua;
  const dv = vb - va;
  const length2 = du * du + dv * dv;
  const t = length2 === 0 ? 0 : Math.min(1, Math.max(0, ((reach - ua) * du - va * dv) / length2));
  const eu = ua + du * t - reach;
  const ev = va + dv * t;
  const third = Math.sqrt(eu * eu + ev * ev) - (ra + (rb - ra) * t);
  return Math.min(first, second, third);
}

/**
 * Calls back for every direction that may pass within `room` of a piece of a path.
 *
 * @returns false where no direction can: the piece is farther from the bark than that all along
 */
function directionsNear(
  path: RootPath,
  i: number,
  room: number,
  farthestBark: number,
  call: (direction: number) => void,
): boolean {
  const next = Math.min(i + 1, path.x.length - 1);
  const xa = path.x[i]!;
  const ya = path.y[i]!;
  const xb = path.x[next]!;
  const yb = path.y[next]!;
  const a = Math.hypot(xa, ya);
  const b = Math.hypot(xb, yb);
  const wide = Math.max(path.radius[i]!, path.radius[next]!) + room;
  const near = Math.min(a, b) - Math.hypot(xb - xa, yb - ya);
  if (near - wide > farthestBark) return false;
  if (near <= wide) {
    for (let k = 0; k < DIRECTIONS; k++) call(k);
    return true;
  }
  const extra = Math.asin(wide / near);
  const at = Math.atan2(xa, ya);
  let turn = Math.atan2(xb, yb) - at;
  if (turn > Math.PI) turn -= 2 * Math.PI;
  if (turn < -Math.PI) turn += 2 * Math.PI;
  const from = Math.floor((at + Math.min(0, turn) - extra) * PER_RADIAN);
  const to = Math.ceil((at + Math.max(0, turn) + extra) * PER_RADIAN);
  for (let k = from; k <= to; k++) call(((k % DIRECTIONS) + DIRECTIONS) % DIRECTIONS);
  return true;
}

/** Depth of the top of a root at a vertex, m below grade. */
export const topDepth = (path: RootPath, i: number): number => -path.z[i]! - path.radius[i]!;

const layerAt = (depth: number): number => LAYERS.findIndex((end) => depth < end);

/**
 * What a root presses on: a point of the outline is compressed when the straight line from the stem's centre to it
 * passes within the root's radius of the root's centreline, within the tolerance. Arcs are found in quarter degrees and
 * their ends halved down from there.
 *
 * @param from first vertex that counts, see {@link leavesBase}
 */
export function compressionOf(
  path: RootPath,
  from: number,
  outline: Outline,
  rule: CompressionRule,
): Compression {
  const hit = new Uint8Array(DIRECTIONS);
  const hitByLayer = LAYERS.map(() => new Uint8Array(DIRECTIONS));
  const pressing: number[] = [];
  const last = Math.max(from, path.x.length - 2);
  for (let i = from; i <= last && i < path.x.length; i++) {
    const depth = topDepth(path, i);
    if (depth > rule.underside) continue;
    const layer = hitByLayer[layerAt(depth)]!;
    let presses = false;
    directionsNear(path, i, rule.tolerance, outline.farthest, (k) => {
      if (hit[k] && layer[k]) {
        presses ||= passes(path, i, SIN[k]!, COS[k]!, outline.radii[k]!) <= rule.tolerance;
        return;
      }
      if (passes(path, i, SIN[k]!, COS[k]!, outline.radii[k]!) > rule.tolerance) return;
      hit[k] = 1;
      layer[k] = 1;
      presses = true;
    });
    if (presses) pressing.push(i);
  }
  if (pressing.length === 0) return { arcs: [], share: 0, hitByLayer, presses: undefined };
  const pressesAt = (bearing: number) => {
    const angle = (bearing * Math.PI) / 180;
    const reach = outline.radius(bearing);
    const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
    return pressing.some((i) => passes(path, i, sin, cos, reach) <= rule.tolerance);
  };
  const edge = (inside: number, outside: number) => {
    let [yes, no] = [inside, outside];
    for (let k = 0; k < 8; k++) {
      const middle = (yes + no) / 2;
      if (pressesAt(middle)) yes = middle;
      else no = middle;
    }
    return (yes + no) / 2;
  };
  const arcs = arcsOf(hit, edge);
  return {
    arcs,
    share: shareOf(arcs, outline),
    hitByLayer,
    presses: { from: pressing[0]!, to: Math.min(path.x.length - 1, pressing[pressing.length - 1]! + 1) },
  };
}

/** Share of the circumference under any of several compressions, and by layer. */
export function togetherOf(
  compressions: readonly Compression[],
  outline: Outline,
): { arcs: Arc[]; share: number; byLayer: number[] } {
  const arcs = unionOf(compressions.flatMap((c) => c.arcs));
  const byLayer = LAYERS.map((_, layer) => {
    const any = new Uint8Array(DIRECTIONS);
    for (const { presses, hitByLayer } of compressions) {
      if (!presses) continue;
      const hit = hitByLayer[layer]!;
      for (let k = 0; k < DIRECTIONS; k++) any[k]! |= hit[k]!;
    }
    return any.reduce((sum, yes, k) => (yes ? sum + outline.weights[k]! : sum), 0);
  });
  return { arcs, share: Math.min(1, shareOf(arcs, outline)), byLayer };
}

/**
 * Least distance between a root's edge and the bark, m, from a vertex on; negative where it has grown in.
 *
 * @returns where it is: the vertex and the clearance; undefined for a path that ends before
 */
export function clearanceTo(
  path: RootPath,
  from: number,
  outline: Outline,
): { vertex: number; clearance: number } | undefined {
  let best: { vertex: number; clearance: number } | undefined;
  for (let i = from; i < path.x.length; i++) {
    const out = Math.hypot(path.x[i]!, path.y[i]!);
    const radial = out - outline.radius(bearingOf(path.x[i]!, path.y[i]!)) - path.radius[i]!;
    // The bark is never nearer than straight in, less what an oval bends towards the root.
    if (best && radial * 0.7 > best.clearance && radial > 0) continue;
    const clearance = radial <= 0 ? radial : nearestBark(path.x[i]!, path.y[i]!, outline) - path.radius[i]!;
    if (!best || clearance < best.clearance) best = { vertex: i, clearance };
  }
  return best;
}

/** Directions that are skipped while the nearest part of the bark is looked for. */
const COARSE = 4;

/**
 * Distance from a point outside to the bark, m: to the nearest of the straight pieces between its directions, within a
 * quarter turn on either side.
 */
export function nearestBark(x: number, y: number, outline: Outline): number {
  const { radii } = outline;
  const middle = Math.round(Math.atan2(x, y) * PER_RADIAN) + DIRECTIONS;
  let nearest = middle;
  let least2 = Infinity;
  for (let k = middle - DIRECTIONS / 4; k <= middle + DIRECTIONS / 4; k += COARSE) {
    const d = k % DIRECTIONS;
    const ex = x - radii[d]! * SIN[d]!;
    const ey = y - radii[d]! * COS[d]!;
    const far2 = ex * ex + ey * ey;
    if (far2 < least2) {
      nearest = k;
      least2 = far2;
    }
  }
  for (let k = nearest - COARSE; k < nearest + COARSE; k++) {
    const d = k % DIRECTIONS;
    const e = (k + 1) % DIRECTIONS;
    const ax = radii[d]! * SIN[d]!;
    const ay = radii[d]! * COS[d]!;
    const dx = radii[e]! * SIN[e]! - ax;
    const dy = radii[e]! * COS[e]! - ay;
    const along = Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)));
    const ex = x - ax - along * dx;
    const ey = y - ay - along * dy;
    least2 = Math.min(least2, ex * ex + ey * ey);
  }
  return Math.sqrt(least2);
}
