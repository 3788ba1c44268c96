import { inSentence } from '@undrel/core/vocabulary';
import { formatMoney, RESOURCES, unitWord, type Estimate, type Need } from '@undrel/core/costing';
import type { Range } from '@undrel/core/worth';

/** A range of money in tens, since none is known better. */
export const moneyRange = ({ from, to }: Range, currency: string): string => {
  const tens = (amount: number) => formatMoney(Math.round(amount / 10) * 10, currency, true);
  return `${tens(from)} to ${tens(to)}`;
};

/** Needs by resource, each with its sum: `24 waterings`. */
const amountsOf = (needs: readonly Need[]): string[] =>
  [...new Set(needs.map((n) => n.resource))].map((resource) => {
    const amount = Math.round(
      needs.filter((n) => n.resource === resource).reduce((sum, n) => sum + n.amount, 0),
    );
    return `${amount} ${unitWord(RESOURCES[resource].unit, amount)}`;
  });

/** What the sums of an estimate leave out, in words. */
export function leftOut(estimate: Estimate | undefined, unpriced: readonly string[]): string[] {
  const names = (keys: Estimate['missing']) => keys.map((k) => inSentence(RESOURCES[k].label)).join(', ');
  return [
    ...(unpriced.length > 0
      ? [`Not in the sum, as it has no amounts yet: ${unpriced.map(inSentence).join(', ')}.`]
      : []),
    ...(estimate && estimate.missing.length > 0
      ? [`Not in the sum, as there is no price for it: ${names(estimate.missing)}.`]
      : []),
    ...(estimate && estimate.byClient.length > 0
      ? [`Left to the owner: ${amountsOf(estimate.byClient).join(', ')}.`]
      : []),
    ...(estimate && estimate.free.length > 0 ? [`Free of charge: ${names(estimate.free)}.`] : []),
  ];
}

/** The rows of an estimate as they are shown: what, amount, price, sum; then net, tax and total. */
export const estimateRows = (e: Estimate): string[][] => [
  ...e.lines.map((l) => [
    l.of,
    `${l.charged} ${unitWord(l.unit, Number(l.charged))}`,
    formatMoney(l.price, e.currency),
    formatMoney(l.sum, e.currency),
  ]),
  ['Net', '', '', formatMoney(e.net, e.currency)],
  ...(e.tax ? [[`${e.tax.name}, ${e.tax.percent}%`, '', '', formatMoney(e.tax.sum, e.currency)]] : []),
  ['Total', '', '', formatMoney(e.total, e.currency)],
];
