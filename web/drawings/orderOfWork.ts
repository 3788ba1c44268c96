import { plannedOf, workOrder, type ClosedSeason, type Operation } from '@undrel/core/prescription';
import type { Visit } from '@undrel/core/records';
import { worksOf } from '@undrel/core/schedule';
import { inLines } from './inLines';
import { box, paperOf, words, type Drawing, type Shape, type Tone } from './shapes';

/** One step of the order of work, as the picture shows it. */
export interface OrderRow {
  key: string;
  title: string;
  /** What has to be signed before it. */
  first: string[];
  /** First and last day, ISO; the same where a day was set. None where it follows its own balance, such as watering. */
  days?: { from: string; to: string };
  state: 'ahead' | 'due' | 'late' | 'done';
  /** Done, or what else there is to say of its time. */
  told?: string;
}

const FIRST: Record<Extract<ReturnType<typeof workOrder>[number], { hold: unknown }>['hold'], string> = {
  alive: 'alive or dead',
  utilities: 'utilities located',
  stability: 'stability judged',
  permits: 'permits and seasons',
  dry: 'bark dried',
};

/**
 * The steps of what is prescribed at a visit, in the order of work, each with its days.
 *
 * @param operations all of the visit
 * @param trenchSeasons over how many years the soil is opened; one where nothing was laid out
 */
export function orderRows(
  operations: readonly Operation[],
  visit: Visit,
  species: string,
  closed: readonly ClosedSeason[],
  today: string,
  trenchSeasons?: number,
): OrderRow[] {
  const planned = plannedOf(operations, visit);
  const steps = workOrder(planned, visit, trenchSeasons);
  const works = new Map(worksOf(steps, planned, visit, [], species, closed, today, 0).map((w) => [w.key, w]));
  const rows = steps.flatMap((step): OrderRow[] => {
    if ('hold' in step) return [];
    const { key, title } = step;
    const done = visit.work?.find((w) => w.step === key);
    const work = works.get(key);
    return [
      {
        key,
        title,
        first: step.first.map(({ hold }) => FIRST[hold]),
        ...(done
          ? {
              days: { from: done.on, to: done.on },
              state: 'done' as const,
              told: `${done.how} ${monthOf(done.on)}`,
            }
          : work
            ? {
                days: { from: work.from, to: work.to },
                state: work.state === 'late' || work.state === 'due' ? work.state : 'ahead',
              }
            : { state: 'ahead' as const, told: 'by the water balance' }),
      },
    ];
  });
  const { lookAgain } = visit;
  return lookAgain
    ? [
        ...rows,
        {
          key: 'look again',
          title: 'Look again',
          first: [],
          days: { from: lookAgain.on, to: lookAgain.on },
          state: lookAgain.on < today ? 'late' : 'ahead',
        },
      ]
    : rows;
}

const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ');
const monthOf = (day: string): string => `${MONTHS[Number(day.slice(5, 7)) - 1]} ${day.slice(0, 4)}`;

/** The days of a step as it is read. */
export function spanOf({ days, told }: OrderRow): string {
  if (told) return told;
  if (!days) return '';
  if (days.from === days.to) return `${Number(days.from.slice(8))} ${monthOf(days.from)}`;
  const [from, to] = [monthOf(days.from), monthOf(days.to)];
  if (from === to) return from;
  return days.from.slice(0, 4) === days.to.slice(0, 4) ? `${from.slice(0, 3)} to ${to}` : `${from} to ${to}`;
}

const TEXT = words({ size: 14, tone: 'ink', anchor: 'start' });
const SMALL = words({ size: 12, tone: 'muted', anchor: 'start' });
const TONES: Record<OrderRow['state'], Tone> = { ahead: 'todo', due: 'todo', late: 'harm', done: 'muted' };
const [MARGIN, HEAD, BAR] = [16, 54, 12];
/** Share of the width that the names take. */
const NAMES = 0.46;
/** A row is no taller than this, so that few of them stand together. */
const ROW = 72;
const DAY = 86_400_000;
const days = (day: string): number => Date.parse(`${day}T00:00:00Z`) / DAY;

/** First days of months or years between two days, at most some dozen of them. */
function ticks(from: number, to: number): { at: number; label: string; strong: boolean }[] {
  const every = [1, 2, 3, 6, 12, 24, 60, 120].find((months) => (to - from) / (30.4 * months) <= 9) ?? 240;
  const first = new Date(from * DAY);
  const begin = first.getUTCFullYear() * 12 + first.getUTCMonth();
  const marks = [];
  for (let m = Math.ceil(begin / every) * every; ; m += every) {
    const at = Date.UTC(Math.floor(m / 12), m % 12, 1) / DAY;
    if (at > to) return marks;
    const january = m % 12 === 0;
    if (at >= from) marks.push({ at, label: january ? String(m / 12) : MONTHS[m % 12]!, strong: january });
  }
}

/** Where days and rows lie. */
interface Frame {
  x: (day: number) => number;
  left: number;
  right: number;
  rowHeight: number;
}

/**
 * What is done when: the steps one below the other in the order of work, their days on one line of time.
 *
 * @param today ISO day, drawn as a line
 * @param width of the drawing, drawing units
 */
export function orderOfWork(
  rows: readonly OrderRow[],
  today: string,
  { width, height }: { width: number; height: number },
): Drawing {
  const dated = rows.flatMap((r) => (r.days ? [days(r.days.from), days(r.days.to)] : []));
  const now = days(today);
  const [from, to] = [Math.min(now, ...dated) - 14, Math.max(now + 180, ...dated) + 14];
  const left = MARGIN + NAMES * (width - 2 * MARGIN);
  const right = width - MARGIN;
  const x = (day: number): number => left + ((day - from) / (to - from)) * (right - left);
  const rowHeight = Math.min(ROW, (height - HEAD - MARGIN) / Math.max(1, rows.length));
  const bottom = HEAD + rows.length * rowHeight;
  const frame: Frame = { x, left, right, rowHeight };
  const grid = ticks(from, to).flatMap(({ at, label, strong }): Shape[] => [
    {
      as: 'line',
      points: [
        [x(at), HEAD - 4],
        [x(at), bottom],
      ],
      tone: 'hair',
      width: strong ? 2 : 1,
    },
    SMALL([x(at), HEAD - 10], label, { anchor: 'middle', ...(strong && { strong: true, tone: 'ink' }) }),
  ]);
  const drawn = rows.flatMap((row, i): Shape[] => rowOf(frame, row, i, HEAD + i * rowHeight));
  return {
    width,
    height,
    shapes: [
      paperOf(width, height),
      ...grid,
      ...drawn,
      {
        as: 'line',
        points: [
          [x(now), HEAD - 26],
          [x(now), bottom],
        ],
        tone: 'ink',
        width: 1,
        dash: [2, 3],
      },
      SMALL([x(now), HEAD - 32], 'Today', { anchor: 'middle', tone: 'ink', halo: 'paper' }),
    ],
  };
}

const endsOf = ({ x, left, right }: Frame, { days: span }: OrderRow) =>
  span ? ([x(days(span.from)), x(days(span.to))] as const) : ([left, right] as const);

/** The time of a row: a bar, a mark where it is short, and dots where it has no days. */
function barOf(frame: Frame, row: OrderRow, middle: number): Shape {
  const ends = endsOf(frame, row);
  const tone = TONES[row.state];
  if (!row.days)
    return {
      as: 'line',
      points: [
        [frame.left, middle],
        [frame.right, middle],
      ],
      tone,
      width: 3,
      dash: [3, 7],
    };
  if (ends[1] - ends[0] >= BAR)
    return { as: 'area', points: box(ends[0], middle - BAR / 2, ends[1], middle + BAR / 2), tone };
  return {
    as: 'area',
    points: [
      [ends[0], middle - 9],
      [ends[0] + 9, middle],
      [ends[0], middle + 9],
      [ends[0] - 9, middle],
    ],
    tone,
  };
}

function rowOf(frame: Frame, row: OrderRow, i: number, top: number): Shape[] {
  const { left, right, rowHeight } = frame;
  const names = left - MARGIN - 34;
  const note = row.first.length > 0 ? `First: ${row.first.join(', ')}` : '';
  const lines = inLines(row.title, names, 14, rowHeight >= 62 || (!note && rowHeight >= 40) ? 2 : 1);
  const room = Math.max(0, Math.floor((rowHeight - 10 - lines.length * 17) / 15));
  const notes = note ? inLines(note, names, 12, 2).slice(0, room) : [];
  const middle = top + rowHeight / 2;
  const span = `${spanOf(row)}${row.state === 'late' ? ', late' : ''}`;
  const ends = endsOf(frame, row);
  // Words go where there is room: after the bar, or before it.
  const wide = span.length * 6.4;
  const after = ends[1] + 8 + wide <= right;
  const beside: Shape = row.days
    ? after
      ? SMALL([ends[1] + 8, middle + 4], span, { tone: 'ink', halo: 'paper' })
      : ends[0] - 8 - wide >= left
        ? SMALL([ends[0] - 8, middle + 4], span, { tone: 'ink', anchor: 'end', halo: 'paper' })
        : SMALL([right, middle + 22], span, { tone: 'ink', anchor: 'end', halo: 'paper' })
    : SMALL([(left + right) / 2, middle + 4], span, { tone: 'ink', anchor: 'middle', halo: 'paper' });
  return [
    {
      as: 'line',
      points: [
        [MARGIN, top],
        [right, top],
      ],
      tone: 'hair',
      width: 1,
    },
    barOf(frame, row, middle),
    beside,
    TEXT([MARGIN, top + 20], String(i + 1), { figures: true, strong: true }),
    ...lines.map((line, k) =>
      TEXT([MARGIN + 26, top + 20 + k * 17], line, {
        strong: true,
        tone: row.state === 'done' ? 'muted' : 'ink',
      }),
    ),
    ...notes.map((line, k) => SMALL([MARGIN + 26, top + 20 + lines.length * 17 + k * 15 - 1], line)),
  ];
}

/** The same in words. */
export const orderInWords = (rows: readonly OrderRow[]): string =>
  rows
    .map((r, i) => {
      const first = r.first.length > 0 ? `, after ${r.first.join(', ')}` : '';
      const late = r.state === 'late' ? ', late' : '';
      return `${i + 1}. ${r.title}: ${spanOf(r) || 'no day yet'}${late}${first}.`;
    })
    .join(' ');
