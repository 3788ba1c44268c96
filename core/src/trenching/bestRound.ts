import { DEGREES, RADIANS, sumAt, wrap, type Candidate, type LayoutRules, type Zone } from './candidates';

/** What spokes are chosen by: the rules, the soil each opens, and the least angle between two, degrees. */
interface Ground {
  rules: LayoutRules;
  zone: Zone;
  reach: Float64Array;
  gap: number;
}

/** Whether two spokes keep the spacing where the shorter one ends. */
export function spaced(rules: LayoutRules, a: Candidate, b: Candidate, angle: number): boolean {
  const end = Math.min(a.to, b.to);
  return 2 * end * Math.sin(Math.min(90, angle / 2) * RADIANS) >= rules.outerSpacing - 1e-9;
}

/** Tight soil within reach of both of two spokes, the second `angle` degrees on from the first, m2. */
export function shared({ zone, reach }: Ground, a: Candidate, b: Candidate, angle: number): number {
  let sum = 0;
  const last = Math.min(a.rings[1], b.rings[1]);
  for (let k = Math.max(a.rings[0], b.rings[0]); k < last; k++) {
    const over = 2 * reach[k]! - angle;
    // Rings farther out share less and less.
    if (over <= 0) break;
    const begin = a.bearing + angle - reach[k]!;
    sum += sumAt(zone.sums[k]!, begin + over) - sumAt(zone.sums[k]!, begin);
  }
  return sum;
}

/**
 * Indices of the best choice of candidates in their order round the circle, each locked one among them.
 *
 * @param widest from this angle on two spokes share nothing and keep their spacing, degrees
 * @param start the bearing the round is counted from
 */
export function bestRound(
  list: readonly Candidate[],
  ground: Ground,
  widest: number,
  start: number,
): number[] {
  const { rules, gap } = ground;
  const n = list.length;
  if (n === 0) return [];
  const worth = list.map((c) => c.gain - rules.leastGain);
  const turn = list.map((c) => wrap(c.bearing - list[0]!.bearing));
  /** What two neighbours lose to each other; infinite where they stand too close. */
  const loss = (i: number, j: number): number => {
    const angle = wrap(list[j]!.bearing - list[i]!.bearing);
    if (angle >= widest && DEGREES - angle >= widest) return 0;
    const near = Math.min(angle, DEGREES - angle);
    if (near < gap - 1e-9 || !spaced(rules, list[i]!, list[j]!, near)) return Infinity;
    return shared(ground, list[i]!, list[j]!, angle);
  };
  const losses = new Float64Array(n * n).fill(NaN);
  const lossOf = (i: number, j: number) => {
    const key = i * n + j;
    if (Number.isNaN(losses[key]!)) losses[key] = loss(i, j);
    return losses[key]!;
  };
  const forced = list.flatMap((c, i) => (c.locked ? [i] : []));
  // Where nothing is locked, a best round has a spoke within `widest` of any candidate: else that one could be added.
  const firsts =
    forced.length > 0 ? [0] : list.flatMap((c, i) => (wrap(c.bearing - start) <= 2 * widest ? [i] : []));
  let best = -Infinity;
  let round: number[] = [];
  const value = new Float64Array(n);
  const before = new Int32Array(n);
  for (const f of firsts) {
    value.fill(-Infinity);
    before.fill(-1);
    value[f] = worth[f]!;
    // Best of those far enough back to share nothing, walked once; none before the last locked one.
    let far = f;
    let farBest = -1;
    for (let i = f + 1; i < n; i++) {
      if (list[i - 1]!.locked) {
        far = i - 1;
        farBest = -1;
      }
      for (; far < i && turn[i]! - turn[far]! >= widest; far++)
        if (farBest < 0 || value[far]! > value[farBest]!) farBest = far;
      if (farBest >= 0) {
        value[i] = value[farBest]! + worth[i]!;
        before[i] = farBest;
      }
      for (let j = far; j < i; j++) {
        if (value[j] === -Infinity) continue;
        const through = value[j]! - lossOf(j, i) + worth[i]!;
        if (through > value[i]!) {
          value[i] = through;
          before[i] = j;
        }
      }
    }
    const last = forced.at(-1) ?? f;
    for (let i = Math.max(last, f); i < n; i++) {
      if (value[i] === -Infinity) continue;
      const total = i === f ? value[i]! : value[i]! - lossOf(i, f);
      if (total > best + 1e-12) {
        best = total;
        round = [];
        for (let k = i; k >= 0; k = before[k]!) round.unshift(k);
      }
    }
  }
  return best > 0 || forced.length > 0 ? round : [];
}
