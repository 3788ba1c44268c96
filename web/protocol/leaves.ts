import type { Picture } from '@undrel/core/records';

export type Leaves = NonNullable<Picture['leaves']>;

/** Whose leaves lie on the leaf sheet. */
export const LEAF_WORDS: Record<Leaves['of'], string> = {
  tree: 'Of this tree',
  reference: 'Of the reference tree',
};

/** Less than this the veins of leaves do not stand out to an eye: nothing is said of them. Judgement. */
const STANDS_OUT = 0.03;

/** The colour of leaves as it was measured, in words. */
export const leavesTold = ({ of, index, error, spread, count, veins }: Leaves): string => {
  const told = `Dark green colour index ${index.toFixed(2)} ± ${(1.645 * error).toFixed(2)}, ${count} leaves of ${of === 'tree' ? 'this tree' : 'the reference tree'} (standard deviation ${spread.toFixed(2)}).`;
  return veins && veins.index >= STANDS_OUT
    ? `${told} Veins greener than the blade by ${veins.index.toFixed(2)} ± ${(1.645 * veins.error).toFixed(2)}.`
    : told;
};
