import { inSentence } from '../vocabulary/inSentence';
import type { OptionKey, WorthOption } from './options';
import type { Range } from './chance';

/** From which value of the tree an option pays against another, with its range; `to` undefined: it may never. */
export interface PaysFrom {
  from: number;
  mid: number | undefined;
  to: number | undefined;
}

export const mid = ({ from, to }: Range): number => (from + to) / 2;

/**
 * The value at which treating comes to the same as another option: with it V, both leave
 * p V - C the same, so V = (C1 - C2) / (p1 - p2). Below it the other is cheaper, above it treating pays.
 *
 * @returns ends at 0 or more; undefined where treating has no better chance
 */
function breakEven(c1: number, p1: number, c2: number, p2: number): number | undefined {
  if (p1 <= p2) return undefined;
  return Math.max(0, (c1 - c2) / (p1 - p2));
}

/** From which value of the standing tree on treating pays against doing nothing. Undefined without rates. */
export function paysFrom(treat: WorthOption, other: WorthOption): PaysFrom | undefined {
  if (!treat.cost || !other.cost || !treat.chance) return undefined;
  const [c1, c2] = [treat.cost.years, other.cost.years];
  // The young tree that takes its place is none of the value of this one.
  const p2 = other.key === 'nothing' ? other.chance! : { from: 0, to: 0 };
  return {
    from: breakEven(c1.from, treat.chance.to, c2.to, p2.from) ?? 0,
    mid: breakEven(mid(c1), mid(treat.chance), mid(c2), mid(p2)),
    to: breakEven(c1.to, treat.chance.from, c2.from, p2.to),
  };
}

/** What an option leaves over ten years for an owner to whom the standing tree is worth `value`: p V - C. */
export interface Leaves {
  key: OptionKey;
  from: number;
  mid: number;
  to: number;
}

/** How the options stand for a value of the tree, best first; those that are barred are left out. */
export function leavesOf(options: readonly WorthOption[], value: number, young: number): Leaves[] {
  return options
    .filter((o) => o.barred.length === 0 && o.cost)
    .map((o): Leaves => {
      const own = o.key === 'replace' ? young : o.key === 'remove' ? 0 : value;
      const chance = o.chance ?? { from: 0, to: 0 };
      return {
        key: o.key,
        from: chance.from * own - o.cost!.years.to,
        mid: mid(chance) * own - mid(o.cost!.years),
        to: chance.to * own - o.cost!.years.from,
      };
    })
    .sort((a, b) => b.mid - a.mid);
}

/** One judgement moved from end to end, the others in the middle: what the best option gains over the next one. */
export interface Swing {
  name: string;
  from: number;
  to: number;
  /** Whether the first option changes on the way. */
  turns: boolean;
}

/**
 * How much hangs on each judgement: the lead of the first option over the best of the others as one judgement goes from
 * its low end to its high end.
 */
export function sensitivity(options: readonly WorthOption[], value: number, young: number): Swing[] {
  const open = options.filter((o) => o.barred.length === 0 && o.cost);
  const point = (at: number): Range => ({ from: at, to: at });
  const middled = open.map((o): WorthOption => ({
    ...o,
    chance: o.chance && { ...o.chance, ...point(mid(o.chance)) },
    cost: o.cost && { ...o.cost, years: point(mid(o.cost.years)) },
  }));
  const ranked = leavesOf(middled, value, young);
  const first = ranked[0];
  if (!first || ranked.length < 2) return [];
  const lead = (changed: readonly WorthOption[], worth: number) => {
    const all = leavesOf(changed, worth, young);
    const own = all.find((l) => l.key === first.key)!.mid;
    return own - Math.max(...all.filter((l) => l.key !== first.key).map((l) => l.mid));
  };
  const swing = (name: string, low: number, high: number): Swing => ({
    name,
    from: low,
    to: high,
    turns: Math.min(low, high) < 0,
  });
  const withChance = (key: OptionKey, at: number) =>
    middled.map((o) => (o.key === key && o.chance ? { ...o, chance: { ...o.chance, from: at, to: at } } : o));
  const withCost = (key: OptionKey, at: number) =>
    middled.map((o) =>
      o.key === key && o.cost ? { ...o, cost: { ...o.cost, years: { from: at, to: at } } } : o,
    );
  return open
    .flatMap((o) => [
      ...(o.chance
        ? [
            swing(
              `Chance: ${inSentence(o.title)}`,
              lead(withChance(o.key, o.chance.from), value),
              lead(withChance(o.key, o.chance.to), value),
            ),
          ]
        : []),
      swing(
        `Cost: ${inSentence(o.title)}`,
        lead(withCost(o.key, o.cost!.years.from), value),
        lead(withCost(o.key, o.cost!.years.to), value),
      ),
    ])
    .concat(
      swing('Worth of the tree to you, half to double', lead(middled, value / 2), lead(middled, value * 2)),
    )
    .filter((s) => Math.abs(s.to - s.from) > 1e-9)
    .sort((a, b) => Math.abs(b.to - b.from) - Math.abs(a.to - a.from));
}
