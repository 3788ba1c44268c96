import { sectorOf, SECTORS } from '../questions/question';
import type { DugRoot } from '../records';
import { wrapBearing } from '../geometry';

/** A root that leaves the stem: its bearing there and its cross-section, m2. */
export interface Leaving {
  root: DugRoot;
  bearing: number;
  area: number;
}

export interface Anchorage {
  /** Sectors (0-7) in which no sound structural root leaves the stem. */
  sectorsWithout: number[];
  /** Widest angle between two neighbouring sound anchors, degrees; 360 with one or none. */
  largestGap: { from: number; to: number; degrees: number } | undefined;
  sound: number;
}

/** Structural, leaves the stem, and nothing bad was seen on it. */
export const isAnchor = (root: DugRoot): boolean =>
  root.kind === 'structural' &&
  root.start === 'stem' &&
  (root.condition === undefined || root.condition === 'sound');

/** What holds the tree: the sides without a sound anchor and the widest gap between two. */
export function anchorageOf(leaving: readonly Leaving[]): Anchorage {
  const bearings = leaving
    .filter(({ root }) => isAnchor(root))
    .map(({ bearing }) => wrapBearing(bearing))
    .sort((a, b) => a - b);
  const held = new Set(bearings.map(sectorOf));
  const gaps = bearings.map((from, i) => {
    const to = bearings[i + 1] ?? bearings[0]! + 360;
    return { from, to: wrapBearing(to), degrees: to - from };
  });
  return {
    sectorsWithout: SECTORS.map((_, i) => i).filter((i) => !held.has(i)),
    largestGap: gaps.sort((a, b) => b.degrees - a.degrees)[0],
    sound: bearings.length,
  };
}
