import { percents } from '../units/share';
import { inSentence } from '../vocabulary/inSentence';
import { formatMoney } from '../costing';
import type { WorthOption } from './options';
import { leavesOf, paysFrom } from './weigh';

const tens = (amount: number): number => Math.round(amount / 10) * 10;

/** Whether treating is worth it, in two sentences, before anyone says what the tree is worth to them. */
export function answerOf(options: readonly WorthOption[], currency: string | undefined): string {
  const treat = options.find((o) => o.key === 'treat')!;
  const nothing = options.find((o) => o.key === 'nothing')!;
  if (nothing.chance!.to === 0)
    return 'The tree is dead and cannot be saved. What remains to decide is when to remove it and what to plant in its place.';
  if (treat.barred.length > 0)
    return `No treatment is prescribed. Left alone, the chance that the tree is still worth keeping in ten years is ${percents(nothing.chance!)}.`;
  const chances = `The chance that the tree is still worth keeping in ten years is ${percents(treat.chance!)} with treatment and ${percents(nothing.chance!)} without.`;
  const pays = paysFrom(treat, nothing);
  if (!pays || !currency) return `${chances} Costs are not known, as no rates have been entered.`;
  const money = (amount: number) => formatMoney(tens(amount), currency, true);
  if (pays.mid === undefined) return `${chances} Treatment does not raise the chance of keeping it.`;
  if (tens(pays.mid) === 0 && pays.to !== undefined && tens(pays.to) === 0)
    return `${chances} Treatment costs less than a failure would.`;
  const upTo =
    pays.to === undefined
      ? 'on the least favourable, it never does'
      : `on the least favourable, only above ${money(pays.to)}`;
  if (tens(pays.mid) === 0)
    return `${chances} On the middle estimate, treatment pays whatever the tree is worth to its owner; ${upTo}.`;
  const from =
    tens(pays.from) === 0
      ? 'On the most favourable estimate it pays at any value'
      : `On the most favourable estimate it pays above ${money(pays.from)}`;
  return `${chances} Treatment pays if the tree is worth more than about ${money(pays.mid)} to its owner. ${from}; ${upTo}.`;
}

/** Which option leaves most for a value of the tree, and whether the ranges allow to say so. */
export function choiceFor(
  options: readonly WorthOption[],
  value: number,
  young: number,
  currency: string,
): string {
  const ranked = leavesOf(options, value, young);
  const [first, second] = ranked;
  if (!first || !second) return 'There is nothing to choose between.';
  const title = (key: string) => inSentence(options.find((o) => o.key === key)!.title);
  const lead = formatMoney(tens(first.mid - second.mid), currency, true);
  const near = ranked.slice(1).filter((l) => l.to > first.from);
  return near.length === 0
    ? `To ${title(first.key)} leaves most, by about ${lead} over ten years, whatever end of the ranges holds.`
    : `To ${title(first.key)} leaves most in the middle of the ranges, by about ${lead}; within them ${near.map((l) => `to ${title(l.key)}`).join(' or ')} may leave as much.`;
}
