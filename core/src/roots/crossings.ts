import type { RootPath } from './path';

/** Where one root crosses another in plan. */
export interface Crossing {
  /** Indices of the roots in the dig; `over` lies above `under`. */
  over: number;
  under: number;
  /** Metres from the centre of the stem, east and north. */
  x: number;
  y: number;
  /** Between the two paths in plan, 0 to 90 degrees. */
  angle: number;
  /** Whether the pit said which is over; else it is told by depth. */
  seen: boolean;
}

/** Two roots near each other: their least gap, negative when grown into each other, and for how far they press. */
export interface Pressing {
  a: number;
  b: number;
  length: number;
  gap: number;
}

/** Pairs farther apart than this do not meet within a working life, m. Common practice, no source. */
export const ROOTS_NEAR = 0.12;

/** Roots nearer than this touch; what can be told in a pit. Common practice, no source. */
export const ROOTS_TOUCH = 0.003;

interface Box {
  west: number;
  east: number;
  south: number;
  north: number;
  /** Longest piece and thickest radius, m. */
  step: number;
  thick: number;
}

const boxes = new WeakMap<RootPath, Box>();

function boxOf(path: RootPath): Box {
  const before = boxes.get(path);
  if (before) return before;
  const box = { west: Infinity, east: -Infinity, south: Infinity, north: -Infinity, step: 1e-6, thick: 0 };
  for (let i = 0; i < path.x.length; i++) {
    const x = path.x[i]!;
    const y = path.y[i]!;
    const r = path.radius[i]!;
    box.west = Math.min(box.west, x - r);
    box.east = Math.max(box.east, x + r);
    box.south = Math.min(box.south, y - r);
    box.north = Math.max(box.north, y + r);
    box.thick = Math.max(box.thick, r);
    if (i > 0) box.step = Math.max(box.step, path.along[i]! - path.along[i - 1]!);
  }
  boxes.set(path, box);
  return box;
}

const apart = (a: Box, b: Box): boolean =>
  a.east < b.west - ROOTS_NEAR ||
  b.east < a.west - ROOTS_NEAR ||
  a.north < b.south - ROOTS_NEAR ||
  b.north < a.south - ROOTS_NEAR;

const outside = (box: Box, x: number, y: number, r: number): boolean =>
  x + r < box.west - ROOTS_NEAR ||
  x - r > box.east + ROOTS_NEAR ||
  y + r < box.south - ROOTS_NEAR ||
  y - r > box.north + ROOTS_NEAR;

/** Whether and where piece i of `a` crosses piece k of `b` in plan: shares of the way along each. */
function meet(a: RootPath, i: number, b: RootPath, k: number): [number, number] | undefined {
  const [ax, ay] = [a.x[i + 1]! - a.x[i]!, a.y[i + 1]! - a.y[i]!];
  const [bx, by] = [b.x[k + 1]! - b.x[k]!, b.y[k + 1]! - b.y[k]!];
  const det = ax * by - ay * bx;
  if (det === 0) return undefined;
  const [dx, dy] = [b.x[k]! - a.x[i]!, b.y[k]! - a.y[i]!];
  const t = (dx * by - dy * bx) / det;
  const u = (dx * ay - dy * ax) / det;
  return t >= 0 && t < 1 && u >= 0 && u < 1 ? [t, u] : undefined;
}

/** Distance from vertex i of `a` to piece k of `b` in space, less both radii there. */
function gapBetween(a: RootPath, i: number, b: RootPath, k: number): number {
  const x = a.x[i]! - b.x[k]!;
  const y = a.y[i]! - b.y[k]!;
  const z = a.z[i]! - b.z[k]!;
  const dx = b.x[k + 1]! - b.x[k]!;
  const dy = b.y[k + 1]! - b.y[k]!;
  const dz = b.z[k + 1]! - b.z[k]!;
  const length2 = dx * dx + dy * dy + dz * dz;
  const t = length2 === 0 ? 0 : Math.min(1, Math.max(0, (x * dx + y * dy + z * dz) / length2));
  const ex = x - dx * t;
  const ey = y - dy * t;
  const ez = z - dz * t;
  return (
    Math.sqrt(ex * ex + ey * ey + ez * ez) -
    a.radius[i]! -
    (b.radius[k]! + (b.radius[k + 1]! - b.radius[k]!) * t)
  );
}

const sharpAngle = (ax: number, ay: number, bx: number, by: number): number => {
  const between = Math.abs(Math.atan2(ax * by - ay * bx, ax * bx + ay * by)) * (180 / Math.PI);
  return Math.min(between, 180 - between);
};

/** What two roots have to do with each other, without regard to the dig they are in. */
interface Meeting {
  crossings: { x: number; y: number; angle: number; firstHigher: boolean }[];
  length: number;
  gap: number;
}

/** Meetings already worked out, by the two paths: dragging one root leaves the others as they were. */
const known = new WeakMap<RootPath, WeakMap<RootPath, Meeting>>();

function meetingOf(pa: RootPath, pb: RootPath, a: Box, b: Box, fromA: number, fromB: number): Meeting {
  const before = known.get(pa)?.get(pb);
  if (before) return before;
  const found: Meeting = { crossings: [], length: 0, gap: Infinity };
  for (let i = fromA; i < pa.x.length; i++) {
    const x = pa.x[i]!;
    const y = pa.y[i]!;
    if (outside(b, x, y, pa.radius[i]!)) continue;
    const thick = pa.radius[i]! + b.thick;
    // How near it has to come to count: nearer than anything before, or so that it touches.
    const asked = Math.min(ROOTS_NEAR, Math.max(ROOTS_TOUCH, found.gap));
    let nearest = Infinity;
    for (let k = fromB; k + 1 < pb.x.length; k++) {
      // Too far to touch, to be the nearest or to cross: no piece is longer than the longest, so as many can be passed over.
      const ex = pb.x[k]! - x;
      const ey = pb.y[k]! - y;
      const far = Math.sqrt(ex * ex + ey * ey);
      const idle = far - Math.max(thick + Math.min(asked, nearest), a.step);
      if (idle > b.step) {
        k += Math.floor(idle / b.step) - 1;
        continue;
      }
      nearest = Math.min(nearest, gapBetween(pa, i, pb, k));
      const met = i + 1 < pa.x.length && far <= a.step + b.step ? meet(pa, i, pb, k) : undefined;
      if (!met) continue;
      const [t, u] = met;
      const [ax, ay] = [pa.x[i + 1]! - pa.x[i]!, pa.y[i + 1]! - pa.y[i]!];
      found.crossings.push({
        x: pa.x[i]! + ax * t,
        y: pa.y[i]! + ay * t,
        angle: sharpAngle(ax, ay, pb.x[k + 1]! - pb.x[k]!, pb.y[k + 1]! - pb.y[k]!),
        firstHigher: pa.z[i]! + (pa.z[i + 1]! - pa.z[i]!) * t >= pb.z[k]! + (pb.z[k + 1]! - pb.z[k]!) * u,
      });
    }
    found.gap = Math.min(found.gap, nearest);
    if (nearest <= ROOTS_TOUCH && i > fromA) found.length += pa.along[i]! - pa.along[i - 1]!;
  }
  const row = known.get(pa) ?? new WeakMap<RootPath, Meeting>();
  row.set(pb, found);
  known.set(pa, row);
  return found;
}

/**
 * Every crossing in plan among the roots of a dig, and every pair near each other in space.
 *
 * @param saidOver whether the pit said that the first passes over the second
 * @param skipTo vertex of `a` before which it belongs to `b`, which it grows from
 */
export function meetingsOf(
  paths: readonly RootPath[],
  saidOver: (a: number, b: number) => boolean,
  skipTo: (a: number, b: number) => number,
): { crossings: Crossing[]; pressings: Pressing[] } {
  const around = paths.map(boxOf);
  const crossings: Crossing[] = [];
  const pressings: Pressing[] = [];
  for (let a = 0; a < paths.length; a++) {
    for (let b = a + 1; b < paths.length; b++) {
      if (apart(around[a]!, around[b]!)) continue;
      const met = meetingOf(paths[a]!, paths[b]!, around[a]!, around[b]!, skipTo(a, b), skipTo(b, a));
      const [aOver, bOver] = [saidOver(a, b), saidOver(b, a)];
      for (const { x, y, angle, firstHigher } of met.crossings) {
        const onTop = aOver === bOver ? firstHigher : aOver;
        crossings.push({ over: onTop ? a : b, under: onTop ? b : a, x, y, angle, seen: aOver !== bOver });
      }
      if (met.gap <= ROOTS_NEAR) pressings.push({ a, b, length: met.length, gap: met.gap });
    }
  }
  return { crossings, pressings };
}
