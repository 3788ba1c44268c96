import { inSentence } from '../vocabulary/inSentence';
import { rulesHolding } from './conditions';
import type { Situation, Weighed } from './operation';
import type { RemedyRules } from './rules';

const NOTHING = 'Nothing calls for it.';

/** What the rules of a remedy say of it on this tree. */
export type Ruled = Pick<Weighed, 'advice' | 'why'> & { barred: boolean };

/** How its rules weigh a remedy: advice, and the reasons with what was found. @param before remedies weighed before it */
export function ruledBy(rules: RemedyRules, s: Situation, before: readonly Weighed[]): Ruled {
  const barred = rulesHolding(rules.bars ?? [], s, before);
  if (barred.length > 0) return { advice: 'not', why: said(barred), barred: true };
  const wanted = rulesHolding(rules.do, s, before);
  const optional = rulesHolding(rules.option, s, before);
  const holding = wanted.length > 0 ? wanted : optional;
  return {
    advice: wanted.length > 0 ? 'do' : optional.length > 0 ? 'option' : 'not',
    why: holding.length > 0 ? said(holding) : [NOTHING],
    barred: false,
  };
}

/** Each thing that was found once, with the first of what follows from it. */
const said = (rules: readonly { found: string; why: string }[]): string[] =>
  [...new Map([...rules].reverse().map((r) => [r.found, r])).values()]
    .reverse()
    .map((r) => `${r.found}: ${lowered(r.why)}`);

const lowered = (text: string): string => inSentence(text).replace(/\.$/, '');

/** The summary of a remedy that the rules do not call for. */
export const orNothing = (advice: Weighed['advice'], summary: string): string =>
  advice === 'not' ? NOTHING : summary;
