import { LIMITS } from '../practice/limits';
import { answerTo } from '../questions/question';
import type { LEAVES_OF, Picture, Visit } from '../records';

type Leaves = NonNullable<Picture['leaves']>;

/** The colour of leaves that was measured last on pictures of a visit, of the tree or of its reference. */
export const leavesOf = (
  { pictures }: Pick<Visit, 'pictures'>,
  whose: (typeof LEAVES_OF)[number],
): Leaves | undefined => pictures?.flatMap(({ leaves }) => (leaves?.of === whose ? [leaves] : [])).at(-1);

/**
 * Scorched margins are for the eye, and green veins where no picture measured them: where it saw them, what was measured does
 * not stand in their place.
 */
export function seenByEye(visit: Pick<Visit, 'findings' | 'pictures'>): boolean {
  const seen = answerTo(visit.findings, 'crown.colour')?.answer;
  return seen === 'scorched' || (seen === 'veins' && !leavesOf(visit, 'tree')?.veins);
}

/** Leaves of a tree beside those of its reference, where both were measured and the eye saw nothing that goes before. */
export function measuredLeaves(
  visit: Pick<Visit, 'findings' | 'pictures'>,
): { tree: Leaves; reference: Leaves } | undefined {
  const [tree, reference] = [leavesOf(visit, 'tree'), leavesOf(visit, 'reference')];
  return tree && reference && !seenByEye(visit) ? { tree, reference } : undefined;
}

/**
 * The leaf colour of a visit as one answer: by what was measured where that counts, else by the eye.
 *
 * @param sure leaves out what the eye was not sure of
 */
export function leafColour(visit: Pick<Visit, 'findings' | 'pictures'>, sure = false): string | undefined {
  const measured = measuredLeaves(visit);
  if (measured) {
    if (measured.reference.index - measured.tree.index < LIMITS.leafPaler.value) return 'good';
    return (measured.tree.veins?.index ?? 0) >= LIMITS.veinsGreener.value ? 'veins' : 'pale';
  }
  const seen = answerTo(visit.findings, 'crown.colour');
  return sure && seen?.unsure ? undefined : seen?.answer;
}
