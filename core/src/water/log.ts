import { byDay } from '../vocabulary/dates';
import { normalBelow } from '../geometry/normal';
import { LIMITS } from '../practice';
import type { Visit, Watering } from '../records';
import { balanceOf, easyWater, type BalanceDay, type RootZone } from './balance';
import type { StationPlace, WeatherDay } from './evapotranspiration';

/** What was logged on the rounds of a tree until a day, oldest first; of one day the newest visit's. */
export function wateringsOf(visits: readonly Pick<Visit, 'waterings'>[], until: string): Watering[] {
  const latest = new Map(visits.flatMap((v) => v.waterings ?? []).map((w) => [w.on, w]));
  return [...latest.values()].filter((w) => w.on <= until).sort((a, b) => byDay(a.on, b.on));
}

/** What a probe makes of a balance: moist, the store is fuller than it was thought; dry, it is used up. */
const corrected = (zone: RootZone, missing: number, { probe }: Watering): number =>
  probe === 'moist'
    ? Math.min(missing, LIMITS.probeMoist.value * easyWater(zone))
    : probe === 'dry'
      ? Math.max(missing, easyWater(zone))
      : missing;

/**
 * The balance of a year with what was given and what the probe found: the probe is read before the water, and the store is
 * set by it.
 *
 * @param seen is told of each probe, with what the balance thought was missing
 */
export function balanceLogged(
  zone: RootZone,
  place: StationPlace,
  days: readonly WeatherDay[],
  log: readonly Watering[],
  seen: (read: Watering, missing: number) => void = () => undefined,
): BalanceDay[] {
  const ofDay = new Map(log.map((w) => [w.on, w]));
  const told: BalanceDay[] = [];
  let missing = 0;
  for (const day of days) {
    const read = ofDay.get(day.date);
    if (read?.probe) {
      seen(read, missing);
      missing = corrected(zone, missing, read);
    }
    const today = balanceOf(zone, place, day, missing, (read?.litres ?? 0) / zone.area);
    told.push(today);
    missing = today.missing;
  }
  return told;
}

/** What a tree draws against what others do, as the probe has it. */
export interface OwnFactor {
  value: number;
  /** 80 % of the chance lies between them. */
  lower: number;
  upper: number;
  /** Probes that it rests on. */
  reads: number;
}

/** Steps of the grid and how far it reaches, in standard deviations. */
const STEPS = 41;
const REACH = 3;

/** Chance that the hand calls it dry, with so much missing. */
const callsDry = (zone: RootZone, missing: number): number =>
  normalBelow((missing / easyWater(zone) - 1) / LIMITS.probeHand.value);

/**
 * The tree's own factor by all probes: on a grid of factors, each weighed by its prior and by how likely the hand would have
 * found what it found, had the tree drawn by it. Exact on the grid; no probe leaves it at 1.
 */
export function ownFactor(
  zone: RootZone,
  place: StationPlace,
  known: readonly WeatherDay[],
  log: readonly Watering[],
): OwnFactor {
  const reads = log.filter((w) => w.probe !== undefined);
  const years = [...new Set(reads.map((w) => w.on.slice(0, 4)))];
  const seasons = years.map((year) => known.filter((d) => d.date.startsWith(year)));
  const grid = Array.from({ length: STEPS }, (_, i) => {
    const z = REACH * ((2 * i) / (STEPS - 1) - 1);
    const factor = Math.exp(LIMITS.treesDiffer.value * z);
    const own = { ...zone, factor: zone.factor * factor };
    let log10 = -(z ** 2) / 2;
    for (const days of seasons)
      balanceLogged(own, place, days, log, (read, missing) => {
        const dry = Math.min(1 - 1e-6, Math.max(1e-6, callsDry(own, missing)));
        log10 += Math.log(read.probe === 'dry' ? dry : 1 - dry);
      });
    return { factor, log: log10 };
  });
  const most = Math.max(...grid.map((g) => g.log));
  const weights = grid.map((g) => Math.exp(g.log - most));
  const total = weights.reduce((sum, w) => sum + w, 0);
  const at = (share: number): number => {
    let sum = 0;
    for (const [i, g] of grid.entries()) {
      sum += weights[i]! / total;
      if (sum >= share) return g.factor;
    }
    return grid.at(-1)!.factor;
  };
  const mean = grid.reduce((sum, g, i) => sum + (weights[i]! / total) * Math.log(g.factor), 0);
  return { value: Math.exp(mean), lower: at(0.1), upper: at(0.9), reads: reads.length };
}
