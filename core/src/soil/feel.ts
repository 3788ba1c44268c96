import type { Texture } from '../vocabulary/textures';

/** How long a ribbon of moist soil grows between thumb and finger before it breaks. */
export const RIBBONS = [
  { key: 'no ball', label: 'does not hold as a ball' },
  { key: 'none', label: 'a ball, but no ribbon' },
  { key: 'short', label: 'breaks before 2.5 cm (1 in)' },
  { key: 'medium', label: 'breaks at 2.5 to 5 cm (1 to 2 in)' },
  { key: 'long', label: '5 cm (2 in) and longer' },
] as const;

/** How a pinch of it feels once it is very wet. */
export const FEELS = [
  { key: 'gritty', label: 'gritty' },
  { key: 'even', label: 'neither' },
  { key: 'smooth', label: 'smooth' },
] as const;

export type Ribbon = (typeof RIBBONS)[number]['key'];
export type Feel = (typeof FEELS)[number]['key'];

const BY_RIBBON: Record<Ribbon, Record<Feel, Texture>> = {
  'no ball': { gritty: 'sand', even: 'sand', smooth: 'sand' },
  none: { gritty: 'loamy sand', even: 'loamy sand', smooth: 'loamy sand' },
  short: { gritty: 'sandy loam', even: 'loam', smooth: 'silt loam' },
  medium: { gritty: 'sandy clay loam', even: 'clay loam', smooth: 'silty clay loam' },
  long: { gritty: 'sandy clay', even: 'clay', smooth: 'silty clay' },
};

/**
 * Texture class by feel: ball, ribbon, grit. Silt is not told from silt loam by hand.
 *
 * Source: Thien 1979, A flow diagram for teaching texture-by-feel analysis, J. Agron. Educ. 8:54-55 (from memory).
 *
 * @example textureByFeel('medium', 'gritty') // 'sandy clay loam'
 */
export const textureByFeel = (ribbon: Ribbon, feel: Feel): Texture => BY_RIBBON[ribbon][feel];
