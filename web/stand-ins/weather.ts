import type { MonthRain } from '@undrel/core/history';
import type { WeatherPlace } from '@undrel/core/records';
import { dayAfter } from '@undrel/core/vocabulary';
import { extraterrestrial, dayOfYear, type WeatherDay } from '@undrel/core/water';

/** A service that knows the rain of past months. */
export interface WeatherService {
  /** Who measured it. */
  readonly source: string;
  /** Rain by month from January of `from` to December of `to`, where the place is known. */
  months(place: string, from: number, to: number): Promise<MonthRain[]>;
  /** Weather day by day, both ends included. */
  days(place: string, from: string, to: string, latitude: number): Promise<WeatherDay[]>;
  /** Where it lies and its mean frosts, where the place is known. */
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
  place: (place) =>
    Promise.resolve({
      latitude: 51.2,
      longitude: Number((6.6 + 0.5 * chanceOf(place)).toFixed(3)),
      lastFrost: '04-24',
      firstFrost: '10-21',
    }),
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
  days: async (place, from, to, latitude) => {
    const [first, last] = [Number(from.slice(0, 4)), Number(to.slice(0, 4))];
    const months = await simulatedWeather.months(place, first, last);
    return months
      .flatMap(({ month, rain }) => daysOf(place, month, rain, latitude))
      .filter(({ date }) => date >= from && date <= to);
  },
};

/** Of the days of a month so many are wet. */
const WET = 0.35;

/** The days of a month, whose rain comes to that of the month. */
function daysOf(place: string, month: string, rain: number, latitude: number): WeatherDay[] {
  const count = new Date(Date.UTC(Number(month.slice(0, 4)), Number(month.slice(5)), 0)).getUTCDate();
  const dates = Array.from({ length: count }, (_, i) => dayAfter(`${month}-01`, i));
  const share = dates.map((date) =>
    chanceOf(`wet.${date}`) < WET ? 0.05 + chanceOf(`${place}.${date}`) ** 2 : 0,
  );
  const whole = share.reduce((sum, s) => sum + s, 0);
  const half = latitude < 0 ? 182 : 0;
  return dates.map((date, i): WeatherDay => {
    const wet = whole > 0 ? share[i]! / whole : 1 / count;
    const season = Math.sin((2 * Math.PI * (dayOfYear(date) + half - 105)) / 365);
    const mean = 10 + 8.5 * season + 5 * (chanceOf(`mean.${date}`) - 0.5);
    const cloud = wet > 0 ? 0.8 : 0.25 + 0.35 * chanceOf(`cloud.${date}`);
    const swing = 12 - 8 * cloud;
    const clear = 0.75 - 0.5 * cloud;
    return {
      date,
      rain: Number((1000 * rain * wet).toFixed(1)),
      low: Number((mean - swing / 2).toFixed(1)),
      high: Number((mean + swing / 2).toFixed(1)),
      humidity: [Number((0.4 + 0.3 * cloud).toFixed(2)), Number((0.78 + 0.2 * cloud).toFixed(2))],
      wind: Number((1.2 + 2 * chanceOf(`wind.${date}`)).toFixed(1)),
      radiation: Number((clear * extraterrestrial(latitude, dayOfYear(date))).toFixed(1)),
    };
  });
}
