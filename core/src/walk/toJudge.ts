import type { Visit } from '../records';
import { byDay } from '../vocabulary/dates';

type Readings = Pick<Visit, 'date' | 'walk' | 'profiles' | 'probes' | 'dig'>;

/** A visit of a walk-round that nothing was measured at since: it adds to the visit before, and replaces nothing. */
export const isWalk = (visit: Readings): boolean =>
  visit.walk === true && visit.profiles.length === 0 && visit.probes.length === 0 && visit.dig === undefined;

/** The visit a tree is judged by: the newest that is more than a walk-round; that of a walk-round where there is no other. */
export function visitToJudge<V extends Readings>(visits: readonly V[]): V | undefined {
  const newestFirst = [...visits].sort((a, b) => byDay(b.date, a.date));
  return newestFirst.find((v) => !isWalk(v)) ?? newestFirst[0];
}
