/** Where a hole of the soil probe stands: in the mulch ring, just outside it, in open ground, by the reference tree. */
export type LogPlace = 'ring' | 'outside' | 'open' | 'reference';

/** A layer of a soil probe, from the one above it down to `to`, m. */
export interface SoilLayer {
  to: number;
  /** Topsoil is dark; pale soil holds little organic matter; grey and mottled soil is long wet. */
  colour?: 'dark' | 'brown' | 'pale' | 'mottled' | 'grey' | 'mixed';
  /** Texture class, by feel or by the laboratory. */
  texture?: string;
  moisture?: 'dry' | 'moist' | 'wet' | 'water';
  smell?: 'none' | 'sour' | 'rotten';
  roots?: 'none' | 'few' | 'many';
}

/** What one hole of the soil probe showed, layer by layer. Metres; bearing in degrees clockwise from true north. */
export interface SoilLog {
  place: LogPlace;
  bearing: number;
  /** From the bark outward. */
  distance: number;
  layers: SoilLayer[];
  /** Depth at which the probe would go no farther. */
  refusal?: number;
  /** Depth of the original grade, where it was seen. */
  oldGrade?: number;
  note?: string;
}
