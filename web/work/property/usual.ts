import { isLargeDig, type LargeTree } from '../../protocol/heavy';
import type { TreeSource } from '../offers/treeWork';

/** Trees that a list works out, and those whose digs are so large that only their own pages do: one would hold up all others. */
export function usualOf(sources: readonly TreeSource[]): { usual: TreeSource[]; large: LargeTree[] } {
  const isLarge = ({ source }: TreeSource) => source.visits.some(({ dig }) => dig && isLargeDig(dig.roots));
  return {
    usual: sources.filter((s) => !isLarge(s)),
    large: sources.filter(isLarge).map(({ id, source }) => ({ id, label: source.tree.label })),
  };
}
