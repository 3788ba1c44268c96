import { named, type QuantityKey } from '../vocabulary/quantities';
import type { Quantity } from '../units/quantity';
import { PRACTICE_SOURCE } from './operation';

type Inputs = Quantity['working']['inputs'];

/** An amount by common practice, with its working. */
export const amount = (
  key: QuantityKey,
  value: number,
  dimension: Quantity['dimension'],
  formula: string,
  inputs: Inputs = [],
  notes: string[] = [],
): Quantity => ({
  ...named(key),
  value,
  dimension,
  working: { formula, inputs, source: PRACTICE_SOURCE, notes },
});

/** Hours of the crew. */
export const crewHours = (value: number, formula = 'by practice', inputs: Inputs = []): Quantity =>
  amount('crewHours', value, 'hours', formula, inputs);
