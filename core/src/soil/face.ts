import type { SoilLayer } from '../records';

/**
 * The layers of a hole with the depths at which they end measured anew, m from the top down: the first keeps what was noted
 * of the first, and so on; deeper ones that were noted and not seen on the face stay below.
 */
export function layersTo(layers: readonly SoilLayer[], ends: readonly number[]): SoilLayer[] {
  const deepest = ends.at(-1) ?? 0;
  return [
    ...ends.map((to, i) => ({ ...layers[i], to })),
    ...layers.slice(ends.length).filter((layer) => layer.to > deepest),
  ];
}
