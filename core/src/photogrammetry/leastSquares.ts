import { LuDecomposition, Matrix } from 'ml-matrix';

/** What a fit came to. */
export interface Fit {
  at: number[];
  /** Sum of squares. */
  cost: number;
  /** Of what was fitted, where each residual has a deviation of one. */
  covariance: Matrix;
}

/** How residuals change with what is fitted, by central steps. */
function slopes(
  residuals: (at: readonly number[]) => number[],
  at: readonly number[],
  count: number,
): Matrix {
  const jacobian = Matrix.zeros(count, at.length);
  at.forEach((value, k) => {
    const step = 1e-6 * Math.max(1, Math.abs(value));
    const moved = (by: number) => residuals(at.map((v, i) => (i === k ? v + by : v)));
    const [up, down] = [moved(step), moved(-step)];
    for (let i = 0; i < count; i++) jacobian.set(i, k, (up[i]! - down[i]!) / (2 * step));
  });
  return jacobian;
}

/**
 * Least squares by Levenberg and Marquardt (Marquardt 1963).
 *
 * @param residuals each in units of its own deviation
 * @param start from where
 * @returns undefined where it ends in numbers that are none, or what was seen does not determine them
 */
export function leastSquares(
  residuals: (at: readonly number[]) => number[],
  start: readonly number[],
  steps = 60,
): Fit | undefined {
  let at = [...start];
  let now = residuals(at);
  const sum = (r: readonly number[]) => r.reduce((s, v) => s + v * v, 0);
  let cost = sum(now);
  if (!Number.isFinite(cost)) return undefined;
  let damp = 1e-3;
  let jacobian = slopes(residuals, at, now.length);
  for (let step = 0; step < steps && damp < 1e12; step++) {
    const transposed = jacobian.transpose();
    const normal = transposed.mmul(jacobian);
    const down = transposed.mmul(Matrix.columnVector(now));
    for (let i = 0; i < at.length; i++) normal.set(i, i, normal.get(i, i) * (1 + damp) + 1e-12);
    const parts = new LuDecomposition(normal);
    if (parts.isSingular()) {
      damp *= 8;
      continue;
    }
    const by = parts.solve(down).to1DArray();
    const next = at.map((v, i) => v - by[i]!);
    const there = residuals(next);
    const cheaper = sum(there);
    if (!(cheaper < cost)) {
      damp *= 8;
      continue;
    }
    const gain = cost - cheaper;
    [at, now, cost] = [next, there, cheaper];
    if (gain <= 1e-10 * (1 + cost)) break;
    damp = Math.max(1e-9, damp / 6);
    jacobian = slopes(residuals, at, now.length);
  }
  jacobian = slopes(residuals, at, now.length);
  const information = jacobian.transpose().mmul(jacobian);
  for (let i = 0; i < at.length; i++) information.set(i, i, information.get(i, i) + 1e-12);
  const parts = new LuDecomposition(information);
  if (parts.isSingular()) return undefined;
  return { at, cost, covariance: parts.solve(Matrix.eye(at.length)) };
}
