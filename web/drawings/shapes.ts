/**
 * A drawing as plain shapes in drawing units (CSS pixels on a screen, points on paper), y downward. One drawing serves
 * the screen and the documents, as SVG; hatches are strokes of their own, so that they print in black and white.
 */
export type Point = readonly [x: number, y: number];

export type Tone =
  | 'ink'
  | 'muted'
  | 'hair'
  | 'paper'
  | 'sheet'
  | 'todo'
  | 'harm'
  | 'buried'
  | 'fill'
  | 'topsoil'
  | 'loam'
  | 'clay'
  | 'mulch'
  | 'wash'
  | 'squeeze'
  | 'root';

export type Shape =
  | { as: 'area'; points: Point[]; tone: Tone; edge?: Tone }
  | { as: 'line'; points: Point[]; tone: Tone; width: number; dash?: [number, number] }
  | { as: 'marks'; segments: [Point, Point][]; tone: Tone; width: number }
  | {
      as: 'text';
      at: Point;
      text: string;
      size: number;
      tone: Tone;
      anchor: 'start' | 'middle' | 'end';
      strong?: boolean;
      figures?: boolean;
      halo?: Tone;
    };

/** The paper of a whole drawing. */
export const paperOf = (width: number, height: number): Shape => ({
  as: 'area',
  tone: 'paper',
  points: [
    [0, 0],
    [width, 0],
    [width, height],
    [0, height],
  ],
});

/** Writes words of one kind: what is not said of them is as it is here. */
export const words =
  (usual: Omit<Extract<Shape, { as: 'text' }>, 'as' | 'at' | 'text'>) =>
  (at: Point, text: string, more: Partial<Extract<Shape, { as: 'text' }>> = {}): Shape => ({
    as: 'text',
    ...usual,
    at,
    text,
    ...more,
  });

export interface Drawing {
  width: number;
  height: number;
  shapes: Shape[];
}

const hundredth = (v: number): number => Math.round(v * 100) / 100;

/** A drawing in hundredths of its unit: nobody sees finer, and it is a third as long when it is sent or kept. */
export function inHundredths({ width, height, shapes }: Drawing): Drawing {
  const at = ([x, y]: Point): Point => [hundredth(x), hundredth(y)];
  return {
    width,
    height,
    shapes: shapes.map((shape): Shape => {
      switch (shape.as) {
        case 'area':
        case 'line':
          return { ...shape, points: shape.points.map(at) };
        case 'marks':
          return { ...shape, segments: shape.segments.map(([a, b]): [Point, Point] => [at(a), at(b)]) };
        case 'text':
          return { ...shape, at: at(shape.at) };
      }
    }),
  };
}

const tenth = (v: number): string => String(Math.round(v * 10) / 10);

/** A path in SVG's language. */
export const pathOf = (points: readonly Point[], close: boolean): string =>
  points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${tenth(x)} ${tenth(y)}`).join('') + (close ? 'Z' : '');

export const segmentsPath = (segments: readonly [Point, Point][]): string =>
  segments
    .map(([[x1, y1], [x2, y2]]) => `M${tenth(x1)} ${tenth(y1)}l${tenth(x2 - x1)} ${tenth(y2 - y1)}`)
    .join('');

/** Where a horizontal line crosses a polygon's edges, from left to right; between every other pair it is within. */
export function crossings(y: number, polygon: readonly Point[]): number[] {
  const xs: number[] = [];
  for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
    const [xi, yi] = polygon[i]!;
    const [xj, yj] = polygon[j]!;
    if (yi > y !== yj > y) xs.push(((xj - xi) * (y - yi)) / (yj - yi) + xi);
  }
  return xs.sort((a, b) => a - b);
}

const within = (x: number, between: readonly number[]): boolean => {
  let before = 0;
  while (before < between.length && between[before]! <= x) before++;
  return before % 2 === 1;
};

/** Short strokes on a staggered grid within a polygon; a row of them is tested against one pair of scan lines. */
export function hatch(polygon: readonly Point[], step: number, stroke: Point): [Point, Point][] {
  if (polygon.length < 3) return [];
  const xs = polygon.map((p) => p[0]);
  const ys = polygon.map((p) => p[1]);
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const segments: [Point, Point][] = [];
  let row = 0;
  for (let y = top + step / 2; y < bottom; y += step, row++) {
    const upper = crossings(y - stroke[1] / 2, polygon);
    const lower = crossings(y + stroke[1] / 2, polygon);
    for (let x = left + (row % 2 ? step : step / 2); x < right; x += step) {
      const [x1, x2] = [x - stroke[0] / 2, x + stroke[0] / 2];
      if (within(x1, upper) && within(x2, lower))
        segments.push([
          [x1, y - stroke[1] / 2],
          [x2, y + stroke[1] / 2],
        ]);
    }
  }
  return segments;
}

/** Moves labels down as little as needed so that none is nearer than `gap` to the one above it. */
export function spaced<T extends { y: number }>(labels: readonly T[], gap: number, bottom: number): T[] {
  const sorted = [...labels].sort((a, b) => a.y - b.y).map((l) => ({ ...l }));
  for (let i = 1; i < sorted.length; i++) sorted[i]!.y = Math.max(sorted[i]!.y, sorted[i - 1]!.y + gap);
  for (let i = sorted.length - 1, limit = bottom; i >= 0; i--, limit -= gap)
    sorted[i]!.y = Math.min(sorted[i]!.y, limit);
  return sorted;
}

/** The corners of an upright rectangle. */
export const box = (left: number, top: number, right: number, bottom: number): Point[] => [
  [left, top],
  [right, top],
  [right, bottom],
  [left, bottom],
];
