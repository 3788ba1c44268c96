/**
 * Values known at bearings round a stem, interpolated smoothly and periodically between them.
 *
 * Frame: bearings in degrees clockwise from north, 0 to 360.
 * Method: shape-preserving cubic Hermite with limited slopes (Fritsch & Carlson 1980, SIAM J. Numer. Anal. 17:238,
 * harmonic-mean form of Fritsch & Butland 1984), closed on the circle. It passes through every reading, never
 * overshoots between two of them and is exact for a constant.
 */
export interface BearingValue {
  bearing: number;
  value: number;
}

/** Degrees folded into 0 to 360. */
export const wrapBearing = (bearing: number): number => ((bearing % 360) + 360) % 360;

/** Smallest angle between two bearings, 0 to 180 degrees. */
export function bearingGap(a: number, b: number): number {
  const gap = Math.abs(wrapBearing(a) - wrapBearing(b));
  return Math.min(gap, 360 - gap);
}

/** Readings sorted by bearing; those at the same bearing are averaged. */
export function mergeBearings(readings: readonly BearingValue[]): BearingValue[] {
  const merged: (BearingValue & { of: number })[] = [];
  for (const { bearing, value } of readings) {
    if (!Number.isFinite(bearing) || !Number.isFinite(value)) {
      throw new RangeError(`A reading must be finite: bearing ${bearing}, value ${value}.`);
    }
    const at = wrapBearing(bearing);
    const same = merged.find((m) => m.bearing === at);
    if (same) {
      same.value += value;
      same.of++;
    } else merged.push({ bearing: at, value, of: 1 });
  }
  return merged
    .map(({ bearing, value, of }) => ({ bearing, value: value / of }))
    .sort((a, b) => a.bearing - b.bearing);
}

/** Degrees from each bearing to the next, round the circle. */
const gapsOf = (bearings: readonly number[]): number[] =>
  bearings.map((b, i) => (i + 1 < bearings.length ? bearings[i + 1]! : bearings[0]! + 360) - b);

/** Slope at a reading, limited: `c0` and `c1` are the slopes of the chords before and after, `h0` and `h1` their lengths. */
const limitedSlope = (c0: number, c1: number, h0: number, h1: number): number =>
  c0 * c1 <= 0 ? 0 : (3 * (h0 + h1)) / ((2 * h1 + h0) / c0 + (h1 + 2 * h0) / c1);

/**
 * The periodic interpolants of several quantities read at the same bearings, evaluated together: the place between two
 * bearings is found once.
 *
 * @param bearings rising, in 0 to 360, no two the same; at least one
 * @param rows one array of values for each bearing, all of the same length
 * @returns the values at any bearing in degrees
 */
export function periodicRows(
  bearings: readonly number[],
  rows: readonly (readonly number[])[],
): (bearing: number) => number[] {
  const n = bearings.length;
  if (n === 0) throw new RangeError('At least one reading is needed.');
  if (n === 1) return () => [...rows[0]!];
  const gap = gapsOf(bearings);
  const slopes = bearings.map((_, i) => {
    const [before, next] = [(i + n - 1) % n, (i + 1) % n];
    const [h0, h1] = [gap[before]!, gap[i]!];
    return rows[i]!.map((value, k) =>
      limitedSlope((value - rows[before]![k]!) / h0, (rows[next]![k]! - value) / h1, h0, h1),
    );
  });
  return (bearing) => {
    const at = wrapBearing(bearing);
    let i = n - 1;
    for (let k = 0; k < n && bearings[k]! <= at; k++) i = k;
    const next = (i + 1) % n;
    const h = gap[i]!;
    const t = wrapBearing(at - bearings[i]!) / h;
    const t2 = t * t;
    const t3 = t2 * t;
    const [w0, w1] = [2 * t3 - 3 * t2 + 1, -2 * t3 + 3 * t2];
    const [d0, d1] = [(t3 - 2 * t2 + t) * h, (t3 - t2) * h];
    const [r0, r1, s0, s1] = [rows[i]!, rows[next]!, slopes[i]!, slopes[next]!];
    return r0.map((value, k) => w0 * value + d0 * s0[k]! + w1 * r1[k]! + d1 * s1[k]!);
  };
}

/**
 * The periodic interpolant through the readings.
 *
 * @param readings at least one; bearings in degrees
 * @returns value at any bearing in degrees
 * @throws RangeError when there is no reading or one is not finite
 */
export function periodic(readings: readonly BearingValue[]): (bearing: number) => number {
  const points = mergeBearings(readings);
  const row = periodicRows(
    points.map((p) => p.bearing),
    points.map((p) => [p.value]),
  );
  return (bearing) => row(bearing)[0]!;
}

// Gauss-Legendre, five points: exact to degree nine, more than the products of cubics met here need.
const GAUSS_NODES = [-0.906179845938664, -0.5384693101056831, 0, 0.5384693101056831, 0.906179845938664];
const GAUSS_WEIGHTS = [
  0.2369268850561891, 0.4786286704993665, 0.5688888888888889, 0.4786286704993665, 0.2369268850561891,
];

/**
 * Integral of `f` over the whole circle, in radians of bearing.
 *
 * @param f function of bearing in degrees, smooth between `knots`
 * @param knots bearings in degrees where `f` may bend
 */
export function roundIntegral(f: (bearing: number) => number, knots: readonly number[]): number {
  const cuts = [...new Set(knots.map(wrapBearing))].sort((a, b) => a - b);
  const edges = cuts.length === 0 ? [0, 360] : [...cuts, cuts[0]! + 360];
  let sum = 0;
  for (let i = 0; i + 1 < edges.length; i++) {
    const half = (edges[i + 1]! - edges[i]!) / 2;
    const middle = (edges[i + 1]! + edges[i]!) / 2;
    for (let g = 0; g < 5; g++) sum += GAUSS_WEIGHTS[g]! * half * f(middle + half * GAUSS_NODES[g]!);
  }
  return (sum * Math.PI) / 180;
}

/**
 * Mean over the circumference of the periodic interpolant: readings that stand for more bark weigh more. The integral of
 * a cubic Hermite piece of length h is h (y0 + y1) / 2 + h2 (s0 - s1) / 12.
 */
export function roundMean(readings: readonly BearingValue[]): number {
  const points = mergeBearings(readings);
  const n = points.length;
  if (n === 0) throw new RangeError('At least one reading is needed.');
  if (n === 1) return points[0]!.value;
  const gap = gapsOf(points.map((p) => p.bearing));
  const chord = points.map((p, i) => (points[(i + 1) % n]!.value - p.value) / gap[i]!);
  const slope = points.map((_, i) => {
    const before = (i + n - 1) % n;
    return limitedSlope(chord[before]!, chord[i]!, gap[before]!, gap[i]!);
  });
  return (
    points.reduce((sum, { value }, i) => {
      const next = (i + 1) % n;
      const h = gap[i]!;
      return sum + (h * (value + points[next]!.value)) / 2 + (h * h * (slope[i]! - slope[next]!)) / 12;
    }, 0) / 360
  );
}
