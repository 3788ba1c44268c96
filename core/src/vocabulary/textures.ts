/** Texture classes of the USDA, by sand and clay of the fine earth (2 mm and less). */
export const TEXTURES = [
  'sand',
  'loamy sand',
  'sandy loam',
  'loam',
  'silt loam',
  'silt',
  'sandy clay loam',
  'clay loam',
  'silty clay loam',
  'sandy clay',
  'silty clay',
  'clay',
] as const;

export type Texture = (typeof TEXTURES)[number];
