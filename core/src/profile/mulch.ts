import { named, type QuantityKey } from '../vocabulary/quantities';
import type { GradeProfile } from '../records';
import { depthAt, jackknife90, roundMean } from '../geometry';
import { READING_LIMITS } from '../practice/limitsOfReadings';
import type { Quantity } from '../units/quantity';
import { mulchLine, surfaceOf, type Surface } from './ground';

export interface MulchResult {
  surface: Surface;
  volume: Quantity;
  /** Bearings with a reading at the bark itself, and those of them that were read farther out as well. */
  atBark: number;
  across: number;
  /** Mean height against the bark round the stem, where it was read there. */
  onBark: Quantity;
  /** Tallest reading against the bark, m. */
  tallest: { bearing: number; height: number };
  /** From the centre of the stem to where the mulch ends, mean. */
  ringRadius: Quantity;
  /** Bark to the first mulch, mean. */
  clearance: Quantity;
  /** Mean depth halfway out, m; against `onBark` it tells a cone from a blanket. */
  halfwayDepth: number;
}

export const mulchProfiles = (profiles: readonly GradeProfile[]): GradeProfile[] =>
  profiles.filter((p) => p.mulch.length > 0 || p.mulchEnds !== undefined);

/** Distance from the bark at which mulch of any thickness starts, m; the edge where there is none. */
export function clearanceOf(profile: GradeProfile): number {
  const line = mulchLine(profile);
  const nothing = READING_LIMITS.mulchNothing.value;
  if (depthAt(line, 0) > nothing) return 0;
  for (let i = 0; i + 1 < line.length; i++) {
    const [a, b] = [line[i]!, line[i + 1]!];
    if (b.depth > nothing) {
      const rise = b.depth - a.depth;
      return rise > 0 ? a.distance + ((b.distance - a.distance) * (nothing - a.depth)) / rise : a.distance;
    }
  }
  return line[line.length - 1]?.distance ?? 0;
}

/** Depth of the mulch at the bark, m. */
const barkHeight = (p: GradeProfile): number => mulchLine(p)[0]?.depth ?? 0;

/** What was not read, and is taken for granted. */
function notesOn(read: readonly GradeProfile[]): string[] {
  const notes = read.length === 1 ? ['One bearing only: taken as the same all round, spread unknown.'] : [];
  const open = read.filter((p) => p.mulchEnds === undefined && p.mulch.length > 0);
  if (open.length > 0) {
    notes.push(`Edge not read at ${open.map((p) => `${p.bearing}°`).join(', ')}: taken as the last reading.`);
  }
  return notes;
}

/** Where mulch stands highest at the bark. */
const tallestOf = (read: readonly GradeProfile[]): { bearing: number; height: number } =>
  read.reduce(
    (best, p) => (barkHeight(p) > best.height ? { bearing: p.bearing, height: barkHeight(p) } : best),
    { bearing: read[0]!.bearing, height: barkHeight(read[0]!) },
  );

/**
 * Mulch round the stem: volume, height on the bark, ring radius and clearance, each with a 90 % interval from the
 * spread of the profiles (jackknife over bearings).
 *
 * @param profiles those with mulch readings; none gives undefined
 * @param stemRadius m, positive
 * @example a cone 0.30 m high, 0.90 m radius on a stem of 0.10 m radius has 0.2765 m3
 */
export function mulchOf(profiles: readonly GradeProfile[], stemRadius: number): MulchResult | undefined {
  const read = mulchProfiles(profiles);
  if (read.length === 0) return undefined;
  const surfaceFor = (some: readonly GradeProfile[]) =>
    surfaceOf(
      some.map((p) => ({ bearing: p.bearing, line: mulchLine(p) })),
      stemRadius,
    );
  const surface = surfaceFor(read);
  const near = read.filter((p) => p.mulch.some((m) => m.distance <= READING_LIMITS.atTheBark.value));
  // An edge tells where mulch ends, and nothing of what stands on the bark.
  const byBark = near.length > 0 ? near : read;
  const at = (value: (p: GradeProfile) => number) => (some: readonly GradeProfile[]) =>
    roundMean(some.map((p) => ({ bearing: p.bearing, value: value(p) })));
  const ring = (p: GradeProfile) => {
    const line = mulchLine(p);
    return (line[line.length - 1]?.distance ?? 0) + stemRadius;
  };
  const notes = notesOn(read);
  const inputs = [
    { name: 'profiles', value: read.length, dimension: 'count' as const },
    { name: 'stem radius', value: stemRadius, dimension: 'short length' as const },
  ];
  const quantity = (
    key: QuantityKey,
    dimension: Quantity['dimension'],
    statistic: (some: readonly GradeProfile[]) => number,
    formula: string,
    instrument = 0,
    of: readonly GradeProfile[] = read,
  ): Quantity => ({
    ...named(key),
    dimension,
    value: statistic(of),
    plusMinus: jackknife90(of, statistic, instrument),
    working: { formula, inputs, source: 'geometry; interval by jackknife over bearings (Tukey 1958)', notes },
  });
  return {
    surface,
    atBark: near.length,
    across: near.filter((p) => mulchLine(p).length > 1).length,
    tallest: tallestOf(byBark),
    volume: quantity(
      'mulchVolume',
      'volume',
      (some) => surfaceFor(some).volume(),
      'depth integrated over radius and bearing: straight between readings, smooth round the stem',
    ),
    onBark: quantity(
      'mulchOnBark',
      'short length',
      at(barkHeight),
      'mean round the stem of the depth at the bark',
      READING_LIMITS.rodError.value,
      byBark,
    ),
    ringRadius: quantity(
      'mulchRingRadius',
      'long length',
      at(ring),
      'mean of stem radius + distance at which the mulch ends',
      READING_LIMITS.rodError.value,
    ),
    clearance: quantity(
      'clearanceFromBark',
      'short length',
      at(clearanceOf),
      `mean distance at which mulch deeper than ${READING_LIMITS.mulchNothing.value * 100} cm starts`,
      READING_LIMITS.rodError.value,
    ),
    halfwayDepth: roundMean(
      byBark.map((p) => ({
        bearing: p.bearing,
        value: surface.depth(p.bearing, surface.edge(p.bearing) / 2),
      })),
    ),
  };
}
