import type { MonthRain } from '@undrel/core/history';
import type { WeatherPlace } from '@undrel/core/records';

/** A service that knows the rain of past months. */
export interface WeatherService {
  /** Who measured it. */
  readonly source: string;
  /** Rain by month from January of `from` to December of `to`, where the place is known. */
  months(place: string, from: number, to: number): Promise<MonthRain[]>;
  /** Latitude and mean frosts, where the place is known. */
  place(place: string): Promise<WeatherPlace | undefined>;
}

/** Usual rain of the months, m, and years in which the summer failed; invented. */
const USUAL = [0.055, 0.045, 0.05, 0.048, 0.062, 0.068, 0.072, 0.07, 0.058, 0.06, 0.062, 0.06];
const FAILED: Record<number, number> = { 2010: 0.62, 2018: 0.5, 2022: 0.42, 2025: 0.48 };

/** A number from 0 to 1 that belongs to a text and stays the same (FNV-1a, 32 bit). */
function chanceOf(text: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193) >>> 0;
  hash = Math.imul(hash ^ (hash >>> 15), 0x2c1b3c6d) >>> 0;
  return ((hash ^ (hash >>> 12)) >>> 0) / 2 ** 32;
}

/** Stands in for a weather service: months of an invented climate, the same at every call. */
export const simulatedWeather: WeatherService = {
  source: 'simulated weather station',
  place: () => Promise.resolve({ latitude: 51.2, lastFrost: '04-24', firstFrost: '10-21' }),
  months: (place, from, to) =>
    Promise.resolve(
      Array.from({ length: (to - from + 1) * 12 }, (_, i) => {
        const year = from + Math.floor(i / 12);
        const month = (i % 12) + 1;
        const summer = month >= 4 && month <= 9 ? (FAILED[year] ?? 1) : 1;
        const region = 0.7 + 0.6 * chanceOf(`${year}.${month}`);
        const here = 0.95 + 0.1 * chanceOf(`${place}.${year}.${month}`);
        return {
          month: `${year}-${String(month).padStart(2, '0')}`,
          rain: Number((USUAL[month - 1]! * summer * region * here).toFixed(4)),
        };
      }),
    ),
};
