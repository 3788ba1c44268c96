import type { Finding, Visit } from '../records';
import type { YearLevel } from './changePoint';

/** Questions that read a length back by year: shoots one by one, and rings. */
export const SHOOT_KEYS = ['crown.extension', 'crown.extension.2', 'crown.extension.3'] as const;
export const RING_KEY = 'base.rings';

export interface Series {
  /** What was read: a shoot, or rings. */
  of: 'shoot' | 'rings';
  values: { year: number; metres: number }[];
}

const read = (findings: readonly Finding[], key: string) =>
  findings
    .filter((f) => f.key === key && f.part !== undefined && (f.number ?? 0) > 0)
    .map((f) => ({ year: f.part!, metres: f.number! }))
    .sort((a, b) => a.year - b.year);

/** The shoots of one visit. */
export const shootsIn = (findings: readonly Finding[]): Series[] =>
  SHOOT_KEYS.map((key) => ({ of: 'shoot', values: read(findings, key) }));

/** One series for each shoot of each visit up to the one at hand, and one for rings. */
export function seriesOf(visits: readonly Visit[], until: string): Series[] {
  return visits
    .filter((v) => v.date <= until)
    .flatMap(({ findings }): Series[] => [
      ...shootsIn(findings),
      { of: 'rings', values: read(findings, RING_KEY) },
    ])
    .filter((s) => s.values.length > 1);
}

/**
 * One level a year from several shoots and rings: each has a vigour of its own, which is taken out (years and shoots
 * fitted in turn, by least squares of logarithms).
 */
export function levelsOf(series: readonly Series[]): YearLevel[] {
  const years = [...new Set(series.flatMap((s) => s.values.map((v) => v.year)))].sort((a, b) => a - b);
  const logs = series.map((s) => new Map(s.values.map((v) => [v.year, Math.log(v.metres)])));
  const own = series.map(() => 0);
  const level = new Map(years.map((year) => [year, 0]));
  const mean = (values: number[]) => values.reduce((a, b) => a + b, 0) / values.length;
  for (let round = 0; round < 100; round++) {
    for (const year of years)
      level.set(year, mean(logs.flatMap((log, s) => (log.has(year) ? [log.get(year)! - own[s]!] : []))));
    logs.forEach((log, s) => (own[s] = mean([...log].map(([year, value]) => value - level.get(year)!))));
    // The shoots share one scale: that of the first kind read.
    const shift = mean(own.filter((_, s) => series[s]!.of === series[0]!.of));
    own.forEach((_, s) => (own[s]! -= shift));
  }
  return years.map((year) => ({
    year,
    level: level.get(year)!,
    weight: logs.filter((log) => log.has(year)).length,
  }));
}
