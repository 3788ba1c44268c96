import type { Picture } from '@undrel/core/records';

export type Leaves = NonNullable<Picture['leaves']>;

/** Whose leaves lie on the leaf sheet. */
export const LEAF_WORDS: Record<Leaves['of'], string> = {
  tree: 'Of this tree',
  reference: 'Of the reference tree',
};

/** The colour of leaves as it was measured, in words. */
export const leavesTold = ({ of, index, error, spread, count }: Leaves): string =>
  `Dark green colour index ${index.toFixed(2)} ± ${(1.645 * error).toFixed(2)}, ${count} leaves ${of === 'tree' ? 'of this tree' : 'of the reference tree'} that differ by ${spread.toFixed(2)}.`;
