import { bearingName } from '@undrel/core/questions';
import type { SoilLayer, SoilLog } from '@undrel/core/records';
import { COLOURS, LIMITING, readLogs, type LogReading, type ProfileRow } from '@undrel/core/soil';
import { formatValue, ROOTS_STOP, type UnitSystem } from '@undrel/core/units';
import { box, hatch, type Drawing, type Point, type Shape, type Tone } from './shapes';

export interface SoilColumnsGiven {
  logs: readonly SoilLog[];
  /** Holes beside the reference tree, from its own visits. */
  elsewhere: readonly SoilLog[];
  /** Resistance by depth, the middle of all pushes. */
  profile: readonly ProfileRow[];
  system: UnitSystem;
  width: number;
  height: number;
}

const TONES: Record<NonNullable<SoilLayer['colour']>, Tone> = {
  dark: 'topsoil',
  brown: 'loam',
  pale: 'sheet',
  mottled: 'clay',
  grey: 'hair',
  mixed: 'fill',
};
/** Strokes that carry the colour in black and white: step and stroke, px. */
const STROKES: Partial<Record<NonNullable<SoilLayer['colour']>, { step: number; stroke: Point }>> = {
  dark: { step: 7, stroke: [0.6, 0] },
  mottled: { step: 14, stroke: [9, 0] },
  grey: { step: 9, stroke: [9, 0] },
  mixed: { step: 12, stroke: [5, -5] },
};

/** Width of a lane from which its heads are written out, px. */
const WIDE = 100;
const SHORT = { ring: 'ring', outside: 'outside', open: 'open', reference: 'reference' };
const HEADS = { ring: 'mulch ring', outside: 'outside ring', open: 'open ground', reference: 'reference' };
const TOP = 74;
const BOTTOM = 34;
const LEFT = 58;

/** What the columns are drawn with: how far down a depth lies, and how deep they go, m. */
interface Pen {
  given: SoilColumnsGiven;
  shapes: Shape[];
  y: (depth: number) => number;
  deepest: number;
}

const write = (
  { shapes }: Pen,
  at: Point,
  text: string,
  more: Partial<Extract<Shape, { as: 'text' }>> = {},
) => shapes.push({ as: 'text', at, text, size: 13, tone: 'ink', anchor: 'start', halo: 'paper', ...more });

/** Holes of the soil probe side by side, depths to one scale, and beside them how hard the ground is to push into. */
export function soilColumns(given: SoilColumnsGiven): Drawing {
  const { width, height, profile } = given;
  const { holes } = readLogs([
    ...given.logs,
    ...given.elsewhere.map((log): SoilLog => ({ ...log, place: 'reference' })),
  ]);
  const deepest = Math.max(0.4, ...holes.map((h) => h.to), profile.at(-1)?.depth ?? 0);
  const y = (depth: number) => TOP + ((height - TOP - BOTTOM) * depth) / deepest;
  const lanes = holes.length + (profile.length > 0 ? 1.2 : 0);
  const lane = Math.min(150, (width - LEFT - 12) / Math.max(1, lanes));
  const shapes: Shape[] = [];
  const pen: Pen = { given, shapes, y, deepest };
  shapes.push({ as: 'area', tone: 'paper', points: box(0, 0, width, height) });
  drawDepths(pen);
  holes.forEach((hole, i) => drawColumn(pen, hole, LEFT + i * lane, lane));
  if (profile.length > 0) drawResistance(pen, LEFT + holes.length * lane + 0.1 * lane, lane);
  if (holes.some((h) => h.wetFrom !== undefined)) {
    shapes.push({
      as: 'line',
      tone: 'todo',
      width: 4,
      points: [
        [LEFT, height - 20],
        [LEFT, height - 6],
      ],
    });
    write(pen, [LEFT + 8, height - 8], 'long wet', { size: 12 });
  }
  shapes.push({
    as: 'line',
    tone: 'ink',
    width: 2.5,
    points: [
      [LEFT - 8, y(0)],
      [width - 8, y(0)],
    ],
  });
  return { width, height, shapes };
}

function drawDepths(pen: Pen) {
  const { given, shapes, y, deepest } = pen;
  const { system, width } = given;
  const step = system === 'us' ? 0.1524 : deepest > 0.8 ? 0.2 : 0.1;
  for (let depth = 0; depth <= deepest + 1e-9; depth += step) {
    shapes.push({
      as: 'line',
      tone: 'hair',
      width: 1,
      points: [
        [LEFT - 8, y(depth)],
        [width - 8, y(depth)],
      ],
    });
    write(
      pen,
      [LEFT - 12, y(depth) + 4],
      depth === 0 ? 'grade' : formatValue(depth, 'short length', system, step),
      {
        anchor: 'end',
        figures: depth > 0,
        size: 12,
      },
    );
  }
}

function drawColumn(pen: Pen, { log, oldGrade, wetFrom }: LogReading, x: number, wide: number) {
  const { given, shapes, y } = pen;
  const { system, height } = given;
  const short = (metres: number) => formatValue(metres, 'short length', system);
  const [left, right] = [x + 6, x + wide - 10];
  write(pen, [left, 22], (wide < WIDE ? SHORT : HEADS)[log.place], { strong: true });
  write(pen, [left, 40], bearingName(log.bearing), { size: 12 });
  write(pen, [left, 56], `${formatValue(log.distance, 'long length', system)} out`, { size: 12 });
  let from = 0;
  for (const layer of log.layers) {
    const points = box(left, y(from), right, y(layer.to));
    const { colour } = layer;
    shapes.push({ as: 'area', tone: colour ? TONES[colour] : 'sheet', edge: 'muted', points });
    const strokes = colour && STROKES[colour];
    if (strokes)
      shapes.push({
        as: 'marks',
        tone: 'muted',
        width: 1.2,
        segments: hatch(points, strokes.step, strokes.stroke),
      });
    const words = [
      colour &&
        COLOURS.find((c) => c.key === colour)!
          .label.split(' ')[0]!
          .replace(',', ''),
      layer.texture,
      layer.moisture,
      layer.smell && layer.smell !== 'none' ? `smells ${layer.smell}` : undefined,
      layer.roots && `${layer.roots === 'none' ? 'no' : layer.roots} roots`,
    ].filter((w) => w !== undefined);
    // The name of the original grade is written over its line.
    const named = oldGrade !== undefined && oldGrade > from && oldGrade <= layer.to ? 16 : 0;
    const room = Math.floor((y(layer.to) - y(from) - named) / 15);
    words.slice(0, room).forEach((word, k) =>
      write(pen, [left + 5, y(from) + 15 + 15 * k], word, {
        size: 12,
        halo: colour ? TONES[colour] : 'sheet',
      }),
    );
    from = layer.to;
  }
  if (log.refusal !== undefined) {
    shapes.push({
      as: 'line',
      tone: 'ink',
      width: 4,
      points: [
        [left, y(log.refusal)],
        [right, y(log.refusal)],
      ],
    });
    write(pen, [left, Math.min(height - 6, y(log.refusal) + 15)], `stops ${short(log.refusal)}`, {
      size: 12,
    });
  }
  if (oldGrade !== undefined) {
    shapes.push({
      as: 'line',
      tone: 'buried',
      width: 2,
      dash: [7, 4],
      points: [
        [left - 4, y(oldGrade)],
        [right + 4, y(oldGrade)],
      ],
    });
    write(pen, [right, y(oldGrade) - 4], 'old grade', { anchor: 'end', size: 12, tone: 'buried' });
  }
  if (wetFrom !== undefined)
    shapes.push({
      as: 'line',
      tone: 'todo',
      width: 4,
      points: [
        [right + 3, y(wetFrom)],
        [right + 3, y(from)],
      ],
    });
}

function drawResistance(pen: Pen, x: number, wide: number) {
  const { given, shapes, y } = pen;
  const { system, height, profile } = given;
  const most = Math.max(3e6, ...profile.map((r) => r.high));
  const at = (pressure: number) => x + (wide * pressure) / most;
  write(pen, [x, 22], 'resistance', { strong: true });
  write(pen, [x, 40], 'middle of all', { size: 12 });
  write(pen, [x, 56], 'pushes', { size: 12 });
  shapes.push({
    as: 'area',
    tone: 'wash',
    points: [
      ...profile.map((r): Point => [at(r.low), y(r.depth)]),
      ...[...profile].reverse().map((r): Point => [at(r.high), y(r.depth)]),
    ],
  });
  shapes.push({
    as: 'line',
    tone: 'ink',
    width: 2,
    points: profile.map((r): Point => [at(r.median), y(r.depth)]),
  });
  shapes.push({
    as: 'line',
    tone: 'harm',
    width: 1.6,
    dash: [5, 4],
    points: [
      [at(LIMITING), TOP],
      [at(LIMITING), height - BOTTOM],
    ],
  });
  write(pen, [at(LIMITING), height - BOTTOM + 16], ROOTS_STOP[system], {
    anchor: 'middle',
    tone: 'harm',
    size: 12,
    figures: true,
  });
}

/** The same in words. */
export const columnsInWords = (holes: readonly LogReading[], system: UnitSystem): string =>
  holes.length === 0
    ? 'Resistance by depth.'
    : holes
        .map(({ log }) => {
          const layers = log.layers.map((l) =>
            `to ${formatValue(l.to, 'short length', system)} ${l.colour ?? ''} ${l.texture ?? ''}`.trim(),
          );
          return `${HEADS[log.place]} at ${bearingName(log.bearing)}: ${layers.join(', ') || 'no layers yet'}.`;
        })
        .join(' ');
