import type { ChosenBy } from '../practice/schools';
import type { QuantityKey } from '../vocabulary/quantities';
import {
  formatLength,
  longUnit,
  METRES_PER,
  METRES_PER_FOOT,
  shortUnit,
  tidy,
  type UnitSystem,
} from './length';

export type Dimension =
  | 'short length'
  | 'long length'
  | 'volume'
  | 'area'
  | 'share'
  | 'ratio'
  | 'count'
  | 'hours'
  | 'litres'
  | 'density'
  | 'mass'
  | 'water rate'
  | 'year';

export type InputKey = 'targetDepth' | 'clearance';

/** One figure that went into a result. */
export interface WorkingInput {
  /** Where others look for it. */
  key?: InputKey;
  name: string;
  value: number;
  dimension: Dimension;
}

/** How a number came about; shown wherever the number is shown. */
export interface Working {
  formula: string;
  inputs: WorkingInput[];
  /** Published source, or "common practice, no source". */
  source: string;
  /** Matter and school of practice it follows, where schools differ. */
  school?: { matter: string; school: string; chosenBy: ChosenBy };
  /** Anything assumed or left out. */
  notes: string[];
}

/**
 * A computed number in SI with its working. `plusMinus` is the half-width of a 90 % interval. Whoever looks for one asks
 * by its key; the name is for people.
 */
export interface Quantity {
  key: QuantityKey;
  name: string;
  value: number;
  dimension: Dimension;
  plusMinus?: number;
  working: Working;
}

const CUBIC_METRES_PER_CUBIC_YARD = (3 * METRES_PER_FOOT) ** 3;
const LITRES_PER_US_GALLON = 3.785411784;
const KILOGRAMS_PER_POUND = 0.45359237;

/** Last digit shown when nothing better is known, in SI. */
const DEFAULT_STEP: Partial<Record<Dimension, number>> = { 'short length': 0.01, 'long length': 0.01 };

/**
 * A number in its dimension as text in the chosen unit system.
 *
 * @param value SI value (m, m2, m3, kg, m/s of water, share 0-1, hours, litres)
 * @param step SI; resolution of the figure (lengths only)
 * @example formatValue(0.2765, 'volume', 'us') // '0.36 yd³'
 */
export const formatValue = (value: number, dimension: Dimension, system: UnitSystem, step?: number): string =>
  inDimension(value, dimension, system, step).replace(/^-/, MINUS);

/** The sign of a negative figure, where it is read and not typed. */
const MINUS = '−';

/** Metres of a long length from which a tenth is all that a tape and a site are good for. */
const FAR = 10;

function inDimension(value: number, dimension: Dimension, system: UnitSystem, step?: number): string {
  switch (dimension) {
    case 'short length':
      return formatLength(value, shortUnit(system), step ?? DEFAULT_STEP[dimension]);
    case 'long length':
      return system === 'us'
        ? formatLength(value, longUnit(system), 0.1 * METRES_PER_FOOT)
        : formatLength(
            value,
            longUnit(system),
            step ?? (Math.abs(value) >= FAR ? 0.1 : DEFAULT_STEP[dimension]),
          );
    case 'volume':
      return system === 'us'
        ? `${tidy(value / CUBIC_METRES_PER_CUBIC_YARD, 2)} yd³`
        : `${tidy(value, value === 0 ? 0 : value < 0.1 ? 3 : 2)} m³`;
    case 'area':
      return system === 'us' ? `${tidy(value / METRES_PER_FOOT ** 2, 0)} ft²` : `${tidy(value, 1)} m²`;
    case 'share':
      return `${tidy(100 * value, 0)}%`;
    case 'ratio':
      return tidy(value, 2);
    case 'count':
      return tidy(value, 0);
    case 'hours':
      return `${tidy(value, 1)} h`;
    case 'litres':
      return system === 'us' ? `${tidy(value / LITRES_PER_US_GALLON, 0)} gal` : `${tidy(value, 0)} L`;
    case 'density':
      return `${tidy(value / 1000, 2)} g/cm³`;
    case 'water rate': {
      const perHour = value * 3600;
      return system === 'us'
        ? `${tidy(perHour / METRES_PER.in, perHour / METRES_PER.in < 1 ? 2 : 1)} in/h`
        : `${tidy(perHour * 1000, perHour < 0.01 ? 1 : 0)} mm/h`;
    }
    case 'mass':
      return system === 'us' ? `${tidy(value / KILOGRAMS_PER_POUND, 0)} lb` : `${tidy(value, 0)} kg`;
    case 'year':
      return tidy(value, 0);
  }
}

/** A quantity with its interval: `17.8 ± 1.4 cm`. Rounded to a tenth of the short unit where the interval is known. */
export function formatQuantity(
  quantity: Pick<Quantity, 'value' | 'plusMinus' | 'dimension'>,
  system: UnitSystem,
): string {
  const fine = quantity.dimension === 'short length' && quantity.plusMinus !== undefined ? 0.001 : undefined;
  const main = formatValue(quantity.value, quantity.dimension, system, fine);
  if (quantity.plusMinus === undefined) return main;
  const [, figure = main, unit = ''] = /^([-−]?[\d.]+)(.*)$/.exec(main) ?? [];
  const decimals = figure.split('.')[1]?.length ?? 0;
  const spread = formatValue(quantity.plusMinus, quantity.dimension, system, fine);
  return `${figure} ± ${Number.parseFloat(spread).toFixed(decimals)}${unit}`;
}
