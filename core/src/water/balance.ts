import { referenceEt, type StationPlace, type WeatherDay } from './evapotranspiration';

/** What a tree can draw on, and what it draws. Depths of water are in mm over its root zone. */
export interface RootZone {
  /** Water between field capacity and wilting over the depth of the roots, mm. */
  store: number;
  /** Share of it that is drawn without stress (FAO-56: p). */
  easy: number;
  /** Ground that the roots take, m². */
  area: number;
  /** Drawn in a day for each mm of reference evapotranspiration: plant factor, crown over root zone, mulch, the tree's own. */
  factor: number;
  /** Kept by the crown of each rain, mm, and the share of the root zone under it. */
  kept: number;
  /** Share of what comes through that runs off. */
  runOff: number;
}

/** One day of the balance, mm over the root zone. */
export interface BalanceDay {
  date: string;
  reference: number;
  /** Drawn by the tree, less than it would where it is stressed. */
  drawn: number;
  /** Rain that came into the ground, and water that was given. */
  rain: number;
  given: number;
  /** Drained below the roots. */
  drained: number;
  /** What is missing to a full store at the end of the day. */
  missing: number;
  /** Share of its need that it drew: 1 without stress, 0 where nothing can be drawn (FAO-56: Ks). */
  stress: number;
}

/** Water that is easily drawn, mm (FAO-56: RAW). */
export const easyWater = (zone: Pick<RootZone, 'store' | 'easy'>): number => zone.easy * zone.store;

/** Share of its need that a tree can draw with so much missing. Source: FAO-56, eq. 84. */
export const stressAt = (zone: Pick<RootZone, 'store' | 'easy'>, missing: number): number => {
  const easy = easyWater(zone);
  if (missing <= easy) return 1;
  return Math.max(0, (zone.store - missing) / (zone.store - easy));
};

/** Rain that comes into the ground: less what the crown keeps and what runs off. */
export const rainInto = ({ kept, runOff }: Pick<RootZone, 'kept' | 'runOff'>, rain: number): number =>
  Math.max(0, rain - kept) * (1 - runOff);

/**
 * What is missing at the end of a day that began with so much missing: drawn in full until what is easily drawn is used
 * up, then less and less. Eq. 84 over the day and not at its end, so that more water never leaves less.
 *
 * @param need drawn in the day without stress, mm
 */
function missingAfter(zone: RootZone, held: number, need: number): number {
  const easy = easyWater(zone);
  const free = Math.max(0, Math.min(need, easy - held));
  const rest = need - free;
  if (rest <= 0) return held + free;
  const from = Math.max(held, easy);
  return zone.store - (zone.store - from) * Math.exp(-rest / (zone.store - easy));
}

/**
 * The balance of a day. What comes in fills the store from above before the tree draws; what it cannot hold drains.
 * Source: FAO-56, eq. 82 to 88.
 *
 * @param missing at the end of the day before, mm
 * @param given watered on the day, mm over the root zone
 */
export function balanceOf(
  zone: RootZone,
  place: StationPlace,
  day: WeatherDay,
  missing: number,
  given = 0,
): BalanceDay {
  const reference = referenceEt(place, day).mm;
  const rain = rainInto(zone, day.rain);
  const after = missing - rain - given;
  const drained = Math.max(0, -after);
  const held = Math.max(0, after);
  const need = zone.factor * reference;
  const end = missingAfter(zone, held, need);
  return {
    date: day.date,
    reference,
    drawn: end - held,
    rain,
    given,
    drained,
    missing: end,
    stress: need > 0 ? Math.min(1, (end - held) / need) : 1,
  };
}

/**
 * The balance of many days.
 *
 * @param start missing before the first of them, mm
 * @param water what is given on a day, mm, from what is missing that morning
 */
export function balance(
  zone: RootZone,
  place: StationPlace,
  days: readonly WeatherDay[],
  start = 0,
  water: (day: WeatherDay, missing: number) => number = () => 0,
): BalanceDay[] {
  const told: BalanceDay[] = [];
  let missing = Math.min(zone.store, Math.max(0, start));
  for (const day of days) {
    const today = balanceOf(zone, place, day, missing, water(day, missing));
    told.push(today);
    missing = today.missing;
  }
  return told;
}

/** Litres on the root zone for a depth in mm. */
export const litresOf = (zone: Pick<RootZone, 'area'>, mm: number): number => mm * zone.area;
