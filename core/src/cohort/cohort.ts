import { chanceWords } from '../units/share';
import { byLabel } from '../labels';
import type { Tree } from '../records';
import { type CauseKey, CAUSES } from '../vocabulary/causes';
import { type Verdict } from '../diagnosis';
import { digNext, digsNeeded, pool, type Member, type Pooled } from './pooling';

/** Faults that come with the planting, and what shows them for certain. */
export const SHARED_FAULTS = ['plantedDeep', 'containerRoots', 'confinedHole', 'barrier'] as const;
export type SharedFault = (typeof SHARED_FAULTS)[number];

/** Fewer trees than this tell nothing of one another. */
export const LEAST_MEMBERS = 3;

/** Trees that seem to have been planted together. */
export interface Proposal {
  /** Same year, stock and planter, as a name. */
  name: string;
  ids: string[];
}

/**
 * Trees of one year, stock and planter, where no cohort was confirmed yet; trees without a year are in none.
 *
 * @param trees of one property
 */
export function proposeCohorts(trees: readonly (Tree & { id: string; cohort?: string })[]): Proposal[] {
  const groups = new Map<string, string[]>();
  for (const tree of trees) {
    if (tree.cohort !== undefined || tree.plantedYear === undefined) continue;
    const name = [String(tree.plantedYear), tree.stock, tree.planter && `by ${tree.planter}`]
      .filter(Boolean)
      .join(', ');
    groups.set(name, [...(groups.get(name) ?? []), tree.id]);
  }
  return [...groups]
    .filter(([, ids]) => ids.length >= LEAST_MEMBERS)
    .map(([name, ids]) => ({ name, ids }))
    .sort((a, b) => b.ids.length - a.ids.length);
}

/** A tree of a cohort as it was seen; without a verdict it was not visited. */
export interface CohortTree {
  id: string;
  label: string;
  verdict?: Verdict;
  /** The collar was probed, or the tree dug. */
  probed: boolean;
  dug: boolean;
}

export interface CohortReading {
  fault: SharedFault;
  label: string;
  pooled: Pooled;
  trees: (CohortTree & { chance: number; own: number; examined: boolean })[];
  examined: number;
  /** How many of those examined have it, taken as likely. */
  found: number;
  /** How many more to be sure whether at least half, or at least a quarter, have it. */
  digs: { share: number; more: number | undefined }[];
  next?: { id: string; label: string };
  summary: string;
}

/** What the trees of a cohort tell of one fault that came with the planting. */
export function readCohort(trees: readonly CohortTree[], fault: SharedFault, prior: number): CohortReading {
  const examinedOf = (t: CohortTree) => t.dug || (fault === 'plantedDeep' && t.probed);
  const own = trees.map((t) => t.verdict?.causes.find((c) => c.cause === (fault as CauseKey)));
  const members = trees.map((t, i): Member => {
    const mine = own[i];
    const odds = (p: number) => p / (1 - p);
    return {
      factor: mine ? odds(Math.min(1 - 1e-9, Math.max(1e-9, mine.probability))) / odds(mine.prior) : 1,
      examined: examinedOf(t),
    };
  });
  const pooled = pool(members, prior);
  const examined = members.filter((m) => m.examined).length;
  const found = members.filter((m, i) => m.examined && pooled.chances[i]! >= 0.5).length;
  const at = digNext(members, prior);
  const { value, lower, upper } = pooled.share;
  const label = CAUSES[fault].label;
  const dead = trees.filter((t) => t.verdict?.alive.state === 'dead').length;
  return {
    fault,
    label,
    pooled,
    trees: trees
      .map((t, i) => ({
        ...t,
        chance: pooled.chances[i]!,
        own: own[i]?.probability ?? prior,
        examined: examinedOf(t),
      }))
      .sort((a, b) => b.chance - a.chance || byLabel(a.label, b.label)),
    examined,
    found,
    digs: [0.25, 0.5].map((share) => ({
      share,
      more: digsNeeded({ found, dug: examined, size: trees.length, prior }, share),
    })),
    next: at === undefined ? undefined : { id: trees[at]!.id, label: trees[at]!.label },
    summary: `${label}: ${chanceWords(value)} of the ${trees.length} (${chanceWords(lower)} to ${chanceWords(upper)}); ${examined} examined, ${found} of them with it.${dead > 0 ? ` ${dead} ${dead === 1 ? 'is' : 'are'} dead.` : ''}`,
  };
}
