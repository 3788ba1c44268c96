import type { Push } from '@undrel/core/records';
import { variation } from './series';

/** Cone index in MPa every 5 cm from 5 cm down. */
type Ground = readonly number[];

/** A path contractor rolled the ground in layers: tight at about 25 cm, open soil below. */
const PAN: Ground = [0.5, 0.7, 0.9, 1.3, 2.6, 3.1, 2.4, 1.5, 1.2, 1.2];
/** Hole dug in clay and filled with the nursery's mix. */
const HOLE: Ground = [0.3, 0.4, 0.5, 0.6, 0.8, 0.9, 1.2, 1.4, 1.6, 1.7];
const CLAY: Ground = [0.9, 1.5, 2.2, 2.6, 2.9, 3.1, 3.2, 3.4, 3.5, 3.6];

const pushed = (
  seed: number,
  places: readonly [bearing: number, distance: number, ground: Ground][],
): Push[] => {
  const vary = variation(seed);
  return places.map(([bearing, distance, ground]) => ({
    bearing,
    distance,
    readings: ground.map((mpa, i) => ({
      depth: Number(((i + 1) * 0.05).toFixed(2)),
      pressure: Math.round((mpa + vary(0.25)) * 100) * 1e4,
    })),
  }));
};

export const PUSHES: Record<string, Push[]> = {
  'kelpworth-4': pushed(41, [
    [0, 1.2, PAN],
    [45, 2, PAN],
    [90, 1.4, PAN],
    [135, 2.2, PAN],
    [180, 1.5, CLAY],
    [225, 2.4, HOLE],
    [270, 1.6, PAN],
    [315, 2.3, PAN],
  ]),
  'sable-katsura-14': pushed(42, [
    [20, 0.15, HOLE],
    [140, 0.2, HOLE],
    [260, 0.25, HOLE],
    [0, 0.9, CLAY],
    [90, 1.3, CLAY],
    [180, 0.8, CLAY],
    [270, 1.5, CLAY],
  ]),
};
