import type { SeasonRain, WeatherRecord } from '../records';

/** Rain of one month, m. */
export interface MonthRain {
  /** YYYY-MM. */
  month: string;
  rain: number;
}

/** Months that make a growing season, north of the tropics. Common practice, no source. */
const SEASON = [4, 5, 6, 7, 8, 9];
/** Seasons a record needs before any of them is called dry. Judgement. */
export const SEASONS_NEEDED = 10;
/**
 * Chance that a season is as dry or drier than a standardised precipitation index of -1, from which on a season is
 * called dry (McKee, Doesken and Kleist 1993, Applied Climatology; class from memory): the normal distribution at -1.
 */
const DRY_CHANCE = 0.1587;

/** Growing seasons of a monthly record; one that lacks a month is left out. */
export function seasonsOf(months: readonly MonthRain[]): SeasonRain[] {
  const byYear = new Map<number, number[]>();
  for (const { month, rain } of months) {
    if (!SEASON.includes(Number(month.slice(5, 7)))) continue;
    const year = Number(month.slice(0, 4));
    byYear.set(year, [...(byYear.get(year) ?? []), rain]);
  }
  return [...byYear]
    .filter(([, rains]) => rains.length === SEASON.length)
    .map(([year, rains]) => ({ year, rain: rains.reduce((a, b) => a + b, 0) }))
    .sort((a, b) => a.year - b.year);
}

/**
 * Dry growing seasons of a record: those whose place in it is that of an index of -1 or less. The place of the i-th
 * driest of n is (i - 0.44)/(n + 0.12) (Gringorten 1963, J. Geophys. Res. 68; from memory), so that no distribution
 * need be fitted.
 *
 * @returns years in order; none where fewer than SEASONS_NEEDED seasons are known
 */
export function dryYears({ seasons }: WeatherRecord): number[] {
  if (seasons.length < SEASONS_NEEDED) return [];
  return [...seasons]
    .sort((a, b) => a.rain - b.rain)
    .filter((_, i) => (i + 1 - 0.44) / (seasons.length + 0.12) <= DRY_CHANCE)
    .map((s) => s.year)
    .sort((a, b) => a - b);
}
