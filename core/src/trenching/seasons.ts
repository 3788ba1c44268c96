import type { Tree } from '../records';
import type { SchoolInForce } from '../practice';
import { percent } from '../units/share';
import { LIMITS, TRENCH_LIMITS } from '../practice';

/**
 * Over how many seasons the spokes go, by the school followed; an old or failing tree is dug a tenth at a time unless a
 * school was chosen.
 *
 * @param shares of the root zone, spoke by spoke round the stem
 */
export function pacedBy(
  { tree, date, pace, stressed }: { tree: Tree; date: string; pace: SchoolInForce; stressed: boolean },
  shares: readonly number[],
): { seasons: number; seasonOf: (i: number) => number; allowedAtOnce: number; why: string } {
  const age = tree.plantedYear === undefined ? undefined : Number(date.slice(0, 4)) - tree.plantedYear;
  const old = age !== undefined && age >= LIMITS.oldTreeYears.value;
  const gentle = pace.chosenBy === 'default' && (stressed || old);
  const { value } = stressed ? TRENCH_LIMITS.stressedAtOnce : TRENCH_LIMITS.disturbedAtOnce;
  const given = gentle ? undefined : pace.values?.seasons;
  if (given !== undefined) {
    const seasons = Math.max(1, Math.min(given, shares.length));
    const seasonOf = inTurns(shares.length, seasons);
    return { seasons, seasonOf, allowedAtOnce: value, why: `over time: ${pace.label}` };
  }
  const why = gentle
    ? `over time: ${percent(value)} of the root zone a season, for ${stressed ? 'it is failing' : 'it is old'}`
    : `over time: ${pace.label}`;
  return { ...seasonsFor(shares, value), allowedAtOnce: value, why };
}

/** Neighbours go together, and with those across the stem: no side is dug all at once. */
const inTurns =
  (n: number, seasons: number) =>
  (i: number): number =>
    1 + (Math.floor((2 * seasons * i) / n) % seasons);

function dugIn(shares: readonly number[], seasons: number, seasonOf: (i: number) => number): number[] {
  const dug = new Array<number>(seasons).fill(0);
  shares.forEach((share, i) => (dug[seasonOf(i) - 1]! += share));
  return dug;
}

/**
 * Spreads spokes over as few seasons as keep each within its share.
 *
 * @param shares of the root zone, spoke by spoke round the stem
 */
function seasonsFor(
  shares: readonly number[],
  allowed: number,
): { seasons: number; seasonOf: (i: number) => number } {
  const n = shares.length;
  const all = shares.reduce((a, b) => a + b, 0);
  for (let seasons = Math.max(1, Math.min(n, Math.ceil(all / allowed - 1e-9))); ; seasons++) {
    const seasonOf = inTurns(n, seasons);
    if (seasons >= n || Math.max(...dugIn(shares, seasons, seasonOf)) <= allowed + 1e-9)
      return { seasons, seasonOf };
  }
}
