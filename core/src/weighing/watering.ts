import { METRES_PER_INCH } from '../units/length';
import type { Quantity } from '../units/quantity';
import { named } from '../vocabulary/quantities';
import type { SchoolInForce } from '../practice';
import { limit, PRACTICE_SOURCE, schoolNote, schoolValue } from './operation';

/**
 * Water for one watering by the five-gallon rule, litres, in whole 5-gallon buckets.
 *
 * @param stemDiameter m
 * @example wateringByRule(1.5 * 0.0254) // 37.9 L, 10 US gal: 7.5 rounded up
 */
export function wateringByRule(stemDiameter: number): number {
  const perBucket = limit('litresPerInch');
  return Math.ceil((stemDiameter / METRES_PER_INCH) * (1 - 1e-12)) * perBucket;
}

/** Water of one watering with its working. @param lasting the school of how long to water */
export const wateringQuantity = (stemDiameter: number, lasting: SchoolInForce): Quantity => ({
  ...named('waterAtEachWatering'),
  value: wateringByRule(stemDiameter),
  dimension: 'litres',
  working: {
    formula: '5 US gal for each inch of stem, in whole buckets',
    inputs: [{ name: 'stem diameter', value: stemDiameter, dimension: 'short length' }],
    source: PRACTICE_SOURCE,
    school: schoolNote(lasting),
    notes: [`For ${schoolValue(lasting, 'seasons')} growing season(s); probe first, skip when moist.`],
  },
});

/** Rounds of watering over the seasons of the school. */
export const wateringRounds = (lasting: SchoolInForce): Quantity => ({
  ...named('waterings'),
  value: schoolValue(lasting, 'seasons') * limit('wateringsASeason'),
  dimension: 'count',
  working: {
    formula: 'seasons × waterings a season',
    inputs: [
      { name: 'seasons', value: schoolValue(lasting, 'seasons'), dimension: 'count' },
      { name: 'waterings a season', value: limit('wateringsASeason'), dimension: 'count' },
    ],
    source: PRACTICE_SOURCE,
    school: schoolNote(lasting),
    notes: ['The probe decides each time.'],
  },
});
