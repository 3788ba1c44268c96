import type { UnitSystem } from './length';

/** A pound-force on a square inch in pascals. NIST Special Publication 811, from memory. */
export const PASCALS_PER_PSI = 6894.757;

/** What a cone meets, Pa: in MPa with so many decimals, or to 1 psi. */
export const formatPressure = (pascals: number, system: UnitSystem, decimals = 1): string =>
  system === 'us'
    ? `${Math.round(pascals / PASCALS_PER_PSI)} psi`
    : `${(pascals / 1e6).toFixed(decimals)} MPa`;

/** Where roots stop in moist soil, as the field says it: 2 MPa are 290 psi, rounded to 300. */
export const ROOTS_STOP: Readonly<Record<UnitSystem, string>> = { metric: '2 MPa', us: '300 psi' };
