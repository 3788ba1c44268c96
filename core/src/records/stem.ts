import type { Tree } from './tree';

/** Radius of the stem at the base, m; DBH stands in where the base was not measured. */
export function stemRadius(tree: Pick<Tree, 'stemDiameter' | 'dbh'>): number | undefined {
  const diameter = tree.stemDiameter ?? tree.dbh;
  return diameter === undefined ? undefined : diameter / 2;
}
