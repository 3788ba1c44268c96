import type { Quantity } from '../units/quantity';
import type { QuantityKey } from '../vocabulary/quantities';
import { amount } from './amounts';
import { limit } from './operation';

/**
 * Soil of a straight slope from the edge of a ball down to nothing, m3: pi h (R - r)(R + 2 r) / 3.
 *
 * @example slopeTo(0.1, 0.3, 0.9) // 0.2765
 */
export const slopeTo = (ball: number, height: number, outer: number): number =>
  (Math.PI * height * (outer - ball) * (outer + 2 * ball)) / 3;

/**
 * How far out a slope from the edge of a ball reaches, and the soil it takes.
 *
 * @param ballRadius m
 * @param height of the edge above grade, m
 * @param keys what the two quantities are called
 */
export function slopeQuantities(
  ballRadius: number,
  height: number,
  keys: { radius: QuantityKey; soil: QuantityKey },
): Quantity[] {
  const outer = ballRadius + height / limit('moundFall');
  return [
    amount(keys.radius, outer, 'long length', 'radius of the ball + height ÷ slope', [
      { name: 'radius of the ball', value: ballRadius, dimension: 'long length' },
      { name: 'height', value: height, dimension: 'short length' },
      { name: 'slope', value: limit('moundFall'), dimension: 'ratio' },
    ]),
    amount(
      keys.soil,
      slopeTo(ballRadius, height, outer),
      'volume',
      'pi × height × (foot - ball) × (foot + 2 × ball) / 3',
      [
        { name: 'height', value: height, dimension: 'short length' },
        { name: 'foot, radius', value: outer, dimension: 'long length' },
        { name: 'ball, radius', value: ballRadius, dimension: 'long length' },
      ],
    ),
  ];
}
