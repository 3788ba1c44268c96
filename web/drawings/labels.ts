import type { Point } from './shapes';

export interface Box {
  left: number;
  top: number;
  width: number;
  height: number;
}

const meets = (a: Box, b: Box): boolean =>
  a.left < b.left + b.width &&
  b.left < a.left + a.width &&
  a.top < b.top + b.height &&
  b.top < a.top + a.height;

const within = (box: Box, width: number, height: number): boolean =>
  box.left >= 2 && box.top >= 2 && box.left + box.width <= width - 2 && box.top + box.height <= height - 2;

/** Cells in which lines are remembered, px: about half the height of a letter. */
const CELL = 6;

/** How many cells of a box are crossed by lines: what a label there would be written over. */
export type Crossed = (box: Box) => number;

/** Remembers where lines run, so that labels can keep off them. */
export function crossedBy(lines: readonly (readonly Point[])[], width: number, height: number): Crossed {
  const [columns, rows] = [Math.ceil(width / CELL), Math.ceil(height / CELL)];
  const cells = new Uint8Array(columns * rows);
  for (const line of lines) {
    for (let i = 1; i < line.length; i++) {
      const [[xa, ya], [xb, yb]] = [line[i - 1]!, line[i]!];
      const steps = Math.max(1, Math.ceil(Math.max(Math.abs(xb - xa), Math.abs(yb - ya)) / CELL));
      for (let k = 0; k <= steps; k++) {
        const column = Math.floor((xa + ((xb - xa) * k) / steps) / CELL);
        const row = Math.floor((ya + ((yb - ya) * k) / steps) / CELL);
        if (column >= 0 && column < columns && row >= 0 && row < rows) cells[row * columns + column] = 1;
      }
    }
  }
  return ({ left, top, width: w, height: h }) => {
    let crossed = 0;
    const last = Math.min(columns - 1, Math.floor((left + w) / CELL));
    for (let row = Math.floor(top / CELL); row <= Math.min(rows - 1, Math.floor((top + h) / CELL)); row++)
      for (let column = Math.floor(left / CELL); column <= last; column++)
        crossed += cells[row * columns + column]!;
    return crossed;
  };
}

/**
 * Finds a place for a label near one of several points where it meets no label placed before: the first that is
 * written over no line, else the one over the fewest. The place is remembered in `taken`.
 *
 * @returns upper left corner, or undefined where there is no room
 */
export function placeLabel(
  size: { width: number; height: number },
  near: readonly Point[],
  taken: Box[],
  room: { width: number; height: number },
  crossed: Crossed = () => 0,
): Point | undefined {
  let best: Box | undefined;
  let fewest = Infinity;
  search: for (const [x, y] of near) {
    for (const away of [4, 12, 24, 40]) {
      for (const [dx, dy] of [
        [1, -1],
        [-1, -1],
        [1, 1],
        [-1, 1],
        [0, -1],
        [0, 1],
        [1, 0],
        [-1, 0],
      ] as const) {
        const box: Box = {
          left: x + dx * away - (dx < 0 ? size.width : dx === 0 ? size.width / 2 : 0),
          top: y + dy * away - (dy < 0 ? size.height : dy === 0 ? size.height / 2 : 0),
          ...size,
        };
        if (!within(box, room.width, room.height) || taken.some((other) => meets(box, other))) continue;
        const over = crossed(box);
        if (over >= fewest) continue;
        [best, fewest] = [box, over];
        if (over === 0) break search;
      }
    }
  }
  if (!best) return undefined;
  taken.push(best);
  return [best.left, best.top];
}

/** Width of a text, near enough to keep labels apart: the fonts that ship are about half as wide as high. */
export const textWidth = (text: string, size: number): number => text.length * size * 0.56;
