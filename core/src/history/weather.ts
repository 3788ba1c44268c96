import { daysBetween } from '../vocabulary/dates';
import type { SeasonRain, WeatherPlace, WeatherRecord } from '../records';

/** Rain of one month, m. */
export interface MonthRain {
  /** YYYY-MM. */
  month: string;
  rain: number;
}

/** Whether grounds lie south of the equator; nobody having noted it, north. */
export const isSouth = (place: WeatherPlace | undefined): boolean => (place?.latitude ?? 0) < 0;

/** The growing season of a place in words. */
export const growingSeason = (place: WeatherPlace | undefined): string =>
  isSouth(place) ? 'October to March' : 'April to September';

/** Months that make a growing season, north and south of the tropics. Common practice, no source. */
const SEASON = { north: [4, 5, 6, 7, 8, 9], south: [10, 11, 12, 1, 2, 3] };

/** Those months at a place. */
export const seasonMonths = (place: WeatherPlace | undefined): readonly number[] =>
  SEASON[isSouth(place) ? 'south' : 'north'];

/** Seasons a record needs before any of them is called dry. Judgement. */
export const SEASONS_NEEDED = 10;
/**
 * Chance that a season is as dry or drier than a standardised precipitation index of -1, from which on a season is
 * called dry (McKee, Doesken and Kleist 1993, Applied Climatology; class from memory): the normal distribution at -1.
 */
const DRY_CHANCE = 0.1587;

/**
 * Growing seasons of a monthly record; one that lacks a month is left out. In the south a season counts to the year in
 * which it ends.
 */
export function seasonsOf(months: readonly MonthRain[], south = false): SeasonRain[] {
  const season = south ? SEASON.south : SEASON.north;
  const byYear = new Map<number, number[]>();
  for (const { month, rain } of months) {
    const of = Number(month.slice(5, 7));
    if (!season.includes(of)) continue;
    const year = Number(month.slice(0, 4)) + (south && of >= season[0]! ? 1 : 0);
    byYear.set(year, [...(byYear.get(year) ?? []), rain]);
  }
  return [...byYear]
    .filter(([, rains]) => rains.length === season.length)
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

/** How much less rain a growing season had than the others of a record. */
export interface RainDeficit {
  year: number;
  /** m of rain short of the mean of the other seasons. */
  short: number;
}

/** Days within which a season that ended counts as the one before a day. */
const BEFORE = 366;

/**
 * How much rain was missing in the growing season that ended in the twelve months before a day.
 *
 * @param day ISO date
 * @returns undefined where that season is not in the record, or too few others are
 */
export function deficitBefore({ seasons, place }: WeatherRecord, day: string): RainDeficit | undefined {
  const end = isSouth(place) ? '03-31' : '09-30';
  const ago = (year: number) => daysBetween(`${year}-${end}`, day);
  const last = seasons.find((s) => ago(s.year) >= 0 && ago(s.year) <= BEFORE);
  const others = seasons.filter((s) => s !== last);
  if (!last || others.length < SEASONS_NEEDED - 1) return undefined;
  const mean = others.reduce((sum, s) => sum + s.rain, 0) / others.length;
  return { year: last.year, short: mean - last.rain };
}
