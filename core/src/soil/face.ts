import type { SoilLayer, SoilLog } from '../records';

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

/** A hole whose depths were changed by hand: they are no longer those of a picture. */
export function byHand(log: SoilLog): SoilLog {
  const { traced: _, ...rest } = log;
  return rest;
}

/** Whether the layers of a hole end where those of a face do, to a millimetre; deeper ones may follow. */
export const endsAt = (layers: readonly SoilLayer[], ends: readonly number[]): boolean =>
  ends.length <= layers.length && ends.every((end, i) => Math.abs(layers[i]!.to - end) < 0.001);
