import type { SinceWhen } from '@undrel/core/history';
import { formatLength, shortUnit, type UnitSystem, percent } from '@undrel/core/units';
import { shootAxis } from './shootAxis';
import { words, type Drawing, type Point, type Shape } from './shapes';

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

const box = (x1: number, y1: number, x2: number, y2: number): Point[] => [
  [x1, y1],
  [x2, y1],
  [x2, y2],
  [x1, y2],
];

const text = words({ size: TEXT, tone: 'ink', anchor: 'start' });

/**
 * The years on one line: shoots as bars, below them the chance that a lower level began in each year, and the dated
 * events with the span in which their effect is usual.
 */
export function declineLine(given: DeclineLineGiven): Drawing {
  const { since, system, width } = given;
  const { years, change, events } = since;
  const first = Math.min(
    ...years.map((y) => y.year),
    ...events.map((e) => e.year),
    given.planted ?? Infinity,
  );
  const last = Math.max(...years.map((y) => y.year), ...given.stems.map((s) => s.year));
  const column = (width - LEFT - RIGHT) / (last - first + 1);
  const x = (year: number) => LEFT + (Math.max(first, Math.min(last + 1, year)) - first) * column;
  const base = TOP + BARS;
  const longest = Math.max(
    ...years.map((y) => y.metres),
    ...since.series.flatMap((s) => (s.of === 'shoot' ? s.values.map((v) => v.metres) : [])),
  );
  const y = (metres: number) => base - (metres / longest) * BARS;
  const shapes: Shape[] = [];

  const fellFrom = change && change.fellAtAll >= 0.5 ? change.when : undefined;
  if (fellFrom)
    shapes.push({
      as: 'area',
      points: box(x(fellFrom.from), TOP - 8, x(fellFrom.to + 1), base + CHANCE),
      tone: 'squeeze',
    });
  for (const { year, metres, discounted } of years) {
    const bar = box(x(year) + column * 0.18, y(metres), x(year + 1) - column * 0.18, base);
    shapes.push(
      discounted
        ? { as: 'area', points: bar, tone: 'sheet', edge: 'ink' }
        : { as: 'area', points: bar, tone: 'ink' },
    );
  }
  // Each shoot's own reading beside the level they make together.
  if (since.series.filter((s) => s.of === 'shoot').length > 1)
    for (const { of, values } of since.series) {
      if (of !== 'shoot') continue;
      shapes.push({
        as: 'marks',
        tone: 'todo',
        width: 2.5,
        segments: values.map((v) => [
          [x(v.year) + column * 0.25, y(v.metres)],
          [x(v.year + 1) - column * 0.25, y(v.metres)],
        ]),
      });
    }
  shapes.push(
    ...shootAxis({
      left: LEFT,
      right: width - RIGHT,
      base,
      top: y(longest),
      longest,
      years: [first, last],
      mid: (year) => x(year) + column / 2,
      system,
      size: TEXT - 1,
    }),
  );

  const floor = base + CHANCE;
  if (change) {
    // Over the tallest its share finds room, under the years.
    const height = CHANCE - 36;
    const top = Math.max(0.2, ...change.fell);
    change.years.forEach((year, i) => {
      const p = change.fell[i]!;
      if (p < 0.005) return;
      shapes.push({
        as: 'area',
        points: box(x(year) + column * 0.3, floor - (p / top) * height, x(year + 1) - column * 0.3, floor),
        tone: 'harm',
      });
      if (p >= 0.15 && column > 22)
        shapes.push(
          text([x(year) + column / 2, floor - (p / top) * height - 3], percent(p), {
            anchor: 'middle',
            size: 11,
            figures: true,
            halo: 'sheet',
          }),
        );
    });
    shapes.push(text([LEFT - 6, floor - 2], 'fell', { anchor: 'end' }));
    shapes.push({
      as: 'line',
      points: [
        [LEFT, floor],
        [width - RIGHT, floor],
      ],
      tone: 'hair',
      width: 1,
    });
  }

  let row = floor + ROW;
  for (const { event, year, from, to, chance } of events) {
    const y0 = row + 9;
    shapes.push(
      text([LEFT, row], `${event.when} ${event.kind}${change ? `: ${percent(chance)}` : ''}`, {
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
    );
    row += ROW + 14;
  }
  for (const { year, metres } of given.stems) {
    shapes.push({
      as: 'marks',
      tone: 'ink',
      width: 5,
      segments: [
        [
          [x(year) + column / 2, row - 4],
          [x(year) + column / 2, row - 4],
        ],
      ],
    });
    shapes.push(
      text([x(year) + column / 2 - 6, row], `stem ${formatLength(metres, shortUnit(system))}`, {
        anchor: 'end',
        size: 11,
      }),
    );
    row += ROW;
  }
  return { width, height: row, shapes };
}
