import type { PictureMark } from '@undrel/core/records';
import type { Drawing, Point, Shape } from './shapes';

/** The longer side of a picture in drawing units. */
const SIDE = 1000;
const HEAD = 22;
const LINE = 4;
const HALO = 9;
const CORNERS = 48;
const SPREAD = 0.5;

/** The lines of a mark; the last point of an arrow is what it points to. */
function linesOf(kind: PictureMark['kind'], from: Point, to: Point): Point[][] {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const angle = Math.atan2(dy, dx);
  const off = ([x, y]: Point, turn: number, by: number): Point => [
    x + by * Math.cos(angle + turn),
    y + by * Math.sin(angle + turn),
  ];
  switch (kind) {
    case 'arrow':
      return [
        [from, to],
        [off(to, Math.PI - SPREAD, HEAD), to, off(to, Math.PI + SPREAD, HEAD)],
      ];
    case 'length':
      return [
        [from, to],
        ...[from, to].map((end): Point[] => [
          off(end, Math.PI / 2, HEAD / 2),
          off(end, -Math.PI / 2, HEAD / 2),
        ]),
      ];
    case 'circle': {
      const radius = Math.hypot(dx, dy);
      return [
        Array.from({ length: CORNERS + 1 }, (_, i): Point => {
          const turn = (2 * Math.PI * i) / CORNERS;
          return [from[0] + radius * Math.cos(turn), from[1] + radius * Math.sin(turn)];
        }),
      ];
    }
  }
}

/** Where the words of a mark stand: at the tail of an arrow, over a circle, over the middle of a length. */
function wordsAt(kind: PictureMark['kind'], from: Point, to: Point): Point {
  const gap = HEAD / 2;
  if (kind === 'circle') return [from[0], from[1] - Math.hypot(to[0] - from[0], to[1] - from[1]) - gap];
  if (kind === 'length') return [(from[0] + to[0]) / 2, Math.min(from[1], to[1]) - gap];
  return [from[0], from[1] + (to[1] < from[1] ? HEAD + gap : -gap)];
}

/** The marks over a picture, as a drawing of its proportions: light lines beneath dark ones, seen on any ground. */
export function pictureMarks({
  width,
  height,
  marks = [],
}: {
  width: number;
  height: number;
  marks?: readonly PictureMark[] | undefined;
}): Drawing {
  const scale = SIDE / Math.max(width, height);
  const [w, h] = [width * scale, height * scale];
  const at = ([x, y]: readonly [number, number]): Point => [x * w, y * h];
  const shapes = marks.flatMap(({ kind, from, to, text }): Shape[] => {
    const [a, b] = [at(from), at(to)];
    const lines = linesOf(kind, a, b);
    return [
      ...lines.map((points): Shape => ({ as: 'line', points, tone: 'paper', width: HALO })),
      ...lines.map((points): Shape => ({ as: 'line', points, tone: 'harm', width: LINE })),
      ...(text
        ? [
            {
              as: 'text',
              at: wordsAt(kind, a, b),
              text,
              size: 28,
              tone: 'harm',
              anchor: 'middle',
              strong: true,
              halo: 'paper',
            } satisfies Shape,
          ]
        : []),
    ];
  });
  return { width: w, height: h, shapes };
}
