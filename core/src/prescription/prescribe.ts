import type { OperationKey } from '../vocabulary/operations';
import { rulesHolding } from './conditions';
import { excavateOperation } from './excavate';
import { drainOperation, fertiliserOperation, ringOperation } from './groundWork';
import { removeOperation, watchOperation } from './keepOrFell';
import { regradeOperation, treeWellOperation } from './lowerGround';
import { mulchOperation } from './mulch';
import { openSoilOperation } from './openSoil';
import { PASSIVE, type Operation, type Situation, type Weighed } from './operation';
import { pruneOperation } from './prune';
import { REMEDIES, REMEDY_SOURCE, type HoldKey } from './remedies';
import { replaceOperation } from './replace';
import { resetOperation } from './reset';
import { stabilityOperation } from './stability';
import { guardOperation, stakeOperation, tiesOperation } from './stemWork';
import { waterOperation } from './water';

export const PRESCRIPTION_ENGINE = 'operations-5';

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
    against: rulesHolding(against, s, all).map((r) => `${r.found}. ${r.why}`),
    first: holdsOf(weighed.key, s),
    ...(window && { window }),
    risks,
    followUp,
    source: REMEDY_SOURCE,
  };
}

/** Every remedy weighed for the tree; those advised first, each group in the order in which it is done. */
export function prescribe(s: Situation): Operation[] {
  const atRoots = [excavateOperation(s), pruneOperation(s), resetOperation(s), openSoilOperation(s)];
  const measured = [mulchOperation(s), ...atRoots, removeOperation(s)];
  const lower = [treeWellOperation(s, measured)];
  const byRule = [
    stabilityOperation(s),
    ...lower,
    regradeOperation(s, [...measured, ...lower]),
    ...[tiesOperation, ringOperation, drainOperation, stakeOperation, guardOperation].map((weigh) =>
      weigh(s, measured),
    ),
  ];
  const work = [...measured.filter((o) => o.key !== 'remove'), ...byRule];
  const all = [
    ...measured,
    ...byRule,
    waterOperation(s, atRoots),
    fertiliserOperation(s, measured),
    watchOperation(s, work),
    replaceOperation(s, measured),
  ];
  const rank = { do: 0, option: 1, not: 2 } as const;
  return all
    .map((o) => completed(o, s, all))
    .sort((a, b) => rank[a.advice] - rank[b.advice] || REMEDIES[a.key].order - REMEDIES[b.key].order);
}
