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

/**
 * Finds a place for a label near one of several points, the first first, where it meets no label placed before; the
 * place is remembered in `taken`.
 *
 * @returns upper left corner, or undefined where there is no room
 */
export function placeLabel(
  size: { width: number; height: number },
  near: readonly Point[],
  taken: Box[],
  room: { width: number; height: number },
): Point | undefined {
  for (const [x, y] of near) {
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
        taken.push(box);
        return [box.left, box.top];
      }
    }
  }
  return undefined;
}

/** Width of a text, near enough to keep labels apart: the fonts that ship are about half as wide as high. */
export const textWidth = (text: string, size: number): number => text.length * size * 0.56;
