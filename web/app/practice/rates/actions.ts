'use server';

import * as z from 'zod';
import {
  currencyDigits,
  isCurrency,
  MOST_PRICE,
  MOST_TAX,
  ratesSchema,
  readAmount,
  RESOURCE_KEYS,
  RESOURCES,
  type Rates,
} from '@undrel/core/costing';
import { isOperation, monthDayProblem, MOST_CLOSED, type ClosedSeason } from '@undrel/core/prescription';
import type { OperationKey } from '@undrel/core/vocabulary';
import { saveCosts } from '@/server/accounts/firm';
import { allowed } from '@/server/accounts/viewer';
import { taking, VERSION } from '@/server/taking';
import type { RatesSaved, TypedRates } from '@/screens/practice/typedRates';

/** Decimals of a tax in percent. */
const TAX_DIGITS = 3;

/** As it was typed: what each amount and day is, is read below, field by field. */
const TYPED: z.ZodType<TypedRates> = z.object({
  currency: z.string(),
  prices: z.partialRecord(z.enum(RESOURCE_KEYS), z.string()),
  measure: z.literal('us').optional(),
  taxName: z.string(),
  taxPercent: z.string(),
  closed: z.array(
    z.object({
      why: z.string(),
      from: z.string(),
      to: z.string(),
      genus: z.string().optional(),
      operations: z.array(z.custom<OperationKey>((key) => typeof key === 'string')),
    }),
  ),
});

/** Saves what the firm charges and the seasons closed where it works; the first field that is wrong is named. */
export const saveRatesAction = taking([TYPED, VERSION], async (typed, version): Promise<RatesSaved> => {
  const currency = String(typed.currency).trim().toUpperCase();
  if (!isCurrency(currency))
    return {
      field: 'currency',
      problem: `Currency: “${typed.currency}” is not one; three letters of ISO 4217, such as EUR or USD.`,
    };
  const prices: Rates['prices'] = {};
  for (const key of RESOURCE_KEYS) {
    const read = readAmount(
      RESOURCES[key].label,
      String(typed.prices[key] ?? ''),
      MOST_PRICE,
      currencyDigits(currency),
    );
    if (!read.ok) return { field: key, problem: read.problem };
    if (read.amount !== undefined) prices[key] = read.amount;
  }
  const tax = readAmount('Tax', String(typed.taxPercent), MOST_TAX, TAX_DIGITS);
  if (!tax.ok) return { field: 'tax', problem: tax.problem };
  const rates = ratesSchema.safeParse({
    currency,
    prices,
    ...(typed.measure === 'us' && { measure: 'us' }),
    ...(tax.amount !== undefined && {
      tax: { name: String(typed.taxName).trim() || 'Tax', percent: tax.amount },
    }),
  });
  if (!rates.success) return { problem: `${rates.error.issues[0]!.message}. Nothing was saved.` };
  if (typed.closed.length > MOST_CLOSED)
    return { problem: `Closed seasons: ${typed.closed.length}; at most ${MOST_CLOSED}.` };
  const closed: ClosedSeason[] = [];
  for (const [i, season] of typed.closed.entries()) {
    const name = `Closed season ${i + 1}`;
    const problem =
      monthDayProblem(`${name}, first day`, String(season.from)) ??
      monthDayProblem(`${name}, last day`, String(season.to)) ??
      (String(season.why).trim() === '' ? `${name}: say what closes it.` : undefined) ??
      (season.operations.some(isOperation) ? undefined : `${name}: tick at least one kind of work.`);
    if (problem) return { field: `closed-${i}`, problem };
    closed.push({
      why: String(season.why).trim().slice(0, 200),
      from: season.from,
      to: season.to,
      ...(season.genus?.trim() && { genus: season.genus.trim().slice(0, 60) }),
      operations: season.operations.filter(isOperation),
    });
  }
  const saved = await allowed('judge', async (db) => ({
    version: await saveCosts(db, rates.data, closed, version),
  }));
  if ('problem' in saved) return { problem: saved.problem };
  if (saved.version === undefined)
    return {
      problem:
        'Someone else has changed the firm. What you typed is still here; open the page in a second tab to compare.',
    };
  return { version: saved.version };
});
