import { isAnchor, isMapped, readDig, type DigReading } from '../roots';
import type { Situation } from './operation';

/** The dig of a visit read once; undefined without a mapped root. */
export const dugOf = ({ tree, visit }: Pick<Situation, 'tree' | 'visit'>): DigReading | undefined =>
  visit.dig && isMapped(visit.dig) ? readDig(tree, visit.dig) : undefined;

/** Sound anchors that a dig holds; undefined without one. */
export const anchorsOf = (s: Situation): number | undefined =>
  dugOf(s)?.roots.filter((r) => isAnchor(r.root)).length;
