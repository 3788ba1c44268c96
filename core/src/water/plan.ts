import { schoolFor } from '../practice';
import type { House } from '../house';
import { seasonMonths } from '../history';
import { profileOf } from '../profile';
import type { Tree, TreeEvent, Visit, Watering } from '../records';
import { operationOf } from '../vocabulary/operations';
import { daysBetween, yearOf } from '../vocabulary/dates';
import { fineMark } from '../units/marks';
import { tightGround } from '../weighing/ground';
import { wateringByRule } from '../weighing/watering';
import type { BalanceDay } from './balance';
import type { StationPlace, WeatherDay } from './evapotranspiration';
import { balanceLogged, ownFactor, wateringsOf, type OwnFactor } from './log';
import { tooMuchOf, type TooMuch } from './tooMuch';
import { mannersOver, type Manner, type MannerSeason } from './manners';
import { nextWatering, type NextWatering } from './next';
import { plantFactorAt, zoneOf, type TreeZone } from './zone';

/** What the water of a tree comes to on a day. */
export interface WaterPlan {
  zone: TreeZone;
  /** The balance of the year until today. */
  days: BalanceDay[];
  next: NextWatering;
  /** What it draws against other trees, as the probe has it. */
  own: OwnFactor;
  /** What was logged on its rounds this year. */
  log: Watering[];
  /** Ways of watering side by side, in a growing season of the weather known; none where the stem was not measured. */
  manners: MannerSeason[];
  /** The way that the school followed has. */
  manner: Manner;
  /** Why that day, in one sentence. */
  why: string;
  /** More was given this year than its roots can hold. */
  tooMuch?: TooMuch;
}

/** Operations after which roots begin again from the ball. */
const REPLANTED = ['reset', 'raise', 'openBall', 'move'];

/** Year in which a tree was planted, moved or reset last, by its record; undefined where nothing was noted. */
export function rootsSince(
  tree: Pick<Tree, 'plantedYear'>,
  events: readonly TreeEvent[],
  visits: readonly Visit[],
  today: string,
): number | undefined {
  const moved = events
    .filter((e) => (e.kind === 'planted' || e.kind === 'moved') && e.when <= today)
    .map((e) => yearOf(e.when));
  const reset = visits
    .flatMap((v) => v.work ?? [])
    .filter((w) => w.how !== 'not done' && w.on <= today && REPLANTED.some((o) => o === operationOf(w.step)))
    .map((w) => Number(w.on.slice(0, 4)));
  const years = [tree.plantedYear, ...moved, ...reset].filter((y): y is number => y !== undefined);
  return years.length > 0 ? Math.max(...years) : undefined;
}

/** A depth of water given in mm, in the units of the reader. */
const mm = (depth: number): string => fineMark(depth / 1000);

function whyOf(next: NextWatering, today: string, years: number): string {
  const state = `${mm(next.missing)} of the ${mm(next.easy)} that are easily drawn are used`;
  if (next.missing >= next.easy)
    return `${mm(next.missing)} are missing, and ${mm(next.easy)} are easily drawn: water now.`;
  if (years === 0) return `${state}; no weather of earlier years to tell when the rest will be.`;
  if (next.on === undefined)
    return `${state}; by the weather of ${years} years the rest lasts two months or more.`;
  const days = daysBetween(today, next.on);
  return `${state}; by the weather of ${years} years the rest lasts ${days === 1 ? 'a day' : `${days} days`}.`;
}

/**
 * The water of a tree: its root zone, the balance of this year, the next watering, and ways of watering side by side.
 *
 * @param known daily weather, of this year until today and of years before
 * @param today ISO date; days after it count for nothing
 * @returns undefined where neither stem nor crown was measured
 */
export function waterPlan(
  tree: Tree,
  events: readonly TreeEvent[],
  visits: readonly Visit[],
  visit: Visit,
  house: House,
  place: StationPlace,
  known: readonly WeatherDay[],
  today: string,
): WaterPlan | undefined {
  const since = rootsSince(tree, events, visits, today);
  const profile = profileOf(tree, visit);
  const year = today.slice(0, 4);
  const until = known.filter((d) => d.date <= today);
  const before = until.filter((d) => d.date.slice(0, 4) < year);
  const plant = plantFactorAt(place, before);
  const plain = zoneOf(tree, visit, profile, today, since, plant);
  if (!plain) return undefined;
  const log = wateringsOf(visits, today);
  const own = ownFactor(plain, place, until, log);
  const zone = own.reads > 0 ? zoneOf(tree, visit, profile, today, since, plant, own.value)! : plain;
  // The winter fills it: the year begins with a full store.
  const days = balanceLogged(
    zone,
    place,
    until.filter((d) => d.date.slice(0, 4) === year),
    log,
  );
  const next = nextWatering(zone, place, today, days.at(-1)?.missing ?? 0, until);
  const stem = tree.stemDiameter ?? tree.dbh;
  const tooMuch = tooMuchOf(zone, days, tightGround({ tree, visit }));
  return {
    zone,
    days,
    next,
    own,
    log: log.filter((w) => w.on.startsWith(year)),
    manners:
      stem === undefined || before.length === 0
        ? []
        : mannersOver(zone, place, before, wateringByRule(stem), seasonMonths({ latitude: place.latitude })),
    manner: schoolFor('watering', house, tree.schools).key as Manner,
    why: whyOf(next, today, next.years),
    ...(tooMuch && { tooMuch }),
  };
}
