/** What a dig laid open, as it was read in the pit: tape, rod and compass. Metres; bearings as the compass gave them. */

export type RootKind = 'structural' | 'girdling' | 'root on root' | 'circling' | 'adventitious' | 'competing';

export type RootCondition = 'sound' | 'cracked' | 'decayed' | 'dead';

export type BarkContact = 'clear' | 'touching' | 'pressing' | 'embedded' | 'grafted';

/** One reading along a root. `distance` runs from the bark (or the centre) to the middle of the root. */
export interface RootPoint {
  bearing: number;
  distance: number;
  /** Top of the root below grade; above it is negative. */
  depth: number;
  /** Across the root. */
  diameter: number;
}

export interface DugRoot {
  /** Its name in the pit: a letter or a number. */
  label: string;
  kind: RootKind;
  /** Where its first point is: at the stem, at another root, or at the edge of the pit. */
  start: 'stem' | 'root' | 'outside';
  /** Label of the root it starts at, or of the tree it belongs to. */
  from?: string;
  /** From its start outward, or from the edge of the pit inward. */
  points: RootPoint[];
  /** Labels of roots it was seen to pass over; the others are told by depth. */
  over?: string[];
  condition?: RootCondition;
  contact?: BarkContact;
  /** How deep it has grown into the bark. */
  embedded?: number;
  /** Whether it was found to leave the old pot, and the farthest it was followed from the centre of the stem. */
  leftPot?: boolean;
  farthest?: number;
  /** Rings counted on a cut, and the radius they were counted over. */
  rings?: { count: number; over: number };
  note?: string;
  /** What the crew did with it. */
  done?: RootDone;
}

/** What was really done to a root on site. */
export interface RootDone {
  on: string;
  by?: string;
  /** As planned, otherwise than planned, or left. */
  how: 'as planned' | 'otherwise' | 'left';
  /** Diameters across the cuts as measured. */
  diameters?: number[];
  note?: string;
}

/** Decayed bark or wood of the collar: from one bearing clockwise to the other. */
export interface DecaySector {
  from: number;
  to: number;
  /** Up the stem from the collar, and into it as far as it was sounded. */
  height: number;
  depth?: number;
}

/** Swelling of the outline where a root runs up the stem. */
export interface Buttress {
  bearing: number;
  /** Beyond the outline. */
  reach: number;
  /** Across, at the outline. */
  width: number;
}

/** Something round the stem that will not grow with it. */
export interface Barrier {
  kind: 'root-control ring' | 'grate' | 'tie' | 'guard';
  /** Inside diameter. */
  diameter: number;
}

export interface Dig {
  /** Radii of the stem at the level of the collar; none: round, as thick as the stem was measured. */
  radii?: { bearing: number; radius: number }[];
  /** Or two diameters: one along a bearing, one across it. */
  diameters?: { bearing: number; along: number; across: number };
  buttresses?: Buttress[];
  decay?: DecaySector[];
  barriers?: Barrier[];
  measuredFrom: 'bark' | 'centre';
  /** Which north the compass bearings of the whole dig are from. */
  north: 'true' | 'magnetic';
  /** Degrees by which magnetic north lies east of true north. */
  declination?: number;
  /** Radius of the pit from the centre of the stem. */
  pitRadius?: number;
  note?: string;
  roots: DugRoot[];
}
