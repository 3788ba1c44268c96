import { byOrderOfWork, type OperationKey } from '../vocabulary/operations';
import { REMEDIES, WEIGHED } from '../remedies';
import { rulesHolding } from '../weighing/conditions';
import {
  PASSIVE,
  PRACTICE_SOURCE,
  type Operation,
  type Situation,
  type Weighed,
} from '../weighing/operation';
import { ruledBy } from '../weighing/ruled';
import type { HoldKey } from '../weighing/rules';

export const PRESCRIPTION_ENGINE = 'operations-6';

/** What is signed before a remedy; where the tree may fall, nothing is done at it before its stability was judged. */
function holdsOf(key: OperationKey, { verdict }: Situation): HoldKey[] {
  const { first } = REMEDIES[key];
  const waits = verdict.danger !== undefined && key !== 'stability' && !PASSIVE.includes(key);
  return waits ? ['stability', ...first.filter((hold) => hold !== 'stability')] : [...first];
}

/** Adds what the rule table says of a remedy on this tree. */
function completed(weighed: Weighed, s: Situation, all: readonly Weighed[]): Operation {
  const { against, window, risks, followUp } = REMEDIES[weighed.key];
  return {
    ...weighed,
    // They are joined to one sentence wherever they are told.
    why: weighed.why.map((reason) => reason.replace(/\.$/, '')),
    against: rulesHolding(against, s, all).map((r) => `${r.found}. ${r.why}`),
    first: holdsOf(weighed.key, s),
    ...(window && { window }),
    risks,
    followUp,
    source: PRACTICE_SOURCE,
  };
}

/** Every remedy weighed for the tree; those advised first, each group in the order in which it is done. */
export function prescribe(s: Situation): Operation[] {
  const all = WEIGHED.reduce<Weighed[]>((before, key) => {
    const remedy = REMEDIES[key];
    return [...before, remedy.weigh(s, ruledBy(remedy, s, before), before)];
  }, []);
  const rank = { do: 0, option: 1, not: 2 } as const;
  return all
    .map((o) => completed(o, s, all))
    .sort((a, b) => rank[a.advice] - rank[b.advice] || byOrderOfWork(a.key, b.key));
}
