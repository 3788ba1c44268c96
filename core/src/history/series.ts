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

/** Rounds after which a fit that still trembles in its last digit is taken as it is. */
const ROUNDS = 100;

/**
 * One level a year from several shoots and rings: each has a vigour of its own, which is taken out (years and shoots
 * fitted in turn, by least squares of logarithms, until nothing changes).
 */
export function levelsOf(series: readonly Series[]): YearLevel[] {
  const years = [...new Set(series.flatMap((s) => s.values.map((v) => v.year)))].sort((a, b) => a - b);
  const at = new Map(years.map((year, i) => [year, i]));
  const logs = series.map((s) =>
    [...new Map(s.values.map((v) => [v.year, Math.log(v.metres)]))].map(
      ([year, value]) => [at.get(year)!, value] as const,
    ),
  );
  const weight = years.map((_, i) => logs.filter((log) => log.some(([y]) => y === i)).length);
  // The shoots share one scale: that of the first kind read.
  const first = series.flatMap(({ of }, s) => (of === series[0]!.of ? [s] : []));
  const own = series.map(() => 0);
  const level = years.map(() => 0);
  for (let round = 0; round < ROUNDS; round++) {
    const before = [...own];
    level.fill(0);
    logs.forEach((log, s) => {
      for (const [y, value] of log) level[y]! += value - own[s]!;
    });
    years.forEach((_, y) => (level[y]! /= weight[y]!));
    logs.forEach((log, s) => {
      own[s] = log.reduce((sum, [y, value]) => sum + (value - level[y]!), 0) / log.length;
    });
    const shift = first.reduce((sum, s) => sum + own[s]!, 0) / first.length;
    own.forEach((_, s) => (own[s]! -= shift));
    if (own.every((vigour, s) => vigour === before[s])) break;
  }
  return years.map((year, y) => ({ year, level: level[y]!, weight: weight[y]! }));
}
