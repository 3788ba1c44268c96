import type { WeatherPlace, WeatherRecord } from '@undrel/core/records';
import { isSouth, seasonsOf } from '@undrel/core/history';
import type { WeatherService } from '../../stand-ins/weather';
import type { Db } from '../database/transaction';
import { SET_PLACE, SET_WEATHER, WEATHER_PLACE } from './sql';

/** Where the grounds lie, as far as anybody noted it. */
export const placeOfGrounds = async (db: Db, propertyId: string): Promise<WeatherPlace | undefined> =>
  (await db.row<{ place: WeatherPlace | null }>(WEATHER_PLACE, [propertyId]))?.place ?? undefined;

/** Notes where the grounds lie. @returns the seasons of rain that still hold there; undefined where there is no such property */
export const notePlace = async (db: Db, propertyId: string, place: WeatherPlace) =>
  (await db.row<{ seasons: number }>(SET_PLACE, [propertyId, JSON.stringify(place)]))?.seasons;

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
