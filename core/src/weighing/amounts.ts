import { named, type QuantityKey } from '../vocabulary/quantities';
import type { Quantity, Working } from '../units/quantity';
import { PRACTICE_SOURCE } from './operation';

/** What an amount may have beside its formula; by common practice, where no other source is named. */
type More = Partial<Pick<Working, 'source' | 'school' | 'notes'>> & Pick<Quantity, 'plusMinus'>;

/** An amount with its working. */
export const amount = (
  key: QuantityKey,
  value: number,
  dimension: Quantity['dimension'],
  formula: string,
  inputs: Working['inputs'] = [],
  { source = PRACTICE_SOURCE, school, notes = [], plusMinus }: More = {},
): Quantity => ({
  ...named(key),
  value,
  dimension,
  ...(plusMinus !== undefined && { plusMinus }),
  working: { formula, inputs, source, ...(school && { school }), notes },
});

/** Hours of the crew. */
export const crewHours = (
  value: number,
  formula = 'by practice',
  inputs: Working['inputs'] = [],
  more: More = {},
): Quantity => amount('crewHours', value, 'hours', formula, inputs, more);
