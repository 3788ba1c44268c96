import { inSentence } from '@undrel/core/vocabulary';
import { unitWord } from '@undrel/core/costing';
import { formatValue, tidy, type UnitSystem } from '@undrel/core/units';
import type { OrderMaterial } from '../protocol/order';

/** A material with its amount, in the units of whoever loads it: `compost, 1.00 m³`. */
export function materialText({ label, amount, unit }: OrderMaterial, system: UnitSystem): string {
  const text =
    unit === 'm'
      ? formatValue(amount, 'long length', system)
      : unit === 'm³'
        ? formatValue(amount, 'volume', system)
        : `${tidy(amount, Number.isInteger(amount) ? 0 : 1)} ${unitWord(unit, amount)}`;
  return `${inSentence(label)}, ${text}`;
}
