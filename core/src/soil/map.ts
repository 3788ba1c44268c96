import { normalBelow } from '../geometry';

/** Something measured at a place, m from the centre of the stem. */
export interface Measured {
  x: number;
  y: number;
  value: number;
}

export interface Estimate {
  value: number;
  /** Standard error. */
  error: number;
}

export interface SoilMap {
  /** @returns undefined where no measurement lies near enough to say anything */
  at(x: number, y: number): Estimate | undefined;
}

/** Places farther apart than some three times this know nothing of each other, m. Judgement. */
const RANGE = 1;
/** The same place pushed twice differs by about this, m. Judgement. */
const REPEAT = 0.02;
/** Least spread that soil is taken to have, m. */
const LEAST_SPREAD = 0.03;
/** Beyond this share of the spread of the soil a place has no value. */
const KNOWS_NOTHING = 0.9;
const FEWEST = 3;

/** Solves a symmetric system in place by Gaussian elimination with pivots. */
function solve(matrix: number[][], right: number[]): number[] {
  const n = right.length;
  const a = matrix.map((row, i) => [...row, right[i]!]);
  for (let c = 0; c < n; c++) {
    let pivot = c;
    for (let r = c + 1; r < n; r++) if (Math.abs(a[r]![c]!) > Math.abs(a[pivot]![c]!)) pivot = r;
    [a[c], a[pivot]] = [a[pivot]!, a[c]!];
    for (let r = 0; r < n; r++) {
      if (r === c) continue;
      const factor = a[r]![c]! / a[c]![c]!;
      for (let k = c; k <= n; k++) a[r]![k]! -= factor * a[c]![k]!;
    }
  }
  return a.map((row, i) => row[n]! / row[i]!);
}

function inverse(matrix: number[][]): number[][] {
  const n = matrix.length;
  const columns = Array.from({ length: n }, (_, c) =>
    solve(
      matrix,
      Array.from({ length: n }, (_, r) => (r === c ? 1 : 0)),
    ),
  );
  return Array.from({ length: n }, (_, r) => columns.map((column) => column[r]!));
}

/**
 * Ordinary kriging with an exponential covariance (Matheron 1963; Cressie 1993, Statistics for Spatial Data, 3.2; from
 * memory): each place by its neighbours, with its standard error.
 *
 * @param measured in m; fewer than three give no map
 */
export function mapOf(measured: readonly Measured[]): SoilMap | undefined {
  const n = measured.length;
  if (n < FEWEST) return undefined;
  const mean = measured.reduce((sum, m) => sum + m.value, 0) / n;
  const spread = Math.max(
    LEAST_SPREAD,
    Math.sqrt(measured.reduce((sum, m) => sum + (m.value - mean) ** 2, 0) / (n - 1)),
  );
  const sill = spread * spread;
  const nugget = Math.min(REPEAT ** 2, sill / 2);
  const alike = (distance: number) => (sill - nugget) * Math.exp(-distance / RANGE);
  const matrix = measured.map((p, i) => [
    ...measured.map((q, j) => (i === j ? sill : alike(Math.hypot(p.x - q.x, p.y - q.y)))),
    1,
  ]);
  matrix.push([...measured.map(() => 1), 0]);
  const inverted = inverse(matrix);
  return {
    at(x, y) {
      const near = [...measured.map((p) => alike(Math.hypot(p.x - x, p.y - y))), 1];
      const weights = inverted.map((row) => row.reduce((sum, v, k) => sum + v * near[k]!, 0));
      const value = measured.reduce((sum, p, k) => sum + weights[k]! * p.value, 0);
      // Variance of what is below the nugget: the place itself, not one more push there.
      const variance = sill - nugget - weights.reduce((sum, w, k) => sum + w * near[k]!, 0);
      const error = Math.sqrt(Math.max(0, variance));
      return error > KNOWS_NOTHING * Math.sqrt(sill - nugget) ? undefined : { value, error };
    },
  };
}

/** Chance that the value at a place lies below a limit; `elsewhere` where the map has no value. */
export function chanceBelow(map: SoilMap, x: number, y: number, limit: number, elsewhere: number): number {
  const there = map.at(x, y);
  if (!there) return elsewhere;
  return there.error === 0 ? Number(there.value < limit) : normalBelow((limit - there.value) / there.error);
}
