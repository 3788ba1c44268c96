import { formatMoney, RESOURCES, unitWord, type Estimate } from '@undrel/core/costing';
import type { Range } from '@undrel/core/worth';

const percent = (share: number): string => `${Math.round(100 * share)} %`;
export const percents = ({ from, to }: Range): string => `${percent(from)} to ${percent(to)}`;

/** A range of money in tens, since none is known better. */
export const moneyRange = ({ from, to }: Range, currency: string): string => {
  const tens = (amount: number) => formatMoney(Math.round(amount / 10) * 10, currency, true);
  return `${tens(from)} to ${tens(to)}`;
};

/** What the sums of an estimate leave out, in words. */
export function leftOut(estimate: Estimate | undefined, unpriced: readonly string[]): string[] {
  const names = (keys: Estimate['missing']) => keys.map((k) => RESOURCES[k].label.toLowerCase()).join(', ');
  return [
    ...(unpriced.length > 0
      ? [`Not in the sum, as it has no amounts yet: ${unpriced.join(', ').toLowerCase()}.`]
      : []),
    ...(estimate && estimate.missing.length > 0
      ? [`Not in the sum, as there is no price for it: ${names(estimate.missing)}.`]
      : []),
    ...(estimate && estimate.byClient.length > 0
      ? [
          `Left to the owner: ${estimate.byClient.map((n) => `${Math.round(n.amount)} ${unitWord(RESOURCES[n.resource].unit, n.amount)}`).join(', ')}.`,
        ]
      : []),
    ...(estimate && estimate.free.length > 0 ? [`Free of charge: ${names(estimate.free)}.`] : []),
  ];
}

/** The rows of an estimate as they are shown: what, amount, price, sum; then net, tax and total. */
export const estimateRows = (e: Estimate): string[][] => [
  ...e.lines.map((l) => [
    l.of,
    `${l.charged} ${unitWord(RESOURCES[l.resource].unit, Number(l.charged))}`,
    formatMoney(l.price, e.currency),
    formatMoney(l.sum, e.currency),
  ]),
  ['Net', '', '', formatMoney(e.net, e.currency)],
  ...(e.tax ? [[`${e.tax.name}, ${e.tax.percent} %`, '', '', formatMoney(e.tax.sum, e.currency)]] : []),
  ['Total', '', '', formatMoney(e.total, e.currency)],
];
