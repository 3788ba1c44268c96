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
import { windowHere } from '../weighing/season';
import type { HoldKey } from '../weighing/rules';

export const PRESCRIPTION_ENGINE = 'operations-9';

/** What is signed before a remedy; where the tree may fall, nothing is done at it before its stability was judged. */
function holdsOf(key: OperationKey, { verdict }: Situation): HoldKey[] {
  const { first } = REMEDIES[key];
  const unsure = verdict.alive.state === 'doubtful' || verdict.alive.state === 'contradictory';
  const lives: HoldKey[] = unsure && key !== 'stability' && !PASSIVE.includes(key) ? ['alive'] : [];
  const waits = verdict.danger !== undefined && key !== 'stability' && !PASSIVE.includes(key);
  return [
    ...(waits ? (['stability'] as const) : []),
    ...lives,
    ...first.filter((hold) => !waits || hold !== 'stability'),
  ];
}

/** What is still done about a tree that is dead. */
const OF_THE_DEAD: readonly OperationKey[] = ['stability', 'postmortem', 'remove', 'replace', 'watch'];

/** A remedy that a dead tree has no use for. */
const left = ({ lookAgain: _, ...weighed }: Weighed): Weighed => ({
  ...weighed,
  advice: 'not',
  summary: 'Not for a dead tree.',
  why: ['It is dead'],
  quantities: [],
  missing: [],
});

/** Adds what the rule table says of a remedy on this tree. */
function completed(weighed: Weighed, s: Situation, all: readonly Weighed[]): Operation {
  const { against, window: months, risks, followUp } = REMEDIES[weighed.key];
  const window = windowHere(months, s);
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
    const weighed = remedy.weigh(s, ruledBy(remedy, s, before), before);
    return [
      ...before,
      s.verdict.alive.state === 'dead' && !OF_THE_DEAD.includes(key) ? left(weighed) : weighed,
    ];
  }, []);
  const rank = { do: 0, option: 1, not: 2 } as const;
  return all
    .map((o) => completed(o, s, all))
    .sort((a, b) => rank[a.advice] - rank[b.advice] || byOrderOfWork(a.key, b.key));
}
