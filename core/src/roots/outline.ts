import type { Buttress, Dig } from '../records';
import { periodic, wrapBearing } from '../geometry';

/** Directions the outline is cut into: a quarter of a degree, 0.07 % of a round stem. */
export const DIRECTIONS = 1440;
const COS_STEP = Math.cos((2 * Math.PI) / DIRECTIONS);

/**
 * The stem in plan at the level of the collar. Metres from its centre, x east, y north; bearings in degrees from true
 * north.
 */
export interface Outline {
  radius(bearing: number): number;
  /** Radius at each of {@link DIRECTIONS} bearings from north clockwise. */
  radii: Float64Array;
  /** Share of the circumference that lies around each of those bearings, by arc length; sums to 1. */
  weights: Float64Array;
  /** Share of the circumference from north clockwise to each of those bearings, and 1 at the end. */
  running: Float64Array;
  farthest: number;
  circumference: number;
  meanRadius: number;
  /** How the radii were read. */
  from: 'stem diameter' | 'two diameters' | 'radii' | 'nothing';
}

export const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/** East and north of a bearing and a distance from the centre. */
export const planPoint = (bearing: number, distance: number): [x: number, y: number] => [
  distance * Math.sin(radians(bearing)),
  distance * Math.cos(radians(bearing)),
];

export const bearingOf = (x: number, y: number): number => wrapBearing((Math.atan2(x, y) * 180) / Math.PI);

/** Distance from the centre of an ellipse to its edge. */
function ellipse(bearing: number, along: number, across: number): (at: number) => number {
  return (at) => {
    const angle = radians(at - bearing);
    return (along * across) / Math.hypot(across * Math.cos(angle), along * Math.sin(angle));
  };
}

/** A buttress adds a smooth swelling that is nothing half its width to either side. */
function swelling(buttresses: readonly Buttress[], radius: (at: number) => number): (at: number) => number {
  return (at) =>
    buttresses.reduce((sum, { bearing, reach, width }) => {
      const away = Math.abs(((at - bearing + 540) % 360) - 180);
      const half = (width / 2 / radius(bearing)) * (180 / Math.PI);
      return away >= half ? sum : sum + reach * Math.cos((away / half) * (Math.PI / 2)) ** 2;
    }, radius(at));
}

/** An outline from its radius at any bearing. */
export function outlineFrom(radius: (bearing: number) => number, from: Outline['from']): Outline {
  const radii = Float64Array.from({ length: DIRECTIONS }, (_, i) => radius((i * 360) / DIRECTIONS));
  const running = new Float64Array(DIRECTIONS + 1);
  for (let i = 0; i < DIRECTIONS; i++) {
    const [here, next] = [radii[i]!, radii[(i + 1) % DIRECTIONS]!];
    running[i + 1] = running[i]! + Math.sqrt(here * here + next * next - 2 * here * next * COS_STEP);
  }
  const circumference = running[DIRECTIONS]!;
  for (let i = 0; i <= DIRECTIONS; i++) running[i]! /= circumference;
  const weights = Float64Array.from({ length: DIRECTIONS }, (_, i) => {
    const before = i === 0 ? running[DIRECTIONS]! - running[DIRECTIONS - 1]! : running[i]! - running[i - 1]!;
    return (before + running[i + 1]! - running[i]!) / 2;
  });
  return {
    radius,
    radii,
    weights,
    running,
    farthest: radii.reduce((a, b) => Math.max(a, b), 0),
    circumference,
    meanRadius: radii.reduce((sum, r) => sum + r, 0) / DIRECTIONS,
    from,
  };
}

/**
 * The outline of a dig: radii with smooth periodic interpolation, two diameters as an ellipse, else round.
 *
 * @param turn degrees added to the compass bearings to make them true
 * @param fallbackRadius m, where the dig has no outline of its own; undefined when the stem was not measured either
 */
export function outlineOf(
  dig: Pick<Dig, 'radii' | 'diameters' | 'buttresses'>,
  turn: number,
  fallbackRadius: number | undefined,
): Outline {
  const bare = (): [(at: number) => number, Outline['from']] => {
    if (dig.radii && dig.radii.length > 0) {
      const read = dig.radii.map((r) => ({ bearing: r.bearing + turn, value: r.radius }));
      return [periodic(read), 'radii'];
    }
    if (dig.diameters) {
      const { bearing, along, across } = dig.diameters;
      return [ellipse(bearing + turn, along / 2, across / 2), 'two diameters'];
    }
    const round = fallbackRadius ?? 0.1;
    return [() => round, fallbackRadius === undefined ? 'nothing' : 'stem diameter'];
  };
  const [radius, from] = bare();
  const buttresses = (dig.buttresses ?? []).map((b) => ({ ...b, bearing: b.bearing + turn }));
  return outlineFrom(buttresses.length > 0 ? swelling(buttresses, radius) : radius, from);
}

/** The same stem with its bark moved outward by `growth`, m. */
export const grownOutline = (outline: Outline, growth: number): Outline =>
  outlineFrom((bearing) => outline.radius(bearing) + growth, outline.from);
