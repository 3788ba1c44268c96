import type { Dig, DugRoot } from '../src/records';
import { outlineFrom, type Outline } from '../src/roots/outline';

/** A stem that is round, its radius in metres. */
export const round = (radius: number): Outline => outlineFrom(() => radius, 'radii');

/** A root through points given as bearing, distance, depth and diameter. */
export const dug = (
  label: string,
  points: [number, number, number, number][],
  more: Partial<DugRoot> = {},
): DugRoot => ({
  label,
  kind: 'structural',
  start: 'stem',
  points: points.map(([bearing, distance, depth, diameter]) => ({ bearing, distance, depth, diameter })),
  ...more,
});

/** A dig that holds these roots, measured from the centre of the stem. */
export const digOf = (roots: DugRoot[], more: Partial<Dig> = {}): Dig => ({
  measuredFrom: 'centre',
  north: 'true',
  roots,
  ...more,
});
