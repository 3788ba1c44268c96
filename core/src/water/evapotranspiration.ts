/** Weather of one day at a place. Depths of rain are in mm, as they are read everywhere. */
export interface WeatherDay {
  /** YYYY-MM-DD */
  date: string;
  /** mm */
  rain: number;
  /** °C */
  low: number;
  high: number;
  /** Relative humidity at its lowest and highest, 0 to 1. */
  humidity?: readonly [lowest: number, highest: number];
  /** Wind at 2 m, m/s. */
  wind?: number;
  /** Solar radiation, MJ/m² in the day. */
  radiation?: number;
  /** Nobody measured it: made up from its neighbours. */
  filled?: true;
}

const RAD = Math.PI / 180;
/** Energy that evaporates a millimetre of water, as mm for each MJ/m². */
const MM_PER_MJ = 0.408;

/** Day of the year, 1 to 366. */
export const dayOfYear = (date: string): number =>
  Math.round((Date.parse(date) - Date.parse(`${date.slice(0, 4)}-01-01`)) / 86_400_000) + 1;

const sunOf = (latitude: number, day: number) => {
  const phi = latitude * RAD;
  const declination = 0.409 * Math.sin((2 * Math.PI * day) / 365 - 1.39);
  // Beyond the polar circles the sun stays up or down all day.
  const sunset = Math.acos(Math.min(1, Math.max(-1, -Math.tan(phi) * Math.tan(declination))));
  return { phi, declination, sunset };
};

/**
 * Radiation at the top of the atmosphere, MJ/m² in a day.
 *
 * Source: Allen et al. 1998, FAO-56, eq. 21.
 *
 * @param latitude degrees, south below zero
 * @param day of the year
 * @example extraterrestrial(-20, 246) // 32.2
 */
export function extraterrestrial(latitude: number, day: number): number {
  const { phi, declination, sunset } = sunOf(latitude, day);
  const distance = 1 + 0.033 * Math.cos((2 * Math.PI * day) / 365);
  return (
    ((24 * 60) / Math.PI) *
    0.082 *
    distance *
    (sunset * Math.sin(phi) * Math.sin(declination) +
      Math.cos(phi) * Math.cos(declination) * Math.sin(sunset))
  );
}

/** Hours of daylight. Source: FAO-56, eq. 34. */
export const daylight = (latitude: number, day: number): number =>
  (24 / Math.PI) * sunOf(latitude, day).sunset;

/**
 * Solar radiation from hours of sunshine, MJ/m² in a day. Source: FAO-56, eq. 35 with its usual 0.25 and 0.50.
 *
 * @param sunshine hours
 */
export const radiationOf = (latitude: number, day: number, sunshine: number): number =>
  (0.25 + 0.5 * Math.min(1, sunshine / Math.max(0.1, daylight(latitude, day)))) *
  extraterrestrial(latitude, day);

/** Vapour pressure of saturated air, kPa. Source: FAO-56, eq. 11. */
const saturated = (celsius: number): number => 0.6108 * Math.exp((17.27 * celsius) / (celsius + 237.3));

/** Where a station stands. */
export interface StationPlace {
  /** degrees, south below zero */
  latitude: number;
  /** m above the sea */
  elevation: number;
}

/**
 * Reference evapotranspiration where only temperatures are known, mm in a day. Source: FAO-56, eq. 52 (Hargreaves).
 */
export const hargreaves = ({ latitude }: StationPlace, { date, low, high }: WeatherDay): number =>
  Math.max(
    0,
    0.0023 *
      ((low + high) / 2 + 17.8) *
      Math.sqrt(Math.max(0, high - low)) *
      MM_PER_MJ *
      extraterrestrial(latitude, dayOfYear(date)),
  );

/**
 * Reference evapotranspiration of short grass, mm in a day. Source: Allen et al. 1998, FAO-56, eq. 6 (Penman-Monteith).
 */
export function penmanMonteith(
  { latitude, elevation }: StationPlace,
  day: WeatherDay & Required<Pick<WeatherDay, 'humidity' | 'wind' | 'radiation'>>,
): number {
  const { low, high, humidity, wind, radiation } = day;
  const mean = (low + high) / 2;
  const top = extraterrestrial(latitude, dayOfYear(day.date));
  // Eq. 7 and 8: pressure of the air, and the psychrometric constant.
  const gamma = 0.000665 * 101.3 * ((293 - 0.0065 * elevation) / 293) ** 5.26;
  // Eq. 12, 13, 17: vapour that the air could hold, its slope, and what it holds.
  const could = (saturated(low) + saturated(high)) / 2;
  const slope = (4098 * saturated(mean)) / (mean + 237.3) ** 2;
  const holds = (saturated(low) * humidity[1] + saturated(high) * humidity[0]) / 2;
  // Eq. 37 to 40: what the ground takes in and gives off.
  const clear = (0.75 + 2e-5 * elevation) * top;
  const share = clear > 0 ? Math.min(1, radiation / clear) : 1;
  const givenOff =
    4.903e-9 *
    (((high + 273.16) ** 4 + (low + 273.16) ** 4) / 2) *
    (0.34 - 0.14 * Math.sqrt(holds)) *
    (1.35 * share - 0.35);
  const net = 0.77 * radiation - givenOff;
  const et =
    (MM_PER_MJ * slope * net + (gamma * 900 * wind * (could - holds)) / (mean + 273)) /
    (slope + gamma * (1 + 0.34 * wind));
  return Math.max(0, et);
}

interface Reference {
  mm: number;
  by: 'penman' | 'hargreaves';
}

/** By day, where it was worked out for last: a balance asks for the same days again and again. */
const known = new WeakMap<WeatherDay, { place: StationPlace; reference: Reference }>();

/** By all that was measured on a day, else by its temperatures; and which of the two. */
export function referenceEt(place: StationPlace, day: WeatherDay): Reference {
  const last = known.get(day);
  if (last && last.place.latitude === place.latitude && last.place.elevation === place.elevation)
    return last.reference;
  const { humidity, wind, radiation } = day;
  const reference: Reference =
    humidity && wind !== undefined && radiation !== undefined
      ? { mm: penmanMonteith(place, { ...day, humidity, wind, radiation }), by: 'penman' }
      : { mm: hargreaves(place, day), by: 'hargreaves' };
  known.set(day, { place, reference });
  return reference;
}
