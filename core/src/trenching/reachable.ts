import { VERTICAL } from '../practice';
import { blockedAlong } from './clear';
import type { TrenchPlan } from './plan';

export const BEARINGS = 360;
const STEP = 0.1;

/** What a tool finds of a zone. */
export interface Reachable {
  /** Share of the zone that no obstacle keeps a tool from, its area, and that of the whole zone; m2. */
  share: number;
  area: number;
  whole: number;
  /** The same area by whole degrees of bearing, m2. */
  byBearing: number[];
  /** Holes of a triangular grid that find room in it. */
  holes: number;
}

/** What of the zone of a plan a tool can be brought to, past all obstacles. */
export function reachable({ zone, edges, obstacles }: TrenchPlan): Reachable {
  const blocked = Array.from({ length: BEARINGS }, (_, bearing) =>
    blockedAlong(bearing, obstacles, VERTICAL.diameter.value),
  );
  const isFree = (bearing: number, r: number) =>
    !blocked[((Math.round(bearing) % BEARINGS) + BEARINGS) % BEARINGS]!.some((b) => b.from < r && r < b.to);
  const turn = (2 * Math.PI) / BEARINGS;
  let whole = 0;
  const byBearing = Array.from({ length: BEARINGS }, (_, bearing) => {
    let free = 0;
    const edge = edges[bearing]!;
    for (let from = zone.from; from < edge; from += STEP) {
      const to = Math.min(from + STEP, edge);
      const cell = (turn * (to ** 2 - from ** 2)) / 2;
      whole += cell;
      if (isFree(bearing, (from + to) / 2)) free += cell;
    }
    return free;
  });
  const area = byBearing.reduce((a, b) => a + b, 0);
  const spacing = VERTICAL.spacing.value;
  const rows = Math.ceil(zone.to / (spacing * Math.sin(Math.PI / 3)));
  let holes = 0;
  for (let row = -rows; row <= rows; row++) {
    const y = row * spacing * Math.sin(Math.PI / 3);
    for (let k = -Math.ceil(zone.to / spacing) - 1; k <= zone.to / spacing + 1; k++) {
      const x = (k + (row % 2 === 0 ? 0 : 0.5)) * spacing;
      const r = Math.hypot(x, y);
      const bearing = (Math.atan2(x, y) * 180) / Math.PI;
      if (r >= zone.from && r <= edges[(Math.round(bearing) + BEARINGS) % BEARINGS]! && isFree(bearing, r))
        holes++;
    }
  }
  return { share: whole > 0 ? area / whole : 0, area, whole, byBearing, holes };
}

/** Wedges of soil that are replaced, evenly round the stem where they reach the most ground. */
export interface Wedges {
  /** Middle of the first, degrees; the others follow at even angles. */
  at: number;
  count: number;
  /** Angle of each, degrees. */
  angle: number;
  /** Ground in all of them that can be reached, m2. */
  area: number;
}

/**
 * The turn of evenly spread wedges that takes in the most ground; every degree is tried.
 *
 * @param byBearing ground that can be reached, by degree, m2
 * @param angle of one wedge, whole degrees
 */
export function bestWedges(byBearing: readonly number[], count: number, angle: number): Wedges {
  const n = byBearing.length;
  const apart = n / count;
  let best: Wedges = { at: 0, count, angle, area: -1 };
  for (let at = 0; at < apart; at++) {
    let area = 0;
    for (let k = 0; k < count; k++)
      for (let d = 0; d < angle; d++)
        area += byBearing[(Math.round(at + k * apart - angle / 2 + d) + n) % n]!;
    if (area > best.area + 1e-12) best = { at, count, angle, area };
  }
  return best;
}
