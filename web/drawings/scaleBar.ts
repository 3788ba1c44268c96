import type { UnitSystem } from '@undrel/core/units';
import type { Shape } from './shapes';

/** A round length no longer than `most` drawing units. */
export function scaleBar(
  perMetre: number,
  system: UnitSystem,
  most: number,
): { length: number; label: string } {
  const steps =
    system === 'us'
      ? [120, 60, 30, 20, 10, 5, 3, 2, 1, 0.5].map((ft) => ft * 0.3048)
      : [50, 20, 10, 5, 2, 1, 0.5, 0.2, 0.1];
  const metres = steps.find((s) => s * perMetre <= most) ?? steps[steps.length - 1]!;
  const label =
    system === 'us'
      ? `${+(metres / 0.3048).toFixed(1)} ft`
      : metres < 1
        ? `${metres * 100} cm`
        : `${metres} m`;
  return { length: metres * perMetre, label };
}

/** The bar itself, its ends ticked; `x`, `y`: its left end. */
export const scaleBarMarks = (x: number, y: number, length: number): Shape => ({
  as: 'marks',
  tone: 'ink',
  width: 2,
  segments: [
    [
      [x, y],
      [x + length, y],
    ],
    [
      [x, y - 5],
      [x, y + 5],
    ],
    [
      [x + length, y - 5],
      [x + length, y + 5],
    ],
  ],
});
