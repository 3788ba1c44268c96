import type { Texture } from '../vocabulary/textures';

/**
 * The class by its boundaries.
 *
 * Source: USDA Soil Survey Manual, chapter 3, texture classes (boundary inequalities from memory).
 *
 * @param sand share of the fine earth, 0 to 1
 * @param clay share of the fine earth, 0 to 1; silt is the rest
 * @throws RangeError where sand and clay are not shares of one whole
 */
export function textureOf(sand: number, clay: number): Texture {
  const [s, c] = [100 * sand, 100 * clay].map((v) => Math.round(v * 1e6) / 1e6) as [number, number];
  const silt = Math.round((100 - s - c) * 1e6) / 1e6;
  if (!(s >= 0 && c >= 0 && silt >= 0))
    throw new RangeError(
      `Sand ${Math.round(s)}% and clay ${Math.round(c)}%: together at most 100%; silt is the rest.`,
    );
  if (silt + 1.5 * c < 15) return 'sand';
  if (silt + 2 * c < 30) return 'loamy sand';
  if (c >= 40) return silt >= 40 ? 'silty clay' : s > 45 ? 'sandy clay' : 'clay';
  if (c >= 35 && s > 45) return 'sandy clay';
  if (c >= 27) return s > 45 ? 'sandy clay loam' : s > 20 ? 'clay loam' : 'silty clay loam';
  if (silt >= 80 && c < 12) return 'silt';
  if (silt >= 50) return 'silt loam';
  if (c >= 20 && silt < 28 && s > 45) return 'sandy clay loam';
  if (c >= 7 && silt >= 28 && s <= 52) return 'loam';
  return 'sandy loam';
}
