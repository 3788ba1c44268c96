import { isAnchor, isDrawn, isMapped, readDig, type DigReading } from '../roots';
import type { Situation } from './operation';

/** The dig of a visit read once; undefined without a mapped root. */
export const dugOf = ({ tree, visit }: Pick<Situation, 'tree' | 'visit'>): DigReading | undefined =>
  visit.dig && isMapped(visit.dig) ? readDig(tree, visit.dig) : undefined;

/** Sound anchors that a dig holds; undefined without a mapped root. They are counted, which needs no reading. */
export const anchorsOf = ({ visit: { dig } }: Pick<Situation, 'visit'>): number | undefined =>
  dig && isMapped(dig) ? dig.roots.filter((root) => isDrawn(root) && isAnchor(root)).length : undefined;
