import { named } from '../vocabulary/quantities';
import type { ProbePoint } from '../records';
import { bearingGap, jackknife90, periodic, roundMean, type BearingValue } from '../geometry';
import { READING_LIMITS } from '../practice/limitsOfReadings';
import { shortMark } from '../units/marks';
import type { Quantity } from '../units/quantity';

export interface CollarResult {
  /** Depth of the top of the first structural root below present grade, mean round the stem. */
  depth: Quantity;
  byBearing: BearingValue[];
  shallowest: BearingValue;
  deepest: BearingValue;
  /** Depth at any bearing, m. */
  at(bearing: number): number;
  /** Bearings where the rod met no root, with the depth it reached: the root is deeper there. */
  deeperThan: BearingValue[];
}

/** Whether a collar stands so far above a grade that the tree was planted too high. */
const tooHigh = (depth: number): boolean => depth <= -READING_LIMITS.collarHigh.value;

const whereIs = (depth: number, grade: string): string =>
  `first roots ${shortMark(Math.abs(depth))} ${depth < 0 ? 'above' : 'below'} ${grade}`;

/** What a collar depth says of its height, without judging how sure it is. */
export const collarSays = (depth: number): string =>
  tooHigh(depth)
    ? `${whereIs(depth, 'grade')}: planted too high`
    : `${whereIs(depth, 'grade')}${depth > READING_LIMITS.collarNormalMax.value ? '' : ', where they belong'}`;

/** The same of its depth below the grade at which it was planted. */
export const plantingSays = (depth: number): string =>
  `${whereIs(depth, 'the original grade')}: planted ${tooHigh(depth) ? 'too high' : depth > READING_LIMITS.collarNormalMax.value ? 'deep' : 'at a fair height'}`;

/** Depth of a push below present grade, m: mulch is taken off where the rod was read from its surface. */
export function belowGrade(
  point: ProbePoint,
  mulchDepth: (bearing: number, distance: number) => number,
): number {
  return point.from === 'mulch' ? point.depth - mulchDepth(point.bearing, point.distance) : point.depth;
}

/**
 * Collar depth from the rod.
 *
 * At each bearing the shallowest root met within the collar window counts; where only farther pushes met one, the
 * nearest of those does. Obstacles are not roots. Bearings without a root are kept apart: they say "deeper than".
 * The mean is over the circumference, so that two pushes side by side do not count double; its 90 % interval is the
 * jackknife over bearings with the error of the rod.
 *
 * @param probes any number; no root met gives undefined
 * @param mulchDepth depth of mulch at a bearing (degrees) and distance (m), for pushes read from the mulch
 */
export function collarOf(
  probes: readonly ProbePoint[],
  mulchDepth: (bearing: number, distance: number) => number = () => 0,
): CollarResult | undefined {
  const roots = probes.filter((p) => p.found === 'root');
  if (roots.length === 0) return undefined;
  const bearings = [...new Set(roots.map((p) => ((p.bearing % 360) + 360) % 360))].sort((a, b) => a - b);
  const byBearing = bearings.map((bearing) => {
    const here = roots.filter((p) => bearingGap(p.bearing, bearing) === 0);
    const near = here.filter((p) => p.distance <= READING_LIMITS.collarWindow.value);
    const nearest = Math.min(...here.map((p) => p.distance));
    const counted = near.length > 0 ? near : here.filter((p) => p.distance === nearest);
    return { bearing, value: Math.min(...counted.map((p) => belowGrade(p, mulchDepth))) };
  });
  const deeperThan = probes
    .filter((p) => p.found === 'nothing' && byBearing.every((b) => bearingGap(b.bearing, p.bearing) > 10))
    .map((p) => ({ bearing: p.bearing, value: belowGrade(p, mulchDepth) }));
  const sorted = [...byBearing].sort((a, b) => a.value - b.value);
  const notes: string[] = [];
  if (byBearing.length === 1) notes.push('One bearing only: spread unknown.');
  if (deeperThan.length > 0) {
    notes.push(`No root met at ${deeperThan.length} more bearings, left out: the true mean is deeper.`);
  }
  const shallowest = sorted[0]!;
  const deepest = sorted[sorted.length - 1]!;
  return {
    byBearing,
    shallowest,
    deepest,
    deeperThan,
    at: periodic(byBearing),
    depth: {
      ...named('collarDepth'),
      value: roundMean(byBearing),
      dimension: 'short length',
      plusMinus: jackknife90(byBearing, roundMean, READING_LIMITS.rodError.value),
      working: {
        formula: 'mean round the stem of the depth of the first root at each bearing',
        inputs: [
          { name: 'bearings with a root', value: byBearing.length, dimension: 'count' },
          { name: 'shallowest', value: shallowest.value, dimension: 'short length' },
          { name: 'deepest', value: deepest.value, dimension: 'short length' },
          { name: 'rod error', value: READING_LIMITS.rodError.value, dimension: 'short length' },
        ],
        source: 'common practice, no source; interval by jackknife (Tukey 1958), Student t',
        notes,
      },
    },
  };
}
