/** One tree of a cohort: what its own findings make of the odds that it has the fault. */
export interface Member {
  /** Factor on the odds, 1 where nothing was found; from the causal network. */
  factor: number;
  /** Dug or probed, so that little is left to learn from a dig. */
  examined: boolean;
}

export interface Pooled {
  /** Chance for each member, what the others showed and its own findings together. */
  chances: number[];
  /** Chance of each number of members with the fault, 0 to all. */
  number: number[];
  /** Share with the fault, mean and 90 % interval. */
  share: { value: number; lower: number; upper: number };
}

/** What planted-together trees share weighs as much as this many trees seen: little, so that they speak. Judgement. */
const STRENGTH = 2;
/** No finding is taken as beyond doubt. */
const MOST_FACTOR = 1000;

/** A factor on odds as a pair that adds up to one, so that products over many trees stay in range. */
const pairOf = (factor: number) => factor / (1 + factor);

/** How much weight all choices of m members carry: the factors of those chosen multiplied, over all choices. */
function choices(pairs: readonly number[]): number[] {
  const sums = [1, ...pairs.map(() => 0)];
  pairs.forEach((has, i) => {
    for (let m = i + 1; m > 0; m--) sums[m] = sums[m]! * (1 - has) + sums[m - 1]! * has;
    sums[0]! *= 1 - has;
  });
  return sums;
}

/**
 * B(a + m, b + n - m) / B(a, b) for m from 0 to n, by B(x + 1, y) / B(x, y + 1) = x / y. They are least in the middle:
 * each half is reckoned from its end, so that none is lost below the smallest number there is.
 */
function betaRatios(n: number, prior: number): number[] {
  const [a, b] = [STRENGTH * prior, STRENGTH * (1 - prior)];
  const ratios = new Array<number>(n + 1);
  let [none, all] = [1, 1];
  for (let i = 0; i < n; i++) {
    none *= (b + i) / (a + b + i);
    all *= (a + i) / (a + b + i);
  }
  ratios[n] = all;
  for (let m = n - 1; m > n / 2; m--) ratios[m] = (ratios[m + 1]! * (b + n - m - 1)) / (a + m);
  ratios[0] = none;
  for (let m = 1; m <= n / 2; m++) ratios[m] = (ratios[m - 1]! * (a + m - 1)) / (b + n - m);
  return ratios;
}

/** Weight of each number with the fault, the share itself integrated out (beta-binomial, the finite cohort counted). */
const weightsOf = (pairs: readonly number[], ratios: readonly number[]): number[] =>
  choices(pairs).map((sum, m) => sum * ratios[m]!);

const pairsOf = (members: readonly Member[]): number[] =>
  members.map((m) => pairOf(Math.min(MOST_FACTOR, Math.max(1 / MOST_FACTOR, m.factor))));

function numberOf(pairs: readonly number[], ratios: readonly number[]): number[] {
  const weights = weightsOf(pairs, ratios);
  const total = weights.reduce((x, y) => x + y, 0);
  return weights.map((w) => w / total);
}

/**
 * What trees planted together tell about one another: each has the fault or not, with a share that is itself unknown
 * (a beta prior about the chance the table gives a tree of which nothing is known). Exact sums over the number with the
 * fault (beta-binomial: J. G. Skellam 1948, from memory; the cohort is finite).
 *
 * @param prior chance for a tree of which nothing is known, 0 to 1
 * @throws RangeError for a prior outside 0 to 1
 */
export function pool(members: readonly Member[], prior: number): Pooled {
  if (!(prior > 0 && prior < 1)) throw new RangeError(`Prior ${prior}: allowed between 0 and 1.`);
  const pairs = pairsOf(members);
  const ratios = betaRatios(members.length, prior);
  const total = weightsOf(pairs, ratios).reduce((x, y) => x + y, 0);
  const number = numberOf(pairs, ratios);
  const chances = pairs.map((has, i) => {
    // With this one among those that have it: the others choose one fewer.
    const others = choices(pairs.filter((_, k) => k !== i));
    return others.reduce((sum, w, m) => sum + has * w * ratios[m + 1]!, 0) / total;
  });
  return { chances, number, share: shareOf(number) };
}

function shareOf(number: readonly number[]): Pooled['share'] {
  const n = Math.max(1, number.length - 1);
  const at = (q: number) => {
    let below = 0;
    for (let m = 0; m < number.length; m++) {
      below += number[m]!;
      if (below >= q - 1e-12) return m / n;
    }
    return 1;
  };
  return {
    value: number.reduce((sum, p, m) => sum + (p * m) / n, 0),
    lower: at(0.05),
    upper: at(0.95),
  };
}

/**
 * How many more have to be dug to be sure, to `sure`, whether at least a share has the fault or fewer; counted so that
 * it comes to that with the same sureness. The undug are taken alike, their own findings left aside.
 *
 * @param found how many of those dug have it
 * @param dug how many were dug
 * @param size of the cohort
 * @returns 0 when it is known already; undefined when even digging all but one does not make it so likely
 */
export function digsNeeded(
  given: { found: number; dug: number; size: number; prior: number },
  share: number,
  sure = 0.9,
): number | undefined {
  const { found, dug, size, prior } = given;
  const left = size - dug;
  const after = (k: number, d: number) => {
    const rest = left - d;
    const weights = weightsAlike(rest, found + k, dug + d - found - k, prior);
    const atLeast = weights.reduce(
      (sum, w, m) => ((found + k + m) / size >= share - 1e-12 ? sum + w : sum),
      0,
    );
    return atLeast >= sure || 1 - atLeast >= sure;
  };
  for (let d = 0; d <= left; d++) {
    const outcome = weightsAlike(d, found, dug - found, prior);
    const chance = outcome.reduce((sum, w, k) => (after(k, d) ? sum + w : sum), 0);
    if (chance >= sure - 1e-12) return d;
  }
  return undefined;
}

/** Chance of each number with the fault among `n` more trees after `yes` and `no` were found (beta-binomial). */
export function weightsAlike(n: number, yes: number, no: number, prior: number): number[] {
  const [a, b] = [STRENGTH * prior + yes, STRENGTH * (1 - prior) + no];
  // Each from its neighbour, outward from the mean; they add up to one.
  const chances = new Array<number>(n + 1).fill(1);
  const mean = Math.round((n * a) / (a + b));
  for (let m = mean; m < n; m++)
    chances[m + 1] = (chances[m]! * (n - m) * (a + m)) / ((m + 1) * (b + n - m - 1));
  for (let m = mean; m > 0; m--)
    chances[m - 1] = (chances[m]! * m * (b + n - m)) / ((n - m + 1) * (a + m - 1));
  const total = chances.reduce((x, y) => x + y, 0);
  return chances.map((chance) => chance / total);
}

/**
 * Which tree to dig next: whose dig is expected to leave least unknown of the others, by the variance of the number
 * with the fault that remains.
 *
 * @returns index into members; undefined when all were examined
 */
export function digNext(members: readonly Member[], prior: number): number | undefined {
  const { chances } = pool(members, prior);
  const ratios = betaRatios(members.length, prior);
  const spread = (changed: readonly Member[]) => {
    const number = numberOf(pairsOf(changed), ratios);
    const mean = number.reduce((sum, p, m) => sum + p * m, 0);
    return number.reduce((sum, p, m) => sum + p * (m - mean) ** 2, 0);
  };
  let best: number | undefined;
  let least = Infinity;
  members.forEach((member, i) => {
    if (member.examined) return;
    const dug = (factor: number) => members.map((m, k) => (k === i ? { factor, examined: true } : m));
    const left = chances[i]! * spread(dug(MOST_FACTOR)) + (1 - chances[i]!) * spread(dug(1 / MOST_FACTOR));
    if (left < least - 1e-12) {
      least = left;
      best = i;
    }
  });
  return best;
}
