import type { Situation, Weighed } from './operation';
import type { RemedyRules } from './rules';
import type { Ruled } from './ruled';

/** One remedy: when it is called for, and what it comes to on a tree. */
export interface Remedy extends RemedyRules {
  /**
   * Its amounts, method, cautions and acceptance.
   *
   * @param ruled what its rules say
   * @param before remedies that were weighed before it, in the order of `remedies/index.ts`
   */
  weigh(s: Situation, ruled: Ruled, before: readonly Weighed[]): Weighed;
}
