/** So many places are tried in every order, by dynamic programming; more are put in order by exchanges that save. */
const EXACT = 11;
const SAVES = 1e-9;

/** The way between two places, by their numbers; the same both ways. */
export type Way = (a: number, b: number) => number;

/** Length of a round through places in an order and back to the first. */
export const lengthOfRound = (order: readonly number[], way: Way): number =>
  order.reduce((sum, place, i) => sum + way(place, order[(i + 1) % order.length]!), 0);

/** The shortest round by the method of Held and Karp (1962): the best way through each set of places to each of its places. */
function exact(count: number, way: Way): number[] {
  const rest = count - 1;
  const sets = 1 << rest;
  const cost = new Float64Array(sets * rest).fill(Infinity);
  const from = new Int8Array(sets * rest).fill(-1);
  for (let j = 0; j < rest; j++) cost[(1 << j) * rest + j] = way(0, j + 1);
  for (let set = 1; set < sets; set++)
    for (let last = 0; last < rest; last++) {
      const so = cost[set * rest + last]!;
      if (so === Infinity) continue;
      for (let next = 0; next < rest; next++) {
        if (set & (1 << next)) continue;
        const at = (set | (1 << next)) * rest + next;
        const then = so + way(last + 1, next + 1);
        if (then < cost[at]!) {
          cost[at] = then;
          from[at] = last;
        }
      }
    }
  let set = sets - 1;
  let last = 0;
  let least = Infinity;
  for (let j = 0; j < rest; j++) {
    const whole = cost[set * rest + j]! + way(j + 1, 0);
    if (whole < least) [least, last] = [whole, j];
  }
  const order: number[] = [];
  while (last >= 0) {
    order.unshift(last + 1);
    const before = from[set * rest + last]!;
    set &= ~(1 << last);
    last = before;
  }
  return [0, ...order];
}

/** The next place is always the nearest left. */
function nearestFirst(count: number, way: Way): number[] {
  const order = [0];
  const left = new Set(Array.from({ length: count - 1 }, (_, i) => i + 1));
  while (left.size > 0) {
    const here = order.at(-1)!;
    let next = -1;
    for (const place of left) if (next < 0 || way(here, place) < way(here, next)) next = place;
    left.delete(next);
    order.push(next);
  }
  return order;
}

/** Turns a piece of the round about wherever that saves, until nothing does (2-opt). */
function turned(order: number[], way: Way): boolean {
  let better = false;
  for (let i = 0; i < order.length - 1; i++)
    for (let j = i + 1; j < order.length; j++) {
      const [a, b] = [order[i]!, order[i + 1]!];
      const [c, d] = [order[j]!, order[(j + 1) % order.length]!];
      if (a === d) continue;
      if (way(a, c) + way(b, d) >= way(a, b) + way(c, d) - SAVES) continue;
      order.splice(i + 1, j - i, ...order.slice(i + 1, j + 1).reverse());
      better = true;
    }
  return better;
}

/** Puts single places elsewhere in the round wherever that saves (Or-opt). */
function moved(order: number[], way: Way): boolean {
  let better = false;
  for (let i = 1; i < order.length; i++) {
    const place = order[i]!;
    const [before, after] = [order[i - 1]!, order[(i + 1) % order.length]!];
    const saved = way(before, place) + way(place, after) - way(before, after);
    const without = order.filter((p) => p !== place);
    let best = -1;
    let least = saved - SAVES;
    without.forEach((p, k) => {
      const q = without[(k + 1) % without.length]!;
      const adds = way(p, place) + way(place, q) - way(p, q);
      if (adds < least) [least, best] = [adds, k];
    });
    if (best < 0) continue;
    without.splice(best + 1, 0, place);
    order.splice(0, order.length, ...without);
    better = true;
  }
  return better;
}

/**
 * A short round through some places and back, beginning at place 0: the shortest of all up to eleven places, above that one
 * that no turn of a piece and no moving of one place makes shorter.
 *
 * @param count of places
 * @param way how far it is between two of them, in any unit
 * @returns the numbers of the places, in order
 */
export function shortestRound(count: number, way: Way): number[] {
  if (count <= 3) return Array.from({ length: count }, (_, i) => i);
  if (count <= EXACT) return exact(count, way);
  const order = nearestFirst(count, way);
  // The first place stays where it is: turns and moves leave it alone.
  while (turned(order, way) || moved(order, way));
  return order;
}

/** A short way through some places that ends anywhere: a round through a place more, that is near to all. */
export function shortestWay(count: number, way: Way): number[] {
  return shortestRound(count + 1, (a, b) => (a === 0 || b === 0 ? 0 : way(a - 1, b - 1)))
    .slice(1)
    .map((place) => place - 1);
}
