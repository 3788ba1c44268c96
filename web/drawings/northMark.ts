import type { Shape } from './shapes';

/** Where it stands, from the right, and what it fills from the top with room beneath it, px. */
export const NORTH_MARK = { in: 30, height: 92 };

/** North, at the upper right corner of a drawing whose up is north. */
export function northMark(shapes: Shape[], width: number): void {
  const [x, y] = [width - NORTH_MARK.in, 20];
  const line = (...points: [number, number][]) => shapes.push({ as: 'line', points, tone: 'ink', width: 2 });
  line([x, y + 34], [x, y]);
  line([x - 6, y + 9], [x, y], [x + 6, y + 9]);
  shapes.push({
    as: 'text',
    at: [x, y + 50],
    text: 'N',
    size: 13,
    tone: 'ink',
    anchor: 'middle',
    halo: 'paper',
  });
}
