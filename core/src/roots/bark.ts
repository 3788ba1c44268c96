import type { DigHead, DugRoot, Tree } from '../records';
import { stemRadius } from '../records/stem';
import { bearingGap, wrapBearing } from '../geometry';
import { toMillimetre } from '../units';
import { readingAt, type PitFrame } from './edits';
import { bearingOf, outlineOf, type Outline } from './outline';
import { placed } from './path';
import { turnOf } from './reading';

/** Where no bark was touched within {@link NEAR} degrees, the outline stays as it was, read every {@link APART} degrees. Judgement. */
const [NEAR, APART] = [20, 15];

type Radii = NonNullable<DigHead['radii']>;
type At = readonly [number, number];

/** The stem of a dig before its bark is drawn. */
export interface BarkBefore {
  /** The outline without buttresses, which are added to what is read. */
  bare: Outline;
  /** How far buttresses stand out at a true bearing, m. */
  swelling: (bearing: number) => number;
  /** Degrees added to the compass bearings of the dig to make them true. */
  turn: number;
}

export function barkBefore(
  tree: Pick<Tree, 'stemDiameter' | 'dbh'>,
  dig: Pick<DigHead, 'radii' | 'diameters' | 'buttresses' | 'north' | 'declination'>,
): BarkBefore {
  const turn = turnOf(dig);
  const radius = stemRadius(tree);
  const bare = outlineOf({ ...dig, buttresses: undefined }, turn, radius);
  const whole = outlineOf(dig, turn, radius);
  return { bare, swelling: (bearing) => whole.radius(bearing) - bare.radius(bearing), turn };
}

/** A place of the bark as a radius of the outline without buttresses: bearing as the compass of the dig reads it, to a degree; radius to a millimetre. */
export function radiusAt([x, y]: At, { turn, swelling }: BarkBefore): Radii[number] {
  const bearing = bearingOf(x, y);
  return {
    bearing: Math.round(wrapBearing(bearing - turn)) % 360,
    radius: toMillimetre(Math.hypot(x, y) - swelling(bearing)),
  };
}

/**
 * Radii of the stem through places of its bark, in metres east and north of its middle; of two at one bearing the later
 * holds. Where none was touched, the outline stays as it
 * was; a stem that was never measured has the touches alone.
 *
 * @returns radii by bearing
 */
export function radiiThrough(places: readonly At[], before: BarkBefore): Radii {
  const touched = new Map(places.map((at) => radiusAt(at, before)).map((r) => [r.bearing, r]));
  const { bare, turn } = before;
  const kept = Array.from({ length: bare.from === 'nothing' ? 0 : 360 / APART }, (_, i) => i * APART)
    .filter((bearing) => ![...touched.keys()].some((other) => bearingGap(other, bearing) < NEAR))
    .map((bearing) => ({ bearing, radius: toMillimetre(bare.radius(bearing + turn)) }));
  return [...touched.values(), ...kept].sort((a, b) => a.bearing - b.bearing);
}

/** Those places of the bark that a dig holds as they were touched: others were undone, or changed by hand. */
export const stillTouched = <P extends At>(
  places: readonly P[],
  radii: DigHead['radii'],
  before: BarkBefore,
): P[] =>
  places.filter((at) => {
    const { bearing, radius } = radiusAt(at, before);
    return radii?.some((r) => r.bearing === bearing && r.radius === radius);
  });

/** A root that lies where it lay on the plan when the outline it was measured from is another. */
export const keptOnPlan = (root: DugRoot, before: PitFrame, after: PitFrame): DugRoot => {
  const places = placed(before.dig, before.turn, before.outline, root);
  return {
    ...root,
    points: root.points.map((point, i) => ({ ...point, ...readingAt(after, places[i]!.x, places[i]!.y) })),
  };
};
