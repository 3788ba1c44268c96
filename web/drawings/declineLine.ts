import type { SinceWhen } from '@undrel/core/history';
import { formatLength, shortUnit, type UnitSystem, percent } from '@undrel/core/units';
import { shootAxis } from './shootAxis';
import { box, words, type Drawing, type Point, type Shape } from './shapes';

export interface DeclineLineGiven {
  since: SinceWhen;
  planted: number | undefined;
  /** Stem diameters measured at visits, m. */
  stems: readonly { year: number; metres: number }[];
  system: UnitSystem;
  width: number;
}

/** The stem at each visit, for the line of years. */
export const stemsOf = (
  visits: readonly { date: string; findings: readonly { key: string; number?: number }[] }[],
) =>
  visits.flatMap((v) => {
    const dbh = v.findings.find((f) => f.key === 'base.dbh')?.number;
    return dbh === undefined ? [] : [{ year: Number(v.date.slice(0, 4)), metres: dbh }];
  });

const LEFT = 46;
const RIGHT = 12;
const TOP = 20;
const BARS = 150;
const CHANCE = 64;
const ROW = 20;
const TEXT = 12;

const text = words({ size: TEXT, tone: 'ink', anchor: 'start' });

/** Where years and lengths stand on the sheet. */
interface Places {
  first: number;
  last: number;
  /** Width of a year. */
  column: number;
  x: (year: number) => number;
  base: number;
  longest: number;
  y: (metres: number) => number;
  /** Where the chances stand. */
  floor: number;
  /** Right end of the axis. */
  right: number;
}

function placesOf({ since, planted, stems, width }: DeclineLineGiven): Places {
  const { years, events, series } = since;
  const first = Math.min(...years.map((y) => y.year), ...events.map((e) => e.year), planted ?? Infinity);
  const last = Math.max(...years.map((y) => y.year), ...stems.map((s) => s.year));
  const column = (width - LEFT - RIGHT) / (last - first + 1);
  const base = TOP + BARS;
  const longest = Math.max(
    ...years.map((y) => y.metres),
    ...series.flatMap((s) => (s.of === 'shoot' ? s.values.map((v) => v.metres) : [])),
  );
  return {
    first,
    last,
    column,
    x: (year) => LEFT + (Math.max(first, Math.min(last + 1, year)) - first) * column,
    base,
    longest,
    y: (metres) => base - (metres / longest) * BARS,
    floor: base + CHANCE,
    right: width - RIGHT,
  };
}

/** The years in which growth most likely fell, as a band behind the bars. */
function fallOf({ change }: SinceWhen, { x, floor }: Places): Shape[] {
  const fell = change && change.fellAtAll >= 0.5 ? change.when : undefined;
  return fell
    ? [{ as: 'area', points: box(x(fell.from), TOP - 8, x(fell.to + 1), floor), tone: 'squeeze' }]
    : [];
}

/** The shoots of each year as bars; each shoot's own reading beside the level they make together. */
function shootsOf({ years, series }: SinceWhen, { x, y, column, base }: Places): Shape[] {
  const bars = years.map(({ year, metres, discounted }): Shape => {
    const bar = box(x(year) + column * 0.18, y(metres), x(year + 1) - column * 0.18, base);
    return discounted
      ? { as: 'area', points: bar, tone: 'sheet', edge: 'ink' }
      : { as: 'area', points: bar, tone: 'ink' };
  });
  const shoots = series.filter((s) => s.of === 'shoot');
  if (shoots.length < 2) return bars;
  return [
    ...bars,
    ...shoots.map(({ values }): Shape => ({
      as: 'marks',
      tone: 'todo',
      width: 2.5,
      segments: values.map((v) => [
        [x(v.year) + column * 0.25, y(v.metres)],
        [x(v.year + 1) - column * 0.25, y(v.metres)],
      ]),
    })),
  ];
}

/** The chance that a lower level began in each year, under the years. */
function chancesOf({ change }: SinceWhen, { x, column, floor, right }: Places): Shape[] {
  if (!change) return [];
  // Over the tallest its share finds room.
  const height = CHANCE - 36;
  const top = Math.max(0.2, ...change.fell);
  const bars = change.years.flatMap((year, i): Shape[] => {
    const p = change.fell[i]!;
    if (p < 0.005) return [];
    const from = floor - (p / top) * height;
    return [
      {
        as: 'area',
        points: box(x(year) + column * 0.3, from, x(year + 1) - column * 0.3, floor),
        tone: 'harm',
      },
      ...(p >= 0.15 && column > 22
        ? [
            text([x(year) + column / 2, from - 3], percent(p), {
              anchor: 'middle',
              size: 11,
              figures: true,
              halo: 'sheet',
            }),
          ]
        : []),
    ];
  });
  return [
    ...bars,
    text([LEFT - 6, floor - 2], 'fell', { anchor: 'end' }),
    {
      as: 'line',
      points: [
        [LEFT, floor],
        [right, floor],
      ],
      tone: 'hair',
      width: 1,
    },
  ];
}

/** A dated event with the span in which its effect is usual; the row where it stands. */
function eventAt(
  { event, year, from, to, chance }: SinceWhen['events'][number],
  told: boolean,
  { x }: Places,
  row: number,
): Shape[] {
  const y0 = row + 9;
  return [
    text([LEFT, row], `${event.when} ${event.kind}${told ? `: ${percent(chance)}` : ''}`, {
      anchor: 'start',
      size: 11,
    }),
    {
      as: 'line',
      points: [
        [x(from), y0],
        [x(to + 1), y0],
      ],
      tone: 'todo',
      width: 3,
    },
    {
      as: 'marks',
      tone: 'ink',
      width: 2,
      segments: [
        [
          [x(year) + 1, y0 - 4],
          [x(year) + 1, y0 + 4],
        ],
      ],
    },
  ];
}

/** The stem as it was measured at a visit. */
function stemAt(
  { year, metres }: DeclineLineGiven['stems'][number],
  system: UnitSystem,
  { x, column }: Places,
  row: number,
): Shape[] {
  const at: Point = [x(year) + column / 2, row - 4];
  return [
    { as: 'marks', tone: 'ink', width: 5, segments: [[at, at]] },
    text([at[0] - 6, row], `stem ${formatLength(metres, shortUnit(system))}`, { anchor: 'end', size: 11 }),
  ];
}

/**
 * The years on one line: shoots as bars, below them the chance that a lower level began in each year, and the dated
 * events with the span in which their effect is usual.
 */
export function declineLine(given: DeclineLineGiven): Drawing {
  const { since, stems, system, width } = given;
  const places = placesOf(given);
  const { first, last, column, x, y, base, longest, floor, right } = places;
  const events = floor + ROW;
  const after = events + since.events.length * (ROW + 14);
  return {
    width,
    height: after + stems.length * ROW,
    shapes: [
      ...fallOf(since, places),
      ...shootsOf(since, places),
      ...shootAxis({
        left: LEFT,
        right,
        base,
        top: y(longest),
        longest,
        years: [first, last],
        mid: (year) => x(year) + column / 2,
        system,
        size: TEXT - 1,
      }),
      ...chancesOf(since, places),
      ...since.events.flatMap((e, i) =>
        eventAt(e, since.change !== undefined, places, events + i * (ROW + 14)),
      ),
      ...stems.flatMap((s, i) => stemAt(s, system, places, after + i * ROW)),
    ],
  };
}
