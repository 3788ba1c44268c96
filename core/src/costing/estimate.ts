import Big from 'big.js';
import type { OperationKey } from '../vocabulary/operations';
import { chargedBy, currencyDigits, RESOURCES, type Rates, type ResourceKey } from './rates';

/** Something a piece of work takes, before it has a price. */
export interface Need {
  resource: ResourceKey;
  /** In metric units of the resource. */
  amount: number;
  /** What it is for, as it stands on the estimate. */
  of: string;
  /** Year of the work. */
  year: number;
  /** Which season of work it falls into, from 1. */
  stage: number;
  /** The operation that takes it; travel and the look afterwards belong to none. */
  operation?: OperationKey;
  /** Key of the step of the order of work that takes it; travel and the look afterwards belong to none. */
  step?: string;
}

/** One line of an estimate: the amount as it is shown times the price is the sum, to the cent. */
export interface CostLine extends Need {
  /** The amount as it is charged, at most two decimals, and the unit it is charged by. */
  charged: string;
  unit: string;
  price: string;
  sum: string;
}

export interface Estimate {
  currency: string;
  lines: CostLine[];
  net: string;
  tax: { name: string; percent: string; sum: string } | undefined;
  total: string;
  /** Resources that have no price; the sums leave them out and are too low. */
  missing: ResourceKey[];
  /** Left to the client, since the firm has no price for it: resource and amount. */
  byClient: Need[];
  /** Resources that are charged at nothing. */
  free: ResourceKey[];
}

/** Decimals of an amount on an estimate. */
const AMOUNT_DIGITS = 2;

/**
 * Prices what work takes, exactly: each amount is rounded to two decimals, each line and the tax to the smallest unit
 * of the currency, half up; the total is the sum of what is shown.
 *
 * @throws RangeError for an amount that is not a number from 0 on
 * @example estimate([{ resource: 'crew', amount: 1.005, of: 'Bowl', year: 2026, stage: 1 }], rates) // 1.01 h
 */
export function estimate(needs: readonly Need[], rates: Rates): Estimate {
  const digits = currencyDigits(rates.currency);
  const lines: CostLine[] = [];
  const missing = new Set<ResourceKey>();
  const free = new Set<ResourceKey>();
  const byClient: Need[] = [];
  for (const need of needs) {
    if (!(need.amount >= 0) || !Number.isFinite(need.amount))
      throw new RangeError(
        `${need.of}: ${need.amount} ${RESOURCES[need.resource].unit}s; an amount is 0 or more.`,
      );
    const { unit, times } = chargedBy(need.resource, rates.measure);
    const charged = new Big(need.amount).times(times).round(AMOUNT_DIGITS, Big.roundHalfUp);
    if (charged.eq(0)) continue;
    const price = rates.prices[need.resource];
    if (price === undefined) {
      if ('optional' in RESOURCES[need.resource]) byClient.push(need);
      else missing.add(need.resource);
      continue;
    }
    if (new Big(price).eq(0)) free.add(need.resource);
    const sum = charged.times(price).round(digits, Big.roundHalfUp);
    lines.push({ ...need, charged: charged.toFixed(), unit, price, sum: sum.toFixed(digits) });
  }
  const net = sumOf(
    lines.map((l) => l.sum),
    digits,
  );
  const tax = rates.tax && {
    ...rates.tax,
    sum: new Big(net).times(rates.tax.percent).div(100).round(digits, Big.roundHalfUp).toFixed(digits),
  };
  return {
    currency: rates.currency,
    lines,
    net,
    tax,
    total: sumOf([net, ...(tax ? [tax.sum] : [])], digits),
    missing: [...missing],
    byClient,
    free: [...free],
  };
}

/** Exact sum of decimals as text. */
export const sumOf = (amounts: readonly string[], digits: number): string =>
  amounts.reduce((sum, a) => sum.plus(a), new Big(0)).toFixed(digits);

/** What the needs of one stage come to, in the year of its first. */
export interface StageEstimate {
  stage: number;
  year: number;
  estimate: Estimate;
}

/** The parts of an estimate by stage, each with its own tax line; they add up to the whole but for the rounding of tax. */
export const byStage = (needs: readonly Need[], rates: Rates): StageEstimate[] =>
  [...new Set(needs.map((n) => n.stage))]
    .sort((a, b) => a - b)
    .map((stage) => {
      const own = needs.filter((n) => n.stage === stage);
      return { stage, year: Math.min(...own.map((n) => n.year)), estimate: estimate(own, rates) };
    });

const writers = new Map<string, Intl.NumberFormat>();

/** An amount in the currency of the firm: `€1,234.50`. */
export function formatMoney(amount: string | number, currency: string, whole = false): string {
  const digits = whole ? 0 : currencyDigits(currency);
  const key = `${currency} ${digits}`;
  let writer = writers.get(key);
  if (!writer) {
    const decimals = { minimumFractionDigits: digits, maximumFractionDigits: digits };
    writer = new Intl.NumberFormat('en', { style: 'currency', currency, ...decimals });
    writers.set(key, writer);
  }
  return writer.format(amount as number);
}
