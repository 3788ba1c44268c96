import { monthDayProblem } from '@undrel/core/prescription';
import type { WeatherPlace, WeatherRecord } from '@undrel/core/records';
import { growingSeason, isSouth, seasonsOf, type MonthRain } from '@undrel/core/history';
import type { WeatherService } from '../../stand-ins/weather';
import { readCsvTable } from '../csvTable';
import type { Db } from '../database/transaction';
import { coordinate } from './coordinate';
import { SET_PLACE, SET_WEATHER, WEATHER_PLACE } from './sql';

/** Where the grounds lie, as far as anybody noted it. */
export const placeOfGrounds = async (db: Db, propertyId: string): Promise<WeatherPlace | undefined> =>
  (await db.row<{ place: WeatherPlace | null }>(WEATHER_PLACE, [propertyId]))?.place ?? undefined;

/** Notes where the grounds lie. @returns the seasons of rain that still hold there; undefined where there is no such property */
export const notePlace = async (db: Db, propertyId: string, place: WeatherPlace) =>
  (await db.row<{ seasons: number }>(SET_PLACE, [propertyId, JSON.stringify(place)]))?.seasons;

/** Where grounds lie as it was typed, or the field that is wrong. */
export function readPlace(typed: unknown): { place: WeatherPlace } | { problem: string } {
  const { latitude, longitude, lastFrost, firstFrost } = (typed ?? {}) as Record<string, unknown>;
  const north = coordinate('Latitude', latitude);
  if ('problem' in north) return north;
  const east = String(longitude ?? '').trim() === '' ? undefined : coordinate('Longitude', longitude);
  if (east && 'problem' in east) return east;
  const day = (name: string, value: unknown) => {
    const text = String(value ?? '').trim();
    return text === '' ? undefined : (monthDayProblem(name, text) ?? { day: text });
  };
  const [last, first] = [day('Last frost', lastFrost), day('First frost', firstFrost)];
  for (const read of [last, first]) if (typeof read === 'string') return { problem: read };
  const dayOf = (read: typeof last) => (typeof read === 'object' ? read.day : undefined);
  if ((dayOf(last) === undefined) !== (dayOf(first) === undefined))
    return { problem: 'Last and first frost: note both, or none where there is no frost.' };
  return {
    place: {
      latitude: north.degrees,
      ...(east && { longitude: east.degrees }),
      ...(last && first && { lastFrost: dayOf(last)!, firstFrost: dayOf(first)! }),
    },
  };
}

/** Years that are asked of a weather service. */
const YEARS_BACK = 25;

/** @returns name of the property; undefined where there is none */
export const keepWeather = async (db: Db, propertyId: string, record: WeatherRecord) =>
  (await db.row<{ name: string }>(SET_WEATHER, [propertyId, JSON.stringify(record)]))?.name;

/** The record of the last 25 full years. */
export async function askWeather(
  service: WeatherService,
  propertyId: string,
  today: string,
  known?: WeatherPlace,
): Promise<WeatherRecord> {
  const place = known ?? (await service.place(propertyId));
  const year = Number(today.slice(0, 4));
  // A season that has ended counts; the months still to come do not.
  const months = (await service.months(propertyId, year - YEARS_BACK, year)).filter(
    (m) => m.month < today.slice(0, 7),
  );
  return { source: service.source, ...(place && { place }), seasons: seasonsOf(months, isSouth(place)) };
}

export type ReadWeather =
  | { ok: true; record: WeatherRecord; notes: string[] }
  | { ok: false; problem: string };

/** Reads monthly rain from CSV with the columns `month` (YYYY-MM) and `rain (mm)`, for grounds that lie at a place. */
export function readWeather(bytes: Uint8Array, name: string, place?: WeatherPlace): ReadWeather {
  const table = readCsvTable(bytes, ['month', 'rain (mm)']);
  if (!table.ok) return table;
  const { notes } = table;
  const known = new Set<string>();
  const months = table.rows.flatMap((row, i): MonthRain[] => {
    const month = row.month ?? '';
    const given = row['rain (mm)'] ?? '';
    const rain = given === '' ? NaN : Number(given.replace(',', '.'));
    const wrong = !/^(18|19|20|21)\d\d-(0[1-9]|1[0-2])$/.test(month)
      ? `month: “${month}” is not YYYY-MM.`
      : known.has(month)
        ? `month: ${month} is there twice.`
        : !(rain >= 0 && rain <= 2000)
          ? `rain: “${given}” is not 0 to 2000 mm.`
          : undefined;
    if (wrong) {
      notes.push(`Row ${i + 2} left out, ${wrong}`);
      return [];
    }
    known.add(month);
    return [{ month, rain: rain / 1000 }];
  });
  const seasons = seasonsOf(months, isSouth(place));
  if (seasons.length === 0) {
    return {
      ok: false,
      problem: [
        `No growing season is whole: ${growingSeason(place)} are needed.`,
        ...notes.told().slice(0, 5),
      ].join(' '),
    };
  }
  return { ok: true, record: { source: name, ...(place && { place }), seasons }, notes: notes.told() };
}
