/**
 * A drawing as plain shapes in drawing units (CSS pixels on a screen, points on paper), y downward. One drawing serves
 * the screen (SVG) and the report (PDF); hatches are strokes of their own, so that they print in black and white.
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

export interface Drawing {
  width: number;
  height: number;
  shapes: Shape[];
}

/** A path in SVG's language. */
export const pathOf = (points: readonly Point[], close: boolean): string =>
  points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`).join('') +
  (close ? 'Z' : '');

export const segmentsPath = (segments: readonly [Point, Point][]): string =>
  segments.map((s) => pathOf(s, false)).join('');

/** Even-odd test. */
export function inside([x, y]: Point, polygon: readonly Point[]): boolean {
  let within = false;
  for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
    const [xi, yi] = polygon[i]!;
    const [xj, yj] = polygon[j]!;
    if (yi > y !== yj > y && x < ((xj - xi) * (y - yi)) / (yj - yi) + xi) within = !within;
  }
  return within;
}

/** Short strokes on a staggered grid within a polygon. */
export function hatch(polygon: readonly Point[], step: number, stroke: Point): [Point, Point][] {
  if (polygon.length < 3) return [];
  const xs = polygon.map((p) => p[0]);
  const ys = polygon.map((p) => p[1]);
  const segments: [Point, Point][] = [];
  let row = 0;
  for (let y = Math.min(...ys) + step / 2; y < Math.max(...ys); y += step, row++) {
    for (let x = Math.min(...xs) + (row % 2 ? step : step / 2); x < Math.max(...xs); x += step) {
      const from: Point = [x - stroke[0] / 2, y - stroke[1] / 2];
      const to: Point = [x + stroke[0] / 2, y + stroke[1] / 2];
      if (inside(from, polygon) && inside(to, polygon)) segments.push([from, to]);
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
