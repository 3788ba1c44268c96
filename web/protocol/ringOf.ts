import type { Picture } from '@undrel/core/records';
import { RING } from '@undrel/core/vocabulary';

/** Of the pictures of a visit those that show the open collar from its eight sides, by bearing; of one side the last. */
export function ringOf<T extends { values: Picture }>(pictures: readonly T[]): Map<number, T> {
  const ring = new Map<number, T>();
  for (const picture of pictures) {
    const { bearing, shows = 'dig' } = picture.values;
    if (bearing !== undefined && shows === 'dig' && RING.some((side) => side === bearing))
      ring.set(bearing, picture);
  }
  return ring;
}
