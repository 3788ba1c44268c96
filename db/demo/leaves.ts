import { darkGreen, type Raster, type Rgb } from '@undrel/core/photogrammetry';
import { cameraFrom, rendered, type LaidLeaf } from './renderer';
import { variation } from './series';

/** Made-up leaves on the leaf sheet: how green, how the light is, from where they are seen. */
export interface LeafShot {
  colour: Rgb;
  /** Colour of the veins, where they stay green. */
  veins?: Rgb;
  /** What the light makes of red, green and blue. */
  light?: Rgb;
  shade?: number;
  /** How far from above the camera stands, degrees. */
  tilt?: number;
  size?: { width: number; height: number };
  seed: number;
  leaves?: number;
}

/** Seven leaves in two rows, each a little another colour, on a sheet that a camera sees from above; and their mean index. */
export function leafPhotograph({
  colour,
  veins,
  light,
  shade,
  tilt = 8,
  size = { width: 1280, height: 960 },
  seed,
  leaves = 7,
}: LeafShot): { raster: Raster; index: number } {
  const vary = variation(seed);
  const laid = Array.from({ length: leaves }, (_, i): LaidLeaf => {
    const by = 1 + vary(0.05);
    return {
      at: [(i % 2 ? 0.042 : -0.042) + vary(0.004), -0.064 + 0.043 * Math.floor(i / 2)],
      length: 0.068 + vary(0.006),
      turned: vary(12),
      colour: [colour[0] * by, colour[1] * by, colour[2] * by],
      ...(veins && { veins }),
    };
  });
  const index = laid.reduce((sum, l) => sum + darkGreen(l.colour), 0) / laid.length;
  const off = 0.55 * Math.tan((tilt * Math.PI) / 180);
  const raster = rendered(
    { roots: [], pit: 0, floor: 0, cards: [], leafSheet: { at: [0, 0], leaves: laid } },
    {
      camera: cameraFrom([off, -off / 2, 0.55], [0, 0, 0], { bend: -0.015, roll: 90 }),
      ...size,
      noise: 2,
      seed,
      ...(light && { light }),
      ...(shade && { shade }),
    },
  );
  return { raster, index };
}

/** Colours of leaves, green and pale. */
export const LEAF_TONES = { green: [58, 104, 44], pale: [132, 160, 70], dark: [40, 78, 40] } as const;
