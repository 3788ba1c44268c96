import { isSouth } from '../history/weather';
import type { WeatherRecord } from '../records';
import { LIMITS } from '../practice/limits';

/** Where the grounds lie, as far as seasons follow from it. */
export interface Climate {
  /** South of the equator the months stand half a year apart. */
  south: boolean;
  /** Months of the mean last and first frost; undefined where nobody noted them. */
  lastFrost: number | undefined;
  firstFrost: number | undefined;
  /** The time without frost is so short that roots set in autumn freeze before they grow. */
  hardWinters: boolean;
}

const DAY = 86_400_000;
const YEAR = 365;
const dayOf = (monthDay: string): number => Date.parse(`2023-${monthDay}`) / DAY;

/** Days from the mean last frost to the mean first one; over the new year south of the equator. */
export const frostFree = (lastFrost: string, firstFrost: string): number =>
  (dayOf(firstFrost) - dayOf(lastFrost) + YEAR) % YEAR;

/** What the weather record of the grounds says of their seasons; without one, those of the north with mild winters. */
export function climateOf(weather: WeatherRecord | undefined): Climate {
  const { lastFrost, firstFrost } = weather?.place ?? {};
  const month = (day: string | undefined) => (day === undefined ? undefined : Number(day.slice(0, 2)));
  return {
    south: isSouth(weather?.place),
    lastFrost: month(lastFrost),
    firstFrost: month(firstFrost),
    hardWinters:
      lastFrost !== undefined &&
      firstFrost !== undefined &&
      frostFree(lastFrost, firstFrost) < LIMITS.shortSummer.value,
  };
}

/** A month 1 to 12 some months on. */
export const monthOn = (month: number, by: number): number => ((((month - 1 + by) % 12) + 12) % 12) + 1;

/** A month of the northern half of the world, where the grounds lie. */
export const monthHere = (month: number, { south }: Pick<Climate, 'south'>): number =>
  south ? monthOn(month, 6) : month;

/** Months of the frosts where nobody noted them, of the northern half of the world. Common practice, no source. */
const USUAL_FROST = { last: 4, first: 10 } as const;

/** Months of the last and the first frost, as noted or as usual. */
export const frostMonths = (climate: Climate): { last: number; first: number } => ({
  last: climate.lastFrost ?? monthHere(USUAL_FROST.last, climate),
  first: climate.firstFrost ?? monthHere(USUAL_FROST.first, climate),
});
