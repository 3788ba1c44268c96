import Big from 'big.js';
import * as z from 'zod';

/** What work is charged by. `unit` is what one of it is; `optional` ones may be left out: the client sees to them. */
export const RESOURCES = {
  consultant: { label: 'Consultant', unit: 'hour' },
  crew: { label: 'Crew', unit: 'crew hour' },
  airTool: { label: 'Air tool and compressor', unit: 'hour' },
  trip: { label: 'Travel', unit: 'trip' },
  mulch: { label: 'Mulch', unit: 'm³' },
  compost: { label: 'Compost', unit: 'm³' },
  topsoil: { label: 'Topsoil', unit: 'm³', optional: true },
  inoculant: { label: 'Inoculant', unit: 'dose', optional: true },
  disposal: { label: 'Disposal of soil, chips or mulch', unit: 'm³' },
  drain: { label: 'Drain pipe and stone', unit: 'm' },
  wall: { label: 'Dry wall stone', unit: 'm²' },
  stakes: { label: 'Stake set', unit: 'set' },
  guard: { label: 'Guard', unit: 'guard' },
  youngTree: { label: 'Young tree', unit: 'tree' },
  assessor: { label: 'Stability assessment by a qualified person', unit: 'assessment', optional: true },
  laboratory: { label: 'Laboratory test of soil or plant', unit: 'laboratory test', optional: true },
  watering: { label: 'Watering round', unit: 'watering', optional: true },
} as const satisfies Record<string, { label: string; unit: string; optional?: true }>;

export type ResourceKey = keyof typeof RESOURCES;
export const RESOURCE_KEYS = Object.keys(RESOURCES) as ResourceKey[];

/** The unit in the number of its amount: `m³` stays, `crew hour` becomes `crew hours`. */
export const unitWord = (unit: string, amount: number): string =>
  /^(m|ft|yd)[²³]?$/.test(unit) || amount === 1 ? unit : `${unit}s`;

/** What a firm charges. Amounts are decimals as text, so that none is rounded on its way: `"84.50"`. */
export interface Rates {
  /** ISO 4217. */
  currency: string;
  prices: Partial<Record<ResourceKey, string>>;
  /** What the prices of lengths, areas and volumes are for: m, m² and m³ where nothing is said, else ft, ft² and yd³. */
  measure?: 'us';
  /** Percent of the net sum, as text: `"19"` or `"7.7"`; empty for none. */
  tax?: { name: string; percent: string };
}

const FOOT = 0.3048;
/** Units of the United States by the metric ones, and how many of them are one of those; exact. */
const US_UNITS: Record<string, { unit: string; times: number }> = {
  m: { unit: 'ft', times: 1 / FOOT },
  'm²': { unit: 'ft²', times: 1 / FOOT ** 2 },
  'm³': { unit: 'yd³', times: 1 / (3 * FOOT) ** 3 },
};

/** The unit that a resource is charged by, and how many of it are in one of its metric unit. */
export function chargedBy(resource: ResourceKey, measure: Rates['measure']): { unit: string; times: number } {
  const { unit } = RESOURCES[resource];
  return (measure === 'us' ? US_UNITS[unit] : undefined) ?? { unit, times: 1 };
}

/** Resources that are charged by a length, an area or a volume. */
export const MEASURED_RESOURCES = RESOURCE_KEYS.filter((key) => RESOURCES[key].unit in US_UNITS);

/**
 * The same price by the other measure, to as many decimals: 29.90 by the m³ are 22.86 by the yd³.
 *
 * @param price a decimal as text
 * @param digits decimals of the currency
 */
export const priceIn = (
  resource: ResourceKey,
  price: string,
  from: Rates['measure'],
  to: Rates['measure'],
  digits: number,
): string =>
  new Big(price)
    .times(chargedBy(resource, from).times)
    .div(chargedBy(resource, to).times)
    .toFixed(digits, Big.roundHalfUp);

/** Highest price of one unit, and highest tax; beyond it a slip of the finger is likelier than a price. */
export const MOST_PRICE = 100_000;
export const MOST_TAX = 40;

const digitsOf = new Map<string, number>();

/** Decimals of a currency. */
export function currencyDigits(currency: string): number {
  const known = digitsOf.get(currency);
  if (known !== undefined) return known;
  const style = new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions();
  const digits = style.maximumFractionDigits ?? 2;
  digitsOf.set(currency, digits);
  return digits;
}

/** Whether a text is a currency that this system knows. */
export const isCurrency = (text: string): boolean =>
  /^[A-Z]{3}$/.test(text) && Intl.supportedValuesOf('currency').includes(text);

export type ReadAmount = { ok: true; amount: string | undefined } | { ok: false; problem: string };

/**
 * Reads a price or percentage as typed: `84.50`, `84,50`, `1 200`; empty is undefined.
 *
 * @param field its name, for the message
 * @param most the highest allowed
 * @param digits decimals allowed
 */
export function readAmount(field: string, typed: string, most: number, digits: number): ReadAmount {
  const text = typed
    .trim()
    .replace(/[\s'’]/g, '')
    .replace(',', '.');
  if (text === '') return { ok: true, amount: undefined };
  const allowed = `allowed: 0 to ${most}, at most ${digits} decimals`;
  if (!/^\d+(\.\d+)?$/.test(text))
    return { ok: false, problem: `${field}: “${typed}” is not an amount; ${allowed}.` };
  const value = new Big(text);
  if (value.gt(most) || (text.split('.')[1] ?? '').length > digits)
    return { ok: false, problem: `${field}: ${typed} is out of range; ${allowed}.` };
  return { ok: true, amount: value.toFixed() };
}

const amount = z.string().regex(/^\d{1,6}(\.\d{1,4})?$/);

/** Rates as they are stored. */
export const ratesSchema: z.ZodType<Rates> = z.strictObject({
  currency: z.string().refine(isCurrency, { error: 'not a currency of ISO 4217; for example EUR' }),
  prices: z.partialRecord(z.enum(RESOURCE_KEYS as [ResourceKey, ...ResourceKey[]]), amount),
  measure: z.literal('us').optional(),
  tax: z.strictObject({ name: z.string().trim().min(1).max(40), percent: amount }).optional(),
});
