import type { Profile } from './profile';

/** A point of the section: x from the centre of the stem, left negative; z above present grade. Metres. */
export interface SectionPoint {
  x: number;
  z: number;
}

/** One side of the section, from the bark outward; x is the distance from the stem's centre (positive). */
export interface SectionSide {
  bearing: number;
  /** Surface of the mulch; empty where none was measured. */
  mulch: SectionPoint[];
  /** Original grade; empty where no fill was measured. */
  original: SectionPoint[];
  /** Top of the first structural root, below grade positive; undefined where not probed. */
  collarDepth: number | undefined;
  /** Height of mulch against the bark. */
  onBark: number;
}

export interface Section {
  right: SectionSide;
  left: SectionSide;
  stemRadius: number;
}

const STEPS = 24;

function side(profile: Profile, bearing: number, stemRadius: number): SectionSide {
  const { mulch, fill, collar } = profile;
  const line = (end: number, height: (distance: number) => number): SectionPoint[] =>
    Array.from({ length: STEPS + 1 }, (_, i) => {
      const distance = (end * i) / STEPS;
      return { x: stemRadius + distance, z: height(distance) };
    });
  const edge = mulch?.surface.edge(bearing) ?? 0;
  return {
    bearing,
    mulch: mulch && edge > 0 ? line(edge, (d) => mulch.surface.depth(bearing, d)) : [],
    original: fill ? line(fill.reach, (d) => -fill.surface.depth(bearing, d)) : [],
    collarDepth: collar?.at(bearing),
    onBark: mulch?.surface.depth(bearing, 0) ?? 0,
  };
}

/**
 * The section through the stem along a bearing: its right side looks along `bearing`, its left the other way.
 *
 * @param bearing degrees from north
 * @param fallbackRadius m, drawn where the stem was not measured
 */
export function sectionOf(profile: Profile, bearing: number, fallbackRadius = 0.1): Section {
  const stemRadius = profile.stemRadius ?? fallbackRadius;
  return {
    stemRadius,
    right: side(profile, bearing, stemRadius),
    left: side(profile, bearing + 180, stemRadius),
  };
}
