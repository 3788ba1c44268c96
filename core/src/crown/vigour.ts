import type { Finding } from '../records';
import { levelsOf, shootsIn } from '../history/series';

export interface Vigour {
  /** Years with a reading, oldest first. */
  series: { year: number; extension: number }[];
  /** Mean of the newest two years, m. */
  recent: number;
  /** Mean of the years before them, m. */
  before: number;
  /** recent / before; 1 is unchanged. */
  ratio: number;
}

/**
 * How far shoot growth has fallen: mean twig extension of the newest two years against the years before.
 * A first reading of the series; it dates no onset.
 *
 * Source: common practice, no source.
 *
 * @param findings of one visit; `crown.extension` and further shoots with `part` as the year and `number` in metres
 * @returns undefined with fewer than four years: two against two is the least that says anything
 */
export function vigourFrom(findings: readonly Finding[]): Vigour | undefined {
  const shoots = shootsIn(findings).filter((s) => s.values.length > 0);
  const series = levelsOf(shoots).map(({ year, level }) => ({ year, extension: Math.exp(level) }));
  if (series.length < 4) return undefined;
  const mean = (rows: typeof series) => rows.reduce((sum, row) => sum + row.extension, 0) / rows.length;
  const recent = mean(series.slice(-2));
  const before = mean(series.slice(0, -2));
  if (before <= 0) return undefined;
  return { series, recent, before, ratio: recent / before };
}
