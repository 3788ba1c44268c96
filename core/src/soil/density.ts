import type { Texture } from '../vocabulary/textures';

/** Density of the mineral grains, kg/m3; what porosity and stones are reckoned with. */
export const GRAIN_DENSITY = 2650;

/** What a core held: oven-dry mass and volume, and of it the stones over 2 mm. Masses in kg, volumes in m3. */
export interface SoilCore {
  mass: number;
  volume: number;
  stones?: number;
}

/**
 * Bulk density of the fine earth, stones taken out of mass and volume.
 *
 * Source: USDA NRCS Soil Quality Test Kit Guide (from memory).
 *
 * @returns kg/m3
 * @throws RangeError for a core of no volume, or with more stones than it holds
 */
export function fineDensity({ mass, volume, stones = 0 }: SoilCore): number {
  const fine = volume - stones / GRAIN_DENSITY;
  if (!(volume > 0 && fine > 0 && mass >= stones))
    throw new RangeError(
      `Core of ${(volume * 1e6).toFixed(0)} cm³ with ${(mass * 1000).toFixed(0)} g, ${(stones * 1000).toFixed(0)} g of them stones: the stones must weigh less than the core and fill less than its volume.`,
    );
  return (mass - stones) / fine;
}

/** Share of the fine earth that is pores. */
export const porosityOf = (density: number): number => 1 - density / GRAIN_DENSITY;

/** Bulk density, kg/m3: good for roots below the first, roots affected from the second, stopped from the third. */
export interface DensityLimits {
  ideal: number;
  affected: number;
  stopped: number;
  note?: string;
}

const row = (ideal: number, affected: number, stopped: number): DensityLimits => ({
  ideal: 1000 * ideal,
  affected: 1000 * affected,
  stopped: 1000 * stopped,
});

const HEAVY = row(1.1, 1.49, 1.58);

/** Source: USDA NRCS Soil Quality Test Kit Guide, general relationship of bulk density to root growth (from memory). */
const BY_TEXTURE: Record<Texture, DensityLimits> = {
  sand: row(1.6, 1.69, 1.8),
  'loamy sand': row(1.6, 1.69, 1.8),
  'sandy loam': row(1.4, 1.63, 1.8),
  loam: row(1.4, 1.63, 1.8),
  'sandy clay loam': row(1.4, 1.6, 1.75),
  'clay loam': row(1.4, 1.6, 1.75),
  silt: row(1.3, 1.6, 1.75),
  'silt loam': {
    ...row(1.3, 1.55, 1.65),
    note: 'Silt loam stands in two rows of the table; the stricter limits are used.',
  },
  'silty clay loam': row(1.4, 1.55, 1.65),
  'sandy clay': HEAVY,
  'silty clay': HEAVY,
  clay: row(1.1, 1.39, 1.47),
};

/** @param clay share of the fine earth, 0 to 1: clay loams of 35 % and clays up to 45 % stand with the heavy classes */
export function densityLimits(texture: Texture, clay: number): DensityLimits {
  if (texture === 'clay loam' && clay >= 0.35) return HEAVY;
  if (texture === 'clay' && clay <= 0.45) return HEAVY;
  return BY_TEXTURE[texture];
}
