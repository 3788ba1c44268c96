/** A stretch along a bearing, m from the centre of the stem. */
export interface Stretch {
  from: number;
  to: number;
}

/** Something a trench keeps away from, in metres from the centre of the stem: x east, y north. */
export interface Obstacle {
  name: string;
  shape: 'area' | 'line';
  points: readonly (readonly [x: number, y: number])[];
  /** From its edge to the wall of a trench, m. */
  clearance: number;
}

const RADIANS = Math.PI / 180;

/** Unit vector of a bearing, degrees clockwise from north. */
export const along = (bearing: number): readonly [number, number] => [
  Math.sin(bearing * RADIANS),
  Math.cos(bearing * RADIANS),
];

/**
 * Where a ray from the origin runs within a distance of a segment. Points within a distance of a segment make a convex
 * body, so it is one stretch: that of two discs and a rectangle.
 */
function nearSegment(
  [ux, uy]: readonly [number, number],
  [ax, ay]: readonly [number, number],
  [bx, by]: readonly [number, number],
  distance: number,
): Stretch | undefined {
  // Most segments lie wholly to one side of the ray, or behind its beginning.
  const [sideA, sideB] = [ux * ay - uy * ax, ux * by - uy * bx];
  if ((sideA > distance && sideB > distance) || (sideA < -distance && sideB < -distance)) return undefined;
  if (ux * ax + uy * ay < -distance && ux * bx + uy * by < -distance) return undefined;
  let from = Infinity;
  let to = -Infinity;
  const take = (a: number, b: number) => {
    from = Math.min(from, a);
    to = Math.max(to, b);
  };
  for (const [x, y] of [
    [ax, ay],
    [bx, by],
  ] as const) {
    const off = ux * y - uy * x;
    if (Math.abs(off) > distance) continue;
    const half = Math.sqrt(distance * distance - off * off);
    const at = ux * x + uy * y;
    take(at - half, at + half);
  }
  const length = Math.hypot(bx - ax, by - ay);
  if (length > 0) {
    const [dx, dy] = [(bx - ax) / length, (by - ay) / length];
    // Along the ray at t: run = t·r0 - r1 along the segment, side = t·s0 - s1 across it.
    const slab = (slope: number, offset: number, least: number, most: number): Stretch =>
      slope === 0
        ? -offset >= least && -offset <= most
          ? { from: -Infinity, to: Infinity }
          : { from: Infinity, to: -Infinity }
        : {
            from: Math.min((least + offset) / slope, (most + offset) / slope),
            to: Math.max((least + offset) / slope, (most + offset) / slope),
          };
    const run = slab(ux * dx + uy * dy, ax * dx + ay * dy, 0, length);
    const side = slab(ux * dy - uy * dx, ax * dy - ay * dx, -distance, distance);
    const [a, b] = [Math.max(run.from, side.from), Math.min(run.to, side.to)];
    if (a <= b) take(a, b);
  }
  return to > 0 && from <= to ? { from: Math.max(0, from), to } : undefined;
}

/** Where a ray from the origin runs inside an area (even-odd). */
function insideArea([ux, uy]: readonly [number, number], points: Obstacle['points']): Stretch[] {
  const crossings: number[] = [];
  points.forEach(([ax, ay], i) => {
    const [bx, by] = points[(i + 1) % points.length]!;
    // Across the ray; half-open so that a corner counts once.
    const [a, b] = [ux * ay - uy * ax, ux * by - uy * bx];
    if (a > 0 === b > 0) return;
    const at = ux * ax + uy * ay + (a / (a - b)) * (ux * (bx - ax) + uy * (by - ay));
    if (at > 0) crossings.push(at);
  });
  // An odd number of crossings ahead means that the origin itself lies inside.
  const ahead = crossings.sort((a, b) => a - b);
  if (ahead.length % 2 === 1) ahead.unshift(0);
  return ahead.flatMap((from, i) => (i % 2 === 0 ? [{ from, to: ahead[i + 1] ?? Infinity }] : []));
}

interface Circle {
  x: number;
  y: number;
  radius: number;
}

const circles = new WeakMap<Obstacle, Circle>();

/** A circle about an obstacle, found once: most bearings pass it by. */
function circleAbout(obstacle: Obstacle): Circle {
  const known = circles.get(obstacle);
  if (known) return known;
  const [xs, ys] = [obstacle.points.map(([x]) => x), obstacle.points.map(([, y]) => y)];
  const middle = (values: number[]) => (Math.min(...values) + Math.max(...values)) / 2;
  const [x, y] = [middle(xs), middle(ys)];
  const radius = Math.max(...obstacle.points.map(([px, py]) => Math.hypot(px - x, py - y)));
  const made = { x, y, radius };
  circles.set(obstacle, made);
  return made;
}

function passesBy([ux, uy]: readonly [number, number], { x, y, radius }: Circle, keep: number): boolean {
  const reach = radius + keep;
  return Math.abs(ux * y - uy * x) > reach || ux * x + uy * y < -reach;
}

export interface Blocked extends Stretch {
  by: string;
}

/**
 * Stretches of a bearing in which a trench would come nearer to an obstacle than its clearance.
 *
 * @param width of the trench, m
 */
export function blockedAlong(bearing: number, obstacles: readonly Obstacle[], width: number): Blocked[] {
  const ray = along(bearing);
  return obstacles.flatMap((obstacle): Blocked[] => {
    const { name, shape, points, clearance } = obstacle;
    const keep = clearance + width / 2;
    if (passesBy(ray, circleAbout(obstacle), keep)) return [];
    const found: Stretch[] = shape === 'area' ? insideArea(ray, points) : [];
    const edges = shape === 'area' ? points.length : points.length - 1;
    for (let i = 0; i < edges; i++) {
      const near = nearSegment(ray, points[i]!, points[(i + 1) % points.length]!, keep);
      if (near) found.push(near);
    }
    if (points.length === 1) {
      const near = nearSegment(ray, points[0]!, points[0]!, keep);
      if (near) found.push(near);
    }
    return found.map((stretch) => ({ ...stretch, by: name }));
  });
}

export interface Free extends Stretch {
  /** What ends it toward the stem and away from it; undefined where the rule itself does. */
  innerLimit?: string;
  outerLimit?: string;
}

/** What is left of a stretch once others are taken out of it, in order. */
export function freeOf(all: Stretch, blocked: readonly Blocked[]): Free[] {
  const left: Free[] = [];
  let from = all.from;
  let innerLimit: string | undefined;
  for (const b of [...blocked].sort((a, b) => a.from - b.from)) {
    if (b.to <= from) continue;
    if (b.from >= all.to) break;
    if (b.from > from) left.push({ from, to: b.from, innerLimit, outerLimit: b.by });
    from = b.to;
    innerLimit = b.by;
  }
  if (from < all.to) left.push({ from, to: all.to, innerLimit });
  return left;
}
