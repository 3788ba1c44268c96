import {
  depthAt,
  periodicRows,
  radialVolume,
  roundIntegral,
  wrapBearing,
  type RadialPoint,
} from '../geometry';
import type { GradeProfile } from '../records';

/**
 * The ground round one stem as a surface over bearing and distance, from rod profiles.
 *
 * Along a profile the depth is straight between readings. Between profiles, readings at the same *share* of the way
 * to the edge belong together: the edge distance and the depth at each share are interpolated round the stem
 * (geometry/periodic). So a cone comes out as a cone and a flat ring as a flat ring, whatever bearings were read.
 */
export interface Surface {
  /** Depth at a bearing (degrees) and distance from the bark (m). */
  depth(bearing: number, distance: number): number;
  /** Distance from the bark at which it ends, m. */
  edge(bearing: number): number;
  /** Volume, m3. */
  volume(): number;
}

export interface SurfaceProfile {
  bearing: number;
  /** Distances rise from 0 to the edge; see {@link mulchLine} and {@link fillLine}. */
  line: RadialPoint[];
}

/**
 * Mulch readings of a profile as a line from the bark to the edge. Where the edge was read farther out than the last
 * depth, the mulch runs out straight to it; where it was not read, the mulch stops at the last reading.
 */
export function mulchLine(profile: GradeProfile): RadialPoint[] {
  const line = [...profile.mulch].sort((a, b) => a.distance - b.distance);
  const first = line[0];
  if (!first)
    return profile.mulchEnds === undefined
      ? []
      : [
          { distance: 0, depth: 0 },
          { distance: profile.mulchEnds, depth: 0 },
        ];
  if (first.distance > 0) line.unshift({ distance: 0, depth: first.depth });
  const ends = profile.mulchEnds;
  if (ends === undefined) return line;
  const inside = line.filter((p) => p.distance <= ends);
  const last = inside[inside.length - 1] ?? line[0]!;
  return last.distance < ends ? [...inside, { distance: ends, depth: 0 }] : inside;
}

/** Fill readings as a line out to `reach`, held level inside the first and outside the last reading. */
export function fillLine(profile: GradeProfile, reach: number): RadialPoint[] {
  const line = [...profile.fill].sort((a, b) => a.distance - b.distance);
  const first = line[0];
  if (!first) return [];
  if (first.distance > 0) line.unshift({ distance: 0, depth: first.depth });
  const last = line[line.length - 1]!;
  if (last.distance < reach) line.push({ distance: reach, depth: last.depth });
  return line;
}

/**
 * @param profiles at least one, each with a line that starts at the bark
 * @param stemRadius m
 */
export function surfaceOf(profiles: readonly SurfaceProfile[], stemRadius: number): Surface {
  if (!(stemRadius > 0)) throw new RangeError(`Stem radius must be positive, not ${stemRadius}.`);
  const sorted = [...profiles].sort((a, b) => wrapBearing(a.bearing) - wrapBearing(b.bearing));
  const ends = sorted.map((p) => p.line[p.line.length - 1]?.distance ?? 0);
  // Every share of the way at which any profile bends; where one has a vertical edge, both its sides.
  const shares = new Set<number>();
  const edges = new Set<number>();
  sorted.forEach((p, i) => {
    p.line.forEach((point, k) => {
      const share = ends[i]! > 0 ? point.distance / ends[i]! : 0;
      shares.add(share);
      if (k > 0 && p.line[k - 1]!.distance === point.distance && share > 0 && share < 1) edges.add(share);
    });
  });
  const sides = [...shares]
    .sort((x, y) => x - y)
    .flatMap((share) => (edges.has(share) ? [share - 1e-9, share + 1e-9] : [share]));
  // One row a bearing: where it ends, then the depth at every share of the way.
  const rowAt = periodicRows(
    sorted.map((p) => wrapBearing(p.bearing)),
    sorted.map((p, i) => [ends[i]!, ...sides.map((share) => valueAtShare(p.line, share, ends[i]!))]),
  );
  let last: { bearing: number; line: RadialPoint[]; end: number } | undefined;
  const at = (bearing: number) => {
    if (last?.bearing !== bearing) {
      const row = rowAt(bearing);
      const end = row[0]!;
      last = {
        bearing,
        end,
        line: sides.map((share, k) => ({ distance: share * end, depth: row[k + 1]! })),
      };
    }
    return last;
  };
  return {
    edge: (bearing) => at(bearing).end,
    depth: (bearing, distance) => {
      const { end, line } = at(bearing);
      return distance > end + 1e-9 ? 0 : depthAt(line, distance);
    },
    // Of a hair's breadth of it the sum may round to less than nothing.
    volume: () =>
      Math.max(
        0,
        roundIntegral(
          (bearing) => radialVolume(at(bearing).line, stemRadius),
          sorted.map((p) => p.bearing),
        ),
      ),
  };
}

/** Depth at a share of the way out; at the very edge the inner side of a vertical face. */
function valueAtShare(line: readonly RadialPoint[], share: number, end: number): number {
  if (share >= 1) return line[line.length - 1]?.depth ?? 0;
  return depthAt(line, share * end);
}
