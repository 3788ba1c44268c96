import { SPELLS } from '../practice/spells';
import { monthOn } from '../house';
import { referenceEt, type StationPlace, type WeatherDay } from '../water';
import { dayAfter, daysBetween, lastOfMonth } from '../vocabulary/dates';

/** A stretch of the year as it usually is at a place. */
export interface Spell {
  key: 'dormancy' | 'frost' | 'frozen' | 'heat' | 'wet' | 'dry';
  /** First and last day, MM-DD; one that begins later than it ends runs over the new year. */
  from: string;
  to: string;
  says: string;
}

const mean = (xs: readonly number[]): number => xs.reduce((sum, x) => sum + x, 0) / xs.length;

/** The day of any year that lies so many days after one. */
const monthDayAfter = (begin: string, days: number): string =>
  dayAfter(`2023-${begin}`, Math.round(days)).slice(5);

/** Years of a record from one day of the year to the day before it, whole ones. */
function wholeYears(days: readonly WeatherDay[], begin: string): WeatherDay[][] {
  const years = new Map<number, WeatherDay[]>();
  for (const day of days) {
    const year = Number(day.date.slice(0, 4)) - (day.date.slice(5) < begin ? 1 : 0);
    years.set(year, [...(years.get(year) ?? []), day]);
  }
  return [...years.values()].filter((year) => year.length >= 365);
}

/** First day, counted from the beginning, of so many in a row of which something holds; -1 where there is none. */
function firstRun(days: readonly WeatherDay[], holds: (day: WeatherDay) => boolean, from = 0): number {
  let run = 0;
  for (let i = from; i < days.length; i++) {
    run = holds(days[i]!) ? run + 1 : 0;
    if (run === SPELLS.growsDays) return i - SPELLS.growsDays + 1;
  }
  return -1;
}

/** From when to when leaves rest: after the growing season, until the next. */
function dormancy(days: readonly WeatherDay[], south: boolean): Spell[] {
  // The year of the place begins in the middle of its winter.
  const begin = south ? '07-01' : '01-01';
  const warm = (d: WeatherDay) => (d.low + d.high) / 2 > SPELLS.growsAbove;
  const half = 181;
  const seasons = wholeYears(days, begin).map((year) => [
    firstRun(year, warm),
    firstRun(year, (d) => !warm(d), half),
  ]);
  const told = seasons.filter(([first, last]) => first! >= 0 && last! >= 0);
  if (told.length * 2 <= seasons.length || told.length < SPELLS.leastYears) return [];
  const from = monthDayAfter(begin, mean(told.map(([, last]) => last!)));
  const to = monthDayAfter(begin, mean(told.map(([first]) => first!)) - 1);
  return [
    {
      key: 'dormancy',
      from,
      to,
      says: `Leaves rest: mean of the days below ${SPELLS.growsAbove} °C, by ${told.length} years. Roots are cut and trees are moved best now.`,
    },
  ];
}

/** From the mean first frost to the mean last. */
function frost(days: readonly WeatherDay[], south: boolean): Spell[] {
  const begin = south ? '01-01' : '07-01';
  const winters = wholeYears(days, begin).map((year) =>
    year.filter((d) => d.low < 0).map((d) => daysBetween(year[0]!.date, d.date)),
  );
  const told = winters.filter((w) => w.length > 0);
  if (told.length * 2 <= winters.length || told.length < SPELLS.leastYears) return [];
  return [
    {
      key: 'frost',
      from: monthDayAfter(begin, mean(told.map((w) => w[0]!))),
      to: monthDayAfter(begin, mean(told.map((w) => w.at(-1)!))),
      says: `Between the first and the last frost, in the mean of ${told.length} winters. No watering into frost.`,
    },
  ];
}

/** From when to when the ground is frozen in most winters: the first and the last such day of the year. */
function frozen(days: readonly WeatherDay[], south: boolean): Spell[] {
  const begin = south ? '01-01' : '07-01';
  const winters = wholeYears(days, begin);
  if (winters.length < SPELLS.leastYears) return [];
  const mean5 = (year: readonly WeatherDay[], i: number): number =>
    mean(year.slice(i - SPELLS.frozenDays + 1, i + 1).map((d) => (d.low + d.high) / 2));
  const often = Array.from({ length: 365 }, (_, i) => i).filter(
    (i) =>
      i >= SPELLS.frozenDays - 1 &&
      winters.filter((year) => mean5(year, i) < 0).length >= SPELLS.frozenYears * winters.length,
  );
  if (often.length === 0) return [];
  return [
    {
      key: 'frozen',
      from: monthDayAfter(begin, often[0]!),
      to: monthDayAfter(begin, often.at(-1)!),
      says: `The ground is frozen in at least half of ${winters.length} winters: no digging.`,
    },
  ];
}

/** A spell as it lies in a stretch of days: once or twice, as the year comes round. First and last days, ISO. */
export function stretchesIn({ from, to }: Spell, begin: string, end: string): [string, string][] {
  const first = Number(begin.slice(0, 4)) - 1;
  const years = Array.from({ length: Number(end.slice(0, 4)) - first + 1 }, (_, i) => first + i);
  return years
    .map((y): [string, string] => [`${y}-${from}`, `${from <= to ? y : y + 1}-${to}`])
    .filter(([a, b]) => b >= begin && a <= end)
    .map(([a, b]): [string, string] => [a < begin ? begin : a, b > end ? end : b]);
}

/** Months 1 to 12 of which something holds, put together where they follow each other. */
function stretches(months: readonly number[]): [number, number][] {
  if (months.length === 12) return [[1, 12]];
  const is = new Set(months);
  return months
    .filter((m) => !is.has(monthOn(m, -1)))
    .map((first) => {
      let last = first;
      while (is.has(monthOn(last, 1))) last = monthOn(last, 1);
      return [first, last];
    });
}

/**
 * How the year goes at a place by its own daily weather: when leaves rest, when it freezes, when it is hot, when the ground
 * is full of water and when it dries.
 *
 * @param days daily weather in order, without holes; nothing is said by fewer than three whole years
 */
export function spellsOf(place: StationPlace, days: readonly WeatherDay[]): Spell[] {
  const years = new Set(wholeYears(days, '01-01').map((year) => year[0]!.date.slice(0, 4)));
  if (years.size < SPELLS.leastYears) return [];
  const south = place.latitude < 0;
  const months = Array.from({ length: 12 }, () => ({ rain: 0, et: 0, hot: 0 }));
  for (const day of days) {
    if (!years.has(day.date.slice(0, 4))) continue;
    const month = months[Number(day.date.slice(5, 7)) - 1]!;
    month.rain += day.rain / years.size;
    month.et += referenceEt(place, day).mm / years.size;
    month.hot += (day.high >= SPELLS.hotDegrees ? 1 : 0) / years.size;
  }
  const where = (holds: (m: (typeof months)[number]) => boolean) =>
    months.flatMap((m, i) => (holds(m) ? [i + 1] : []));
  const spells = (key: Spell['key'], which: number[], says: string): Spell[] =>
    stretches(which).map(([first, last]) => ({
      key,
      from: `${String(first).padStart(2, '0')}-01`,
      to: lastOfMonth(2023, last).slice(5),
      says,
    }));
  return [
    ...dormancy(days, south),
    ...frost(days, south),
    ...frozen(days, south),
    ...spells(
      'heat',
      where((m) => m.hot >= SPELLS.hotDays),
      `At least ${SPELLS.hotDays} days of ${SPELLS.hotDegrees} °C a month. No resets; roots that were dug out are kept shaded and wet.`,
    ),
    ...spells(
      'wet',
      where((m) => m.rain - m.et > SPELLS.wet),
      'More rain than the ground gives back to the air: water stands in compacted soil. No machine on the root zone.',
    ),
    ...spells(
      'dry',
      where((m) => m.et - m.rain > SPELLS.dry),
      'The ground gives more water to the air than it gets: trees with few roots are watered.',
    ),
  ];
}
