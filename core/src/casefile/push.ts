/** One push of a recording penetrometer. Metres, pascals; bearing in degrees clockwise from true north. */
export interface Push {
  bearing: number;
  /** From the bark outward. */
  distance: number;
  /** Cone index at each depth, deeper and deeper. */
  readings: { depth: number; pressure: number }[];
  /** Depth at which the cone would go no farther. */
  stopped?: number;
  /** How moist the soil was: resistance is read with it. */
  moisture?: 'dry' | 'moist' | 'wet';
  note?: string;
}
