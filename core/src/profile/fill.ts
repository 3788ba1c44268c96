import { named } from '../vocabulary/quantities';
import type { GradeProfile } from '../records';
import { jackknife90, roundMean } from '../geometry';
import { EXCAVATION_LIMITS } from '../practice/limitsOfExcavation';
import { READING_LIMITS } from '../practice/limitsOfReadings';
import type { Quantity } from '../units/quantity';
import { fillLine, surfaceOf, type Surface } from './ground';

export interface FillResult {
  surface: Surface;
  /** Bearings read. */
  readings: number;
  /** Soil added at the stem, mean round it. */
  atStem: Quantity;
  volume: Quantity;
  /** From the bark; the volume is counted to here, m. */
  reach: number;
}

/**
 * Soil between the original and the present grade.
 *
 * The volume is counted out to the farthest distance at which fill was read, and at least to the reach of a hand dig;
 * ground beyond was not measured and is not guessed.
 *
 * @param profiles those with fill readings; none gives undefined
 * @param stemRadius m, positive
 */
export function fillOf(profiles: readonly GradeProfile[], stemRadius: number): FillResult | undefined {
  const read = profiles.filter((p) => p.fill.length > 0);
  if (read.length === 0) return undefined;
  const reach = Math.max(
    EXCAVATION_LIMITS.handDigReach.value,
    ...read.flatMap((p) => p.fill.map((f) => f.distance)),
  );
  const surfaceFor = (some: readonly GradeProfile[]) =>
    surfaceOf(
      some.map((p) => ({ bearing: p.bearing, line: fillLine(p, reach) })),
      stemRadius,
    );
  const stemDepth = (some: readonly GradeProfile[]) =>
    roundMean(some.map((p) => ({ bearing: p.bearing, value: fillLine(p, reach)[0]?.depth ?? 0 })));
  const notes = read.length === 1 ? ['One bearing only: taken as the same all round, spread unknown.'] : [];
  const inputs = [
    { name: 'bearings', value: read.length, dimension: 'count' as const },
    { name: 'counted out to, from the bark', value: reach, dimension: 'long length' as const },
  ];
  const source = 'geometry; interval by jackknife over bearings (Tukey 1958)';
  const surface = surfaceFor(read);
  return {
    surface,
    readings: read.length,
    reach,
    atStem: {
      ...named('fillAtStem'),
      value: stemDepth(read),
      dimension: 'short length',
      plusMinus: jackknife90(read, stemDepth, READING_LIMITS.rodError.value),
      working: { formula: 'mean round the stem of present grade less original grade', inputs, source, notes },
    },
    volume: {
      ...named('fillVolume'),
      value: surface.volume(),
      dimension: 'volume',
      plusMinus: jackknife90(read, (some) => surfaceFor(some).volume()),
      working: {
        formula:
          'present less original grade, integrated over radius and bearing out to the farthest reading',
        inputs,
        source,
        notes,
      },
    },
  };
}
