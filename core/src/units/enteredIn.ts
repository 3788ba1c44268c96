import { METRES_PER, type UnitSystem } from './length';

const PER_INCH: Partial<Record<string, number>> = {
  'mm/h': METRES_PER.in / METRES_PER.mm,
  'cm/h': METRES_PER.in / METRES_PER.cm,
};

interface Ranged {
  unit: string;
  min: number;
  max: number;
}

/** A number as a field takes it: unit and range, and its way to the unit it is kept in and back. */
export interface EnteredIn extends Ranged {
  kept: (entered: number) => number;
  /** To four figures where the unit is another: what was typed comes back as it was typed. */
  entered: (kept: number) => number;
}

/**
 * How a number is typed and shown: the rate at which water goes in, in inches an hour where inches are in use; weights,
 * volumes and laboratory values as laboratories give them.
 *
 * @param asked the unit the number is kept in and its range, which is rounded inward to hundredths
 */
export function enteredIn({ unit, min, max }: Ranged, system: UnitSystem): EnteredIn {
  const per = system === 'us' ? PER_INCH[unit] : undefined;
  if (per === undefined) return { unit, min, max, kept: (value) => value, entered: (value) => value };
  return {
    unit: 'in/h',
    min: Math.ceil((min / per) * 100) / 100,
    max: Math.floor((max / per) * 100) / 100,
    kept: (entered) => Number((entered * per).toPrecision(12)),
    entered: (kept) => Number((kept / per).toPrecision(4)),
  };
}
