import { LIMITS } from '../practice';
import type { GroundVerdict } from '../soil/verdict';
import { litresOf, type BalanceDay, type RootZone } from './balance';

/** Water given that the roots could not hold. */
export interface TooMuch {
  /** Litres given this year, and of them those that drained below the roots or stand about them. */
  given: number;
  wasted: number;
  /** Days on which more was given than was missing. */
  days: number;
  /** The ground lets none of it out: it stands about the roots. */
  stands: boolean;
}

/**
 * Whether a tree got more water than its roots can hold. A store that is full lets the rest through; in a planting hole or
 * in tight ground the rest stays, and any of it does harm.
 *
 * @param days the balance of the year until today, with what was given
 * @param tight the ground as it was measured, where it lets no water out
 * @returns undefined where what was given was drawn, or nearly all of it
 */
export function tooMuchOf(
  zone: Pick<RootZone, 'area'>,
  days: readonly BalanceDay[],
  tight: GroundVerdict | undefined,
): TooMuch | undefined {
  const watered = days.filter((d) => d.given > 0);
  const given = watered.reduce((sum, d) => sum + d.given, 0);
  const over = watered.filter((d) => d.drained > 0);
  const wasted = over.reduce((sum, d) => sum + Math.min(d.given, d.drained), 0);
  const stands = tight !== undefined;
  if (wasted <= (stands ? 0 : LIMITS.tooMuchWater.value * given)) return undefined;
  return { given: litresOf(zone, given), wasted: litresOf(zone, wasted), days: over.length, stands };
}
