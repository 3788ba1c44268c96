import type { OperationKey } from '../vocabulary/operations';
import { rulesHolding } from './conditions';
import type { Situation, Weighed } from './operation';
import { REMEDIES } from './remedies';

const NOTHING = 'Nothing calls for it.';

/** How the rule table weighs a remedy: advice, and the reasons with what was found. */
export function weighedByTable(
  key: OperationKey,
  s: Situation,
  operations: readonly Weighed[],
): Pick<Weighed, 'advice' | 'why'> & { barred: boolean } {
  const barred = rulesHolding(REMEDIES[key].bars ?? [], s, operations);
  if (barred.length > 0) return { advice: 'not', why: said(barred), barred: true };
  const wanted = rulesHolding(REMEDIES[key].do, s, operations);
  const optional = rulesHolding(REMEDIES[key].option, s, operations);
  const rules = wanted.length > 0 ? wanted : optional;
  return {
    advice: wanted.length > 0 ? 'do' : optional.length > 0 ? 'option' : 'not',
    why: rules.length > 0 ? said(rules) : [NOTHING],
    barred: false,
  };
}

const said = (rules: readonly { found: string; why: string }[]): string[] =>
  rules.map((r) => `${r.found}: ${lowered(r.why)}`);

const lowered = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1).replace(/\.$/, '');

/** The summary of a remedy that the table does not call for. */
export const orNothing = (advice: Weighed['advice'], summary: string): string =>
  advice === 'not' ? NOTHING : summary;
