import type { BeforeAfter, ShootYear } from '@undrel/core/recovery';
import { MOST_SEASONS_BEFORE } from '@undrel/core/practice';
import type { UnitSystem } from '@undrel/core/units';
import { shootAxis } from './shootAxis';
import { words, type Drawing, type Point, type Shape } from './shapes';

/** Something that happened to a tree or was done at it. */
export interface LifeMark {
  on: string;
  what: string;
  kind: 'event' | 'visit' | 'work';
}

export interface LifeLineGiven {
  years: readonly ShootYear[];
  /** Years whose growth lies after the treatment, and what its shoots did. */
  after?: { from: number; last: number; reading: BeforeAfter | undefined };
  beside?: string;
  marks: readonly LifeMark[];
  planted: number | undefined;
  /** Years whose growing season was dry by the rain on these grounds. */
  dry?: readonly number[];
  until: string;
  system: UnitSystem;
  width: number;
}

const LEFT = 56;
const RIGHT = 16;
const TOP = 30;
const HEIGHT = 190;
const LANE = 17;
const TEXT = 13;
/** Height of the strip that marks a dry year. */
const STRIP = 7;

const yearAt = (day: string): number => {
  const [year, month = '07', date = '01'] = day.split('-');
  return Number(year) + (Number(month) - 1) / 12 + (Number(date) - 1) / 365;
};

const text = words({ size: TEXT, tone: 'ink', anchor: 'start' });

/**
 * What the tree would have grown without the work: as far from the tree beside it, or from nothing, as in the years before;
 * with the band that one season may lie in.
 */
function without(given: LifeLineGiven): { year: number; lower: number; middle: number; upper: number }[] {
  const { after, years } = given;
  if (!after?.reading) return [];
  const own = years.filter(
    (y) => y.year <= after.last && y.year > after.last - MOST_SEASONS_BEFORE && y.tree !== undefined,
  );
  if (own.length === 0) return [];
  const against = own.every((y) => y.beside !== undefined);
  const level = (y: ShootYear) => Math.log(y.tree!) - (against ? Math.log(y.beside!) : 0);
  const mean = own.reduce((sum, y) => sum + level(y), 0) / own.length;
  const { spread, before, after: count } = after.reading;
  const season = (spread / Math.sqrt(1 / before + 1 / count)) * Math.sqrt(1 + 1 / before);
  return years
    .filter((y) => y.year >= after.from && (!against || y.beside !== undefined))
    .map((y) => {
      const at = mean + (against ? Math.log(y.beside!) : 0);
      return {
        year: y.year,
        lower: Math.exp(at - 1.645 * season),
        middle: Math.exp(at),
        upper: Math.exp(at + 1.645 * season),
      };
    });
}

/** The whole life of a tree on one axis: its shoots beside those of the reference tree, and what befell it below. */
export function lifeLine(given: LifeLineGiven): Drawing {
  const { years, marks, system, width, beside } = given;
  const last = Math.floor(yearAt(given.until)) + 1;
  const first = Math.min(
    last - 4,
    given.planted ?? Infinity,
    ...years.map((y) => y.year),
    ...marks.map((m) => Math.floor(yearAt(m.on))),
  );
  const x = (year: number) => LEFT + ((year - first) / (last - first)) * (width - LEFT - RIGHT);
  // A shoot stands in the middle of its year.
  const mid = (year: number) => x(year + 0.5);
  const band = without(given);
  const most = Math.max(
    0.05,
    ...years.flatMap((y) => [y.tree ?? 0, y.beside ?? 0]),
    ...band.map((b) => b.upper),
  );
  const base = TOP + HEIGHT;
  const y = (metres: number) => base - (Math.max(0, metres) / most) * HEIGHT;
  const shapes: Shape[] = [];
  const works = marks.filter((m) => m.kind === 'work');
  if (band.length > 0) {
    const half = 0.5;
    const left = band[0]!;
    const right = band.at(-1)!;
    shapes.push({
      as: 'area',
      points: [
        [x(left.year), y(left.upper)],
        ...band.map((b): Point => [mid(b.year), y(b.upper)]),
        [x(right.year + 2 * half), y(right.upper)],
        [x(right.year + 2 * half), y(right.lower)],
        ...[...band].reverse().map((b): Point => [mid(b.year), y(b.lower)]),
        [x(left.year), y(left.lower)],
      ],
      tone: 'wash',
    });
  }
  const dry = (given.dry ?? []).filter((year) => year >= first && year < last);
  for (const year of dry)
    shapes.push({
      as: 'area',
      points: [
        [x(year), base - STRIP],
        [x(year + 1), base - STRIP],
        [x(year + 1), base],
        [x(year), base],
      ],
      tone: 'harm',
    });
  if (dry.length > 0)
    shapes.push(
      text(
        [width - RIGHT, TOP - 14],
        dry.length === 1 ? 'red: dry growing season' : 'red: dry growing seasons',
        {
          tone: 'harm',
          anchor: 'end',
        },
      ),
    );
  const curve = (of: (s: ShootYear) => number | undefined): Point[] =>
    years.flatMap((s): Point[] => {
      const value = of(s);
      return value === undefined ? [] : [[mid(s.year), y(value)]];
    });
  const reference = curve((s) => s.beside);
  const own = curve((s) => s.tree);
  if (reference.length > 1)
    shapes.push({ as: 'line', points: reference, tone: 'muted', width: 2, dash: [6, 4] });
  if (own.length > 1) shapes.push({ as: 'line', points: own, tone: 'ink', width: 3 });
  const dot = ([cx, cy]: Point, r: number): Point[] =>
    Array.from({ length: 12 }, (_, i): Point => [
      cx + r * Math.cos((i * Math.PI) / 6),
      cy + r * Math.sin((i * Math.PI) / 6),
    ]);
  shapes.push(...own.map((p): Shape => ({ as: 'area', points: dot(p, 4), tone: 'ink' })));
  shapes.push(
    ...shootAxis({
      left: LEFT,
      right: width - RIGHT,
      base,
      top: y(most),
      longest: most,
      years: [first, last - 1],
      mid,
      system,
      size: TEXT,
    }),
    text([LEFT, TOP - 14], 'Length of the shoots', { tone: 'muted' }),
  );
  // Lines of the works run up through the growth that follows them.
  for (const { on } of works)
    shapes.push({
      as: 'line',
      points: [
        [x(yearAt(on)), TOP - 6],
        [x(yearAt(on)), base],
      ],
      tone: 'todo',
      width: 2,
    });
  const named = (points: Point[], words: string, tone: 'ink' | 'muted', below: boolean) => {
    const end = points.at(-1);
    if (end)
      shapes.push(
        text([Math.min(width - RIGHT, end[0] + 8), end[1] + (below ? 20 : -8)], words, {
          tone,
          strong: tone === 'ink',
          anchor: end[0] > width - 120 ? 'end' : 'start',
          halo: 'paper',
        }),
      );
  };
  // The lower of the two lines has its name below it.
  const lower = (reference.at(-1)?.[1] ?? Infinity) < (own.at(-1)?.[1] ?? 0);
  named(reference, beside ?? 'reference tree', 'muted', !lower);
  named(own, 'this tree', 'ink', lower);
  if (band.length > 0) {
    const end = band.at(-1)!;
    // On the side where the tree did not go.
    const tree = own.at(-1)?.[1] ?? 0;
    const below = tree < y(end.middle);
    const at = below ? Math.min(base - 6, y(end.lower) + 16) : Math.max(TOP, y(end.upper) - 8);
    shapes.push(
      text([x(end.year + 1), at], 'as it would be without the work', {
        tone: 'todo',
        halo: 'paper',
        anchor: 'end',
      }),
    );
  }
  // One lane for each mark, oldest first; words that would run off the sheet end at their mark.
  const lanes = [...marks].sort((a, b) => a.on.localeCompare(b.on));
  lanes.forEach(({ on, what, kind }, i) => {
    const at: Point = [x(yearAt(on)), base + 34 + i * LANE];
    const tone = kind === 'work' ? 'todo' : kind === 'visit' ? 'muted' : 'ink';
    shapes.push({
      as: 'line',
      points: [
        [at[0], base],
        [at[0], at[1] - 4],
      ],
      tone: 'hair',
      width: 1,
    });
    shapes.push(
      kind === 'work'
        ? {
            as: 'area',
            points: [
              [at[0] - 5, at[1] + 4],
              [at[0] + 5, at[1] + 4],
              [at[0], at[1] - 6],
            ],
            tone,
          }
        : { as: 'area', points: dot([at[0], at[1] - 1], kind === 'visit' ? 3 : 4.5), tone },
    );
    const words = `${on} ${what}`;
    const ends = at[0] + 12 + words.length * 6.6 > width - RIGHT;
    shapes.push(
      text([at[0] + (ends ? -10 : 10), at[1] + 4], words, {
        tone,
        anchor: ends ? 'end' : 'start',
        strong: kind === 'work',
        halo: 'paper',
      }),
    );
  });
  return { width, height: base + 34 + lanes.length * LANE + 6, shapes };
}
