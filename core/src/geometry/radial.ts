/** A depth at a distance; distances rise, and two equal distances make a vertical edge. Metres. */
export interface RadialPoint {
  distance: number;
  depth: number;
}

/** Depth at `distance` on the broken line; held flat outside it. At a vertical edge the outer value. */
export function depthAt(points: readonly RadialPoint[], distance: number): number {
  const first = points[0];
  if (!first) return 0;
  if (distance <= first.distance && (points[1]?.distance ?? Infinity) > first.distance) return first.depth;
  let last = first;
  for (const point of points) {
    if (point.distance > distance) {
      const span = point.distance - last.distance;
      return last.depth + ((point.depth - last.depth) * (distance - last.distance)) / span;
    }
    last = point;
  }
  return last.depth;
}

/**
 * Exact integral of depth x radius over radius, that is the volume per radian of bearing, m3/rad.
 *
 * With depth linear between two points, depth(rho) = a + b rho, the integral of (a + b rho) rho is
 * a rho^2/2 + b rho^3/3.
 *
 * @param points depth against distance from the bark, m
 * @param stemRadius distance from the centre of the stem to the bark, m
 */
export function radialVolume(points: readonly RadialPoint[], stemRadius: number): number {
  let sum = 0;
  for (let i = 0; i + 1 < points.length; i++) {
    const inner = points[i]!.distance + stemRadius;
    const outer = points[i + 1]!.distance + stemRadius;
    if (outer <= inner) continue;
    const b = (points[i + 1]!.depth - points[i]!.depth) / (outer - inner);
    const a = points[i]!.depth - b * inner;
    const [inner2, outer2] = [inner * inner, outer * outer];
    sum += (a * (outer2 - inner2)) / 2 + (b * (outer2 * outer - inner2 * inner)) / 3;
  }
  return sum;
}
