import { formatMoney } from '../costing';
import type { WorthOption } from './options';
import type { Range } from './chance';
import { leavesOf, paysFrom } from './weigh';

const percents = ({ from, to }: Range): string => `${Math.round(100 * from)} to ${Math.round(100 * to)} %`;
const tens = (amount: number): number => Math.round(amount / 10) * 10;

/** Whether treating is worth it, in two sentences, before anyone says what the tree is worth to them. */
export function answerOf(options: readonly WorthOption[], currency: string | undefined): string {
  const treat = options.find((o) => o.key === 'treat')!;
  const nothing = options.find((o) => o.key === 'nothing')!;
  if (nothing.chance!.to === 0)
    return 'It is dead: nothing keeps it. What is left to choose is when it goes and what takes its place.';
  if (treat.barred.length > 0)
    return `Nothing is prescribed that would treat it. Left alone it stands with a chance of ${percents(nothing.chance!)} after ten years.`;
  const chances = `Treated, it is worth keeping after ten years with a chance of ${percents(treat.chance!)}; left alone, ${percents(nothing.chance!)}.`;
  const pays = paysFrom(treat, nothing);
  if (!pays || !currency) return `${chances} What it costs is not known: the firm has no rates yet.`;
  const money = (amount: number) => formatMoney(tens(amount), currency, true);
  if (pays.mid === undefined) return `${chances} Treating is no likelier to keep it than leaving it alone.`;
  if (tens(pays.mid) === 0 && pays.to !== undefined && tens(pays.to) === 0)
    return `${chances} Treating costs less than what its failure would.`;
  const upTo = pays.to === undefined ? 'at the worst it never does' : `at the worst from ${money(pays.to)}`;
  if (tens(pays.mid) === 0)
    return `${chances} By the middle of the ranges it pays whatever the tree is worth to its owner; ${upTo}.`;
  const from = tens(pays.from) === 0 ? 'at the best at any worth' : `at the best from ${money(pays.from)}`;
  return `${chances} It pays if the tree as it stands is worth more than about ${money(pays.mid)} to its owner; ${from}, ${upTo}.`;
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
  const title = (key: string) => options.find((o) => o.key === key)!.title.toLowerCase();
  const lead = formatMoney(tens(first.mid - second.mid), currency, true);
  const near = ranked.slice(1).filter((l) => l.to > first.from);
  return near.length === 0
    ? `To ${title(first.key)} leaves most, by about ${lead} over ten years, whatever end of the ranges holds.`
    : `To ${title(first.key)} leaves most in the middle of the ranges, by about ${lead}; within them ${near.map((l) => `to ${title(l.key)}`).join(' or ')} may leave as much.`;
}
