import { byDay } from '@undrel/core/vocabulary';
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
/** About how wide a letter is. */
const LETTER = 6.6;
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

/** Where years and lengths stand on the sheet. */
interface Places {
  /** First year of the axis, and the year after its last. */
  first: number;
  last: number;
  x: (year: number) => number;
  /** A shoot stands in the middle of its year. */
  mid: (year: number) => number;
  base: number;
  most: number;
  y: (metres: number) => number;
  right: number;
}

type Band = ReturnType<typeof without>;

function placesOf({ years, marks, planted, until, width }: LifeLineGiven, band: Band): Places {
  const last = Math.floor(yearAt(until)) + 1;
  const first = Math.min(
    last - 4,
    planted ?? Infinity,
    ...years.map((y) => y.year),
    ...marks.map((m) => Math.floor(yearAt(m.on))),
  );
  const most = Math.max(
    0.05,
    ...years.flatMap((y) => [y.tree ?? 0, y.beside ?? 0]),
    ...band.map((b) => b.upper),
  );
  const base = TOP + HEIGHT;
  const x = (year: number) => LEFT + ((year - first) / (last - first)) * (width - LEFT - RIGHT);
  return {
    first,
    last,
    x,
    mid: (year) => x(year + 0.5),
    base,
    most,
    y: (metres) => base - (Math.max(0, metres) / most) * HEIGHT,
    right: width - RIGHT,
  };
}

/** What one season may come to without the work, as a band behind the lines. */
function bandOf(band: Band, { x, mid, y }: Places): Shape[] {
  const left = band[0];
  const right = band.at(-1);
  if (!left || !right) return [];
  return [
    {
      as: 'area',
      points: [
        [x(left.year), y(left.upper)],
        ...band.map((b): Point => [mid(b.year), y(b.upper)]),
        [x(right.year + 1), y(right.upper)],
        [x(right.year + 1), y(right.lower)],
        ...[...band].reverse().map((b): Point => [mid(b.year), y(b.lower)]),
        [x(left.year), y(left.lower)],
      ],
      tone: 'wash',
    },
  ];
}

/** Years whose growing season was dry, along the foot of the sheet. */
function dryYears(given: LifeLineGiven, { first, last, x, base, right }: Places): Shape[] {
  const dry = (given.dry ?? []).filter((year) => year >= first && year < last);
  if (dry.length === 0) return [];
  return [
    ...dry.map((year): Shape => ({
      as: 'area',
      points: [
        [x(year), base - STRIP],
        [x(year + 1), base - STRIP],
        [x(year + 1), base],
        [x(year), base],
      ],
      tone: 'harm',
    })),
    text([right, TOP - 14], dry.length === 1 ? 'red: dry growing season' : 'red: dry growing seasons', {
      tone: 'harm',
      anchor: 'end',
    }),
  ];
}

const dot = ([cx, cy]: Point, r: number): Point[] =>
  Array.from({ length: 12 }, (_, i): Point => [
    cx + r * Math.cos((i * Math.PI) / 6),
    cy + r * Math.sin((i * Math.PI) / 6),
  ]);

/** Shoots year by year, of this tree and of the one beside it. */
function curvesOf({ years }: LifeLineGiven, { mid, y }: Places): { own: Point[]; reference: Point[] } {
  const curve = (of: (s: ShootYear) => number | undefined): Point[] =>
    years.flatMap((s): Point[] => {
      const value = of(s);
      return value === undefined ? [] : [[mid(s.year), y(value)]];
    });
  return { own: curve((s) => s.tree), reference: curve((s) => s.beside) };
}

const linesOf = ({ own, reference }: ReturnType<typeof curvesOf>): Shape[] => [
  ...(reference.length > 1
    ? [
        {
          as: 'line' as const,
          points: reference,
          tone: 'muted' as const,
          width: 2,
          dash: [6, 4] as [number, number],
        },
      ]
    : []),
  ...(own.length > 1 ? [{ as: 'line' as const, points: own, tone: 'ink' as const, width: 3 }] : []),
  ...own.map((p): Shape => ({ as: 'area', points: dot(p, 4), tone: 'ink' })),
];

/** Which line is which, at its end; the lower of the two has its name below it. */
function namesOf(
  { own, reference }: ReturnType<typeof curvesOf>,
  beside: string | undefined,
  { right }: Places,
): Shape[] {
  const named = (points: Point[], words: string, tone: 'ink' | 'muted', below: boolean): Shape[] => {
    const end = points.at(-1);
    if (!end) return [];
    // Beside its end where it has room there; else it stands over the line.
    const fits = end[0] + 8 + words.length * LETTER <= right + RIGHT;
    return [
      text([Math.min(right, end[0] + 8), end[1] + (below ? 20 : -8)], words, {
        tone,
        strong: tone === 'ink',
        anchor: fits ? 'start' : 'end',
        halo: 'paper',
      }),
    ];
  };
  const lower = (reference.at(-1)?.[1] ?? Infinity) < (own.at(-1)?.[1] ?? 0);
  return [
    ...named(reference, beside ?? 'reference tree', 'muted', !lower),
    ...named(own, 'this tree', 'ink', lower),
  ];
}

/** What the band is, on the side where the tree did not go. */
function bandName(band: Band, own: readonly Point[], { x, y, base }: Places): Shape[] {
  const end = band.at(-1);
  if (!end) return [];
  const below = (own.at(-1)?.[1] ?? 0) < y(end.middle);
  const at = below ? Math.min(base - 6, y(end.lower) + 16) : Math.max(TOP, y(end.upper) - 8);
  return [
    text([x(end.year + 1), at], 'as it would be without the work', {
      tone: 'todo',
      halo: 'paper',
      anchor: 'end',
    }),
  ];
}

/** Where a mark stands, in a lane of its own. */
const inLane = ({ on }: LifeMark, lane: number, { x, base }: Places): Point => [
  x(yearAt(on)),
  base + 34 + lane * LANE,
];

/** The line from the axis down to a mark. */
function dropTo(mark: LifeMark, lane: number, places: Places): Shape {
  const [ax, ay] = inLane(mark, lane, places);
  return {
    as: 'line',
    points: [
      [ax, places.base],
      [ax, ay - 4],
    ],
    tone: 'hair',
    width: 1,
  };
}

/** A mark with its words; those that would run off the sheet end at it. */
function laneOf(mark: LifeMark, lane: number, places: Places): Shape[] {
  const { on, what, kind } = mark;
  const [ax, ay] = inLane(mark, lane, places);
  const tone = kind === 'work' ? 'todo' : kind === 'visit' ? 'muted' : 'ink';
  const words = `${on} ${what}`;
  const ends = ax + 12 + words.length * LETTER > places.right;
  return [
    kind === 'work'
      ? {
          as: 'area',
          points: [
            [ax - 5, ay + 4],
            [ax + 5, ay + 4],
            [ax, ay - 6],
          ],
          tone,
        }
      : { as: 'area', points: dot([ax, ay - 1], kind === 'visit' ? 3 : 4.5), tone },
    text([ax + (ends ? -10 : 10), ay + 4], words, {
      tone,
      anchor: ends ? 'end' : 'start',
      strong: kind === 'work',
      halo: 'paper',
    }),
  ];
}

/** The whole life of a tree on one axis: its shoots beside those of the reference tree, and what happened to it below. */
export function lifeLine(given: LifeLineGiven): Drawing {
  const { marks, system, width, beside } = given;
  const band = without(given);
  const places = placesOf(given, band);
  const { first, last, x, mid, y, base, most, right } = places;
  const curves = curvesOf(given, places);
  // Lines of the works run up through the growth that follows them.
  const works = marks
    .filter((m) => m.kind === 'work')
    .map(({ on }): Shape => ({
      as: 'line',
      points: [
        [x(yearAt(on)), TOP - 6],
        [x(yearAt(on)), base],
      ],
      tone: 'todo',
      width: 2,
    }));
  // One lane for each mark, oldest first.
  const lanes = [...marks].sort((a, b) => byDay(a.on, b.on));
  return {
    width,
    height: base + 34 + lanes.length * LANE + 6,
    shapes: [
      ...bandOf(band, places),
      ...dryYears(given, places),
      // Under all words: those of an older mark stand in the way of younger ones.
      ...lanes.map((mark, i) => dropTo(mark, i, places)),
      ...linesOf(curves),
      ...shootAxis({
        left: LEFT,
        right,
        base,
        top: y(most),
        longest: most,
        years: [first, last - 1],
        mid,
        system,
        size: TEXT,
      }),
      text([LEFT, TOP - 14], 'Length of the shoots', { tone: 'muted' }),
      ...works,
      ...namesOf(curves, beside, places),
      ...bandName(band, curves.own, places),
      ...lanes.flatMap((mark, i) => laneOf(mark, i, places)),
    ],
  };
}
