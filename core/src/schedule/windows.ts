import { frostMonths, monthHere, monthOn, type Climate } from '../house';
import { LEAST_ROOM_DAYS, TIES, type When } from '../practice/followUps';
import { type SchoolInForce } from '../practice';
import { dayAfter, lastOfMonth, monthsAfter } from '../vocabulary/dates';

export type Window = readonly [from: string, to: string];

/** How many years ahead a window of months is looked for where nothing else ends the search. */
const MOST_YEARS = 8;

/** A window of months here, year by year from the first that leaves room after a day; one that runs over the new year starts in its year. */
export function yearly(
  [first, last]: readonly [number, number],
  notBefore: string,
  years: number,
): { year: number; window: Window }[] {
  const found: { year: number; window: Window }[] = [];
  const start = Number(notBefore.slice(0, 4)) - 1;
  for (let year = start; found.length < years && year < start + MOST_YEARS; year++) {
    const ends = last < first ? year + 1 : year;
    const from = `${year}-${String(first).padStart(2, '0')}-01`;
    const to = lastOfMonth(ends, last);
    if (to < dayAfter(notBefore, LEAST_ROOM_DAYS)) continue;
    found.push({ year, window: [from < notBefore ? notBefore : from, to] });
  }
  return found;
}

/** Months of the mulching school, of the northern half of the world. */
const mulching = (school: SchoolInForce): readonly [number, number] => [
  school.values!.from!,
  school.values!.to!,
];

/** How long stakes stand by the school followed, months; undefined where they stay or nothing is there to take out. */
const stakeMonths = (school: SchoolInForce): number | undefined =>
  school.key === 'battens' ? undefined : school.values?.months;

export interface Place {
  climate: Climate;
  mulch: SchoolInForce;
  staking: SchoolInForce;
}

/** The windows of a follow-up after a day. `year` only where it comes again. */
export function windowsOf(when: When, on: string, place: Place): { year?: number; window: Window }[] {
  if ('days' in when) return [{ window: [dayAfter(on, when.days[0]), dayAfter(on, when.days[1])] }];
  if ('stakes' in when) {
    const months = stakeMonths(place.staking);
    if (when.stakes === 'out')
      return months === undefined ? [] : [{ window: [monthsAfter(on, months), monthsAfter(on, months + 1)] }];
    if (place.staking.key === 'permanent')
      return yearly(
        TIES.months.map((m) => monthHere(m, place.climate)) as [number, number],
        dayAfter(on, TIES.gap),
        TIES.years,
      );
    // Where stakes stand no longer than half a year they come out before the ties have to be moved.
    const half = (months ?? 0) / 2;
    return half < TIES.after ? [] : [{ window: [monthsAfter(on, half), monthsAfter(on, half + 1)] }];
  }
  const months =
    'season' in when
      ? mulching(place.mulch).map((m) => monthHere(m, place.climate))
      : 'frost' in when
        ? frostWindow(when.frost, place.climate)
        : when.months.map((m) => monthHere(m, place.climate));
  const after = dayAfter(on, when.gap ?? 0);
  const found = yearly(months as [number, number], after, when.years ?? 1);
  return when.years === undefined ? found.map(({ window }) => ({ window })) : found;
}

/** The month that ends as the frosts begin, or the one that begins as they end. */
function frostWindow(frost: 'before first' | 'after last', climate: Climate): readonly [number, number] {
  const { first, last } = frostMonths(climate);
  return frost === 'before first' ? [monthOn(first, -1), first] : [last, monthOn(last, 1)];
}
