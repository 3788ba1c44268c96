import { simulatedWeather } from '../../stand-ins/weather';
import type { Asked } from '../accounts/request';
import type { Asker } from '../beside';
import type { TreeSource } from '../../work/offers/treeWork';
import { ownDays, withOwn } from './days';
import { waterOfProperty } from './waterOfProperty';
import { placeOfGrounds } from './weather';

/** Years of weather that tell what the next weeks may bring. */
const YEARS = 12;
/** Height above the sea where nobody noted it, m. Judgement: it changes little. */
const ELEVATION = 100;
/** Latitude where neither the property nor the service knows it, degrees. */
const LATITUDE = 50;

/** Daily weather of some grounds until a day, and where they lie. */
export async function weatherUntil(inFirm: Asked['inFirm'], propertyId: string, on: string) {
  const { noted, own } = await inFirm(async (db) => ({
    noted: await placeOfGrounds(db, propertyId),
    own: await ownDays(db, propertyId),
  }));
  const latitude = noted?.latitude ?? (await simulatedWeather.place(propertyId))?.latitude ?? LATITUDE;
  const from = `${Number(on.slice(0, 4)) - YEARS}-01-01`;
  const service = await simulatedWeather.days(propertyId, from, on, latitude);
  return {
    ...withOwn(own, service, simulatedWeather.source, on),
    noted: noted !== undefined,
    place: { latitude, elevation: ELEVATION },
  };
}

/** The water of the trees of a property under care on a day, with where its weather is from. */
export async function waterToday(
  inFirm: Asked['inFirm'],
  propertyId: string,
  sources: readonly TreeSource[],
  on: string,
  asker: Asker,
) {
  const { place, known, source, noted } = await weatherUntil(inFirm, propertyId, on);
  return {
    source,
    noted,
    latitude: place.latitude,
    ...(await waterOfProperty(sources, { place, known, on }, asker)),
  };
}
