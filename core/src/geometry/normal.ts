/**
 * Share of a standard normal distribution below a value.
 *
 * Source: Abramowitz & Stegun 1964, formula 26.2.17, error under 7.5e-8 (from memory; checked in the tests against a
 * general-purpose statistics package).
 *
 * @param z in standard deviations
 */
export function normalBelow(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const tail =
    (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return z > 0 ? 1 - tail : tail;
}
