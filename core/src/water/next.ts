import { balance, easyWater, litresOf, type RootZone } from './balance';
import { dayAfter } from '../vocabulary/dates';
import type { StationPlace, WeatherDay } from './evapotranspiration';

/** How far ahead is looked, days. */
const AHEAD = 60;

/** When to water next, and how much. */
export interface NextWatering {
  /** The middle of what the weather of other years would bring; undefined where most of them bring none in two months. */
  on?: string;
  /** The driest tenth and the wettest tenth of the years; undefined where none is due in two months. */
  earliest?: string;
  latest?: string;
  /** Litres that fill the root zone on that day. */
  litres: number;
  /** Years of weather that were tried. */
  years: number;
  /** Missing today, and what is easily drawn, mm. */
  missing: number;
  easy: number;
}

/** Days of the dates to come in an earlier year; short where that year has none. */
function daysAhead(byDate: ReadonlyMap<string, WeatherDay>, today: string, year: number): WeatherDay[] {
  const from = `${year}${today.slice(4)}`;
  const days: WeatherDay[] = [];
  for (let i = 1; i <= AHEAD; i++) {
    const like = byDate.get(dayAfter(from, i));
    if (!like) break;
    days.push(like);
  }
  return days;
}

/**
 * When what is easily drawn is used up, by the weather of each earlier year on the dates to come.
 *
 * @param missing at the end of today, mm
 * @param known weather of earlier years, by day
 */
export function nextWatering(
  zone: RootZone,
  place: StationPlace,
  today: string,
  missing: number,
  known: readonly WeatherDay[],
): NextWatering {
  const easy = easyWater(zone);
  const byDate = new Map(known.map((d) => [d.date, d]));
  const years = [...new Set(known.map((d) => Number(d.date.slice(0, 4))))]
    .filter((year) => year < Number(today.slice(0, 4)))
    .map((year) => daysAhead(byDate, today, year))
    .filter((days) => days.length === AHEAD);
  const due = years
    .map((days) => {
      if (missing >= easy) return 0;
      const at = balance(zone, place, days, missing).findIndex((d) => d.missing >= easy);
      return at < 0 ? Infinity : at + 1;
    })
    .sort((a, b) => a - b);
  const at = (share: number): string | undefined => {
    if (missing >= easy) return today;
    const days = due[Math.min(due.length - 1, Math.floor(share * due.length))];
    return days === undefined || days === Infinity ? undefined : dayAfter(today, days);
  };
  return {
    on: at(0.5),
    earliest: at(0.1),
    latest: at(0.9),
    litres: litresOf(zone, Math.max(easy, missing)),
    years: years.length,
    missing,
    easy,
  };
}
