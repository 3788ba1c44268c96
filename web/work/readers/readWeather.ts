import type { WeatherPlace, WeatherRecord } from '@undrel/core/records';
import { growingSeason, isSouth, seasonsOf, type MonthRain } from '@undrel/core/history';
import { readCsvTable } from './csvTable';

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
