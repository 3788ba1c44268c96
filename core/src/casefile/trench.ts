/** What was measured and decided for the trenches of a visit. SI; bearings in degrees clockwise from true north. */
export interface TrenchDesign {
  /** Radius of the old planting hole, from the centre of the stem, m. */
  holeRadius?: number;
  /** How much the ground falls, as a ratio, and the bearing it falls toward. */
  slope?: { fall: number; toward: number };
  /** Bearings of spokes set by hand; the layout goes round them. */
  locked?: number[];
  /** Bearings taken out by hand. */
  avoid?: number[];
  /** Utilities were located and marked on that day; marks lapse. */
  marked?: string;
  /** Another remedy of the soil was chosen than the rules would, and why. */
  choice?: { remedy: string; why: string };
  note?: string;
}

/** Something on the ground near a tree, on the plan of the property: metres, x east, y north. */
export interface SiteThing {
  name: string;
  kind: string;
  shape: 'area' | 'line';
  points: [number, number][];
}

/** Ground about a tree, on the plan of its property. */
export interface Site {
  things: SiteThing[];
  /** Other trees. Diameter at the base, m. */
  others: { label: string; x: number; y: number; stemDiameter?: number }[];
}
