import { METRES_PER, type UnitSystem } from './length';
import { withUnit } from './share';

const PER_INCH: Partial<Record<string, number>> = {
  'mm/h': METRES_PER.in / METRES_PER.mm,
  'cm/h': METRES_PER.in / METRES_PER.cm,
};

/** The unit in which a number is typed and told, and its way to the unit it is kept in and back. */
export interface UnitInUse {
  unit: string;
  kept: (entered: number) => number;
  /** To four figures where the unit is another: what was typed comes back as it was typed. */
  entered: (kept: number) => number;
}

/**
 * How a number is typed and told: the rate at which water goes in, in inches an hour where inches are in use; weights,
 * volumes and laboratory values as laboratories give them.
 *
 * @param unit the unit it is kept in
 */
export function unitInUse(unit: string, system: UnitSystem): UnitInUse {
  const per = system === 'us' ? PER_INCH[unit] : undefined;
  if (per === undefined) return { unit, kept: (value) => value, entered: (value) => value };
  return {
    unit: 'in/h',
    kept: (entered) => Number((entered * per).toPrecision(12)),
    entered: (kept) => Number((kept / per).toPrecision(4)),
  };
}

/** A number that is kept in a unit, as it is told: `1.27 cm/h`, or `0.5 in/h`. */
export function inUse(kept: number, unit: string, system: UnitSystem): string {
  const told = unitInUse(unit, system);
  return withUnit(told.entered(kept), told.unit);
}

interface Ranged {
  unit: string;
  min: number;
  max: number;
}

/** The same with the range a field takes, rounded inward to hundredths. */
export function enteredIn({ unit, min, max }: Ranged, system: UnitSystem): UnitInUse & Ranged {
  const field = unitInUse(unit, system);
  if (field.unit === unit) return { ...field, min, max };
  const per = field.kept(1);
  return { ...field, min: Math.ceil((min / per) * 100) / 100, max: Math.floor((max / per) * 100) / 100 };
}
