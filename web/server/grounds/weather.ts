import type { WeatherRecord } from '@undrel/core/records';
import { seasonsOf, type MonthRain } from '@undrel/core/history';
import type { WeatherService } from '../../stand-ins/weather';
import { readCsvTable } from '../csvTable';
import type { Db } from '../database/transaction';
import { SET_WEATHER } from './sql';

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
): Promise<WeatherRecord> {
  const year = Number(today.slice(0, 4));
  // A season that has ended counts; the months still to come do not.
  const months = (await service.months(propertyId, year - YEARS_BACK, year)).filter(
    (m) => m.month < today.slice(0, 7),
  );
  return { source: service.source, seasons: seasonsOf(months) };
}

export type ReadWeather =
  | { ok: true; record: WeatherRecord; notes: string[] }
  | { ok: false; problem: string };

/** Reads monthly rain from CSV with the columns `month` (YYYY-MM) and `rain (mm)`. */
export function readWeather(bytes: Uint8Array, name: string): ReadWeather {
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
  const seasons = seasonsOf(months);
  if (seasons.length === 0) {
    return {
      ok: false,
      problem: [
        'No growing season is whole: April to September are needed.',
        ...notes.told().slice(0, 5),
      ].join(' '),
    };
  }
  return { ok: true, record: { source: name, seasons }, notes: notes.told() };
}
