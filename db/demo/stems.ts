import type { Raster } from '@undrel/core/photogrammetry';
import { outlineFrom, planPoint } from '@undrel/core/roots';
import { cameraFrom, rendered } from './renderer';

/** How much thicker a stem of the row grows at its base in a year, m. */
const GROWS = 0.012;

/** The diameter of a stem in a year, from what it is in another. */
export const stemIn = (year: number, { diameter, in: known }: { diameter: number; in: number }): number =>
  diameter - GROWS * (known - year);

/** The base of a stem in its ring of bare ground, as a camera sees it from one side, hip high and two paces off. */
export function stemPhotograph(diameter: number, bearing: number, seed: number): Raster {
  const [ex, ey] = planPoint(bearing, 1.5);
  const stem = outlineFrom(
    (at) => (diameter / 2) * (1 + 0.02 * Math.cos((3 * at * Math.PI) / 180)),
    'stem diameter',
  );
  return rendered(
    { stem, roots: [], pit: 0.6, floor: -0.002, cards: [] },
    {
      camera: cameraFrom([ex, ey, 1.1], [0, 0, 0.28]),
      width: 720,
      height: 540,
      noise: 2.5,
      shade: 0.2,
      seed,
    },
  );
}
