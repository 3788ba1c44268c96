import { METRES_PER_FOOT, type UnitSystem } from '@undrel/core/units';
import type { Shape } from './shapes';

const FEET_PER_MILE = 5280;

function labelOf(metres: number, system: UnitSystem): string {
  if (system === 'us') {
    const feet = metres / METRES_PER_FOOT;
    return feet < FEET_PER_MILE / 2 ? `${+feet.toFixed(1)} ft` : `${+(feet / FEET_PER_MILE).toFixed(1)} mi`;
  }
  return metres < 1 ? `${metres * 100} cm` : metres < 1000 ? `${metres} m` : `${metres / 1000} km`;
}

/** A round length no longer than `most` drawing units. */
export function scaleBar(
  perMetre: number,
  system: UnitSystem,
  most: number,
): { length: number; label: string } {
  const steps =
    system === 'us'
      ? [
          ...[100, 50, 20, 10, 5, 2, 1, 0.5].map((miles) => miles * FEET_PER_MILE),
          ...[1000, 500, 250, 120, 60, 30, 20, 10, 5, 3, 2, 1, 0.5],
        ].map((ft) => ft * METRES_PER_FOOT)
      : [100, 50, 20, 10, 5, 2, 1]
          .map((km) => km * 1000)
          .concat(500, 200, 100, 50, 20, 10, 5, 2, 1, 0.5, 0.2, 0.1);
  const metres = steps.find((s) => s * perMetre <= most) ?? steps[steps.length - 1]!;
  return { length: metres * perMetre, label: labelOf(metres, system) };
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
