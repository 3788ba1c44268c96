import { normalBelow } from '../geometry/normal';

/** One year of a series that is reckoned on the scale of logarithms: a fall by half is as far at any vigour. */
export interface YearLevel {
  year: number;
  /** Natural logarithm of the length. */
  level: number;
  /** How many shoots it rests on; more weigh more, a discounted year less. */
  weight: number;
}

export interface ChangeReading {
  years: number[];
  /** Chance of no change, one, two and three. */
  count: number[];
  /** For each year: chance that a lower, or a higher, level begins with it. */
  fell: number[];
  rose: number[];
  /** The same if there is exactly one change, either way; adds up to one. */
  single: number[];
  /** Chance that the level fell at all. */
  fellAtAll: number;
  /** The years, as few as can be, that hold 80 % of the chance of the fall; and the most likely of them. */
  when?: { from: number; to: number; best: number };
  /** New level as a share of the old, if there was one change, with the 80 % interval. */
  ratio?: { value: number; lower: number; upper: number };
}

/** With so few years no change can be told from chance. */
export const YEARS_NEEDED = 5;
/** A level holds for two years at least: one poor year is weather. Common practice, no source. */
const LEAST_YEARS = 2;
const MOST_CHANGES = 3;
/** Before anything is read: none is as likely as any, each further change half as likely as the one before. */
const BY_COUNT = [8, 4, 2, 1].map((w) => w / 15);
/** Prior of a level about the mean of the series, in variances of a year: wide, so that it hardly pulls. */
const WIDTH = 10;
/** Inverse gamma of the variance: years scatter by about a sixth, known as from four. Common practice, no source. */
const SHAPE = 2;
const SCALE = SHAPE * 0.16 ** 2;
const HELD = 0.8;
/** Levels nearer than this on the scale of logarithms are one level: rounding must not make a fall. */
const SAME = 1e-9;

interface Segment {
  /** Log of what the segment adds to the marginal likelihood beside its squares. */
  factor: number;
  squares: number;
  mean: number;
  /** Posterior variance of the mean, in variances of a year. */
  spread: number;
}

/**
 * When did the level change? Every way to cut the years into up to four levels is weighed, exactly: levels and variance
 * are integrated out (normal with inverse-gamma variance; D. Barry and J. A. Hartigan, A Bayesian analysis for change
 * point problems, 1993, for the partition model; from memory).
 *
 * @param series in any order, one entry a year
 * @returns undefined with fewer than {@link YEARS_NEEDED} years
 */
export function changePoints(series: readonly YearLevel[]): ChangeReading | undefined {
  const rows = [...series].sort((a, b) => a.year - b.year);
  const n = rows.length;
  if (n < YEARS_NEEDED) return undefined;
  const segments = segmentsOf(rows);
  const logs: number[] = [];
  const cuts: number[][] = [];
  const ways = waysByCount(n);
  const visit = (from: number, chosen: number[], factor: number, squares: number) => {
    const last = segments[from]![n]!;
    const log =
      Math.log(BY_COUNT[chosen.length]! / ways[chosen.length]!) +
      factor +
      last.factor -
      (SHAPE + n / 2) * Math.log(SCALE + (squares + last.squares) / 2);
    logs.push(log);
    cuts.push(chosen);
    if (chosen.length === MOST_CHANGES) return;
    for (let to = from + LEAST_YEARS; to <= n - LEAST_YEARS; to++) {
      const next = segments[from]![to]!;
      visit(to, [...chosen, to], factor + next.factor, squares + next.squares);
    }
  };
  visit(0, [], 0, 0);
  const most = logs.reduce((a, b) => Math.max(a, b), -Infinity);
  const weights = logs.map((l) => Math.exp(l - most));
  const total = weights.reduce((a, b) => a + b, 0);
  const count = Array.from({ length: MOST_CHANGES + 1 }, () => 0);
  const [fell, rose, single] = [0, 1, 2].map(() => Array.from({ length: n }, () => 0)) as [
    number[],
    number[],
    number[],
  ];
  let fellAtAll = 0;
  weights.forEach((weight, p) => {
    const chosen = cuts[p]!;
    const share = weight / total;
    count[chosen.length]! += share;
    let falls = false;
    chosen.forEach((at, k) => {
      const before = segments[chosen[k - 1] ?? 0]![at]!.mean;
      const after = segments[at]![chosen[k + 1] ?? n]!.mean;
      const lower = before - after > SAME;
      if (lower) falls = true;
      (lower ? fell : rose)[at]! += share;
    });
    if (falls) fellAtAll += share;
    if (chosen.length === 1) single[chosen[0]!]! += share;
  });
  const one = count[1]!;
  const years = rows.map((r) => r.year);
  const alone = single.map((s) => s / one);
  return {
    years,
    count,
    fell,
    rose,
    single: alone,
    fellAtAll,
    when: shortest(years, fell),
    ratio: ratioOf(segments, alone, n),
  };
}

/** In how many ways n years can be cut into levels of at least two, by the number of cuts. */
function waysByCount(n: number): number[] {
  const choose = (a: number, b: number): number =>
    b < 0 || b > a ? 0 : b === 0 ? 1 : (choose(a - 1, b - 1) * a) / b;
  return Array.from({ length: MOST_CHANGES + 1 }, (_, k) => choose(n - (k + 1) * LEAST_YEARS + k, k));
}

/** Every stretch of years as one level: `segments[from][to]`, `to` not included. */
function segmentsOf(rows: readonly YearLevel[]): Segment[][] {
  const weightOfAll = rows.reduce((sum, r) => sum + r.weight, 0);
  const centre = rows.reduce((sum, r) => sum + r.weight * r.level, 0) / weightOfAll;
  return rows.map((_, from) => {
    const to: Segment[] = [];
    let [w, wx, wxx] = [0, 0, 0];
    for (let i = from; i < rows.length; i++) {
      const { weight, level } = rows[i]!;
      const x = level - centre;
      w += weight;
      wx += weight * x;
      wxx += weight * x * x;
      const spread = WIDTH / (1 + WIDTH * w);
      to[i + 1] = {
        factor: -0.5 * Math.log(1 + WIDTH * w),
        squares: wxx - spread * wx * wx,
        mean: spread * wx,
        spread,
      };
    }
    return to;
  });
}

/** The shortest run of years that holds most of the chance of a fall. */
function shortest(years: readonly number[], fell: readonly number[]): ChangeReading['when'] {
  const all = fell.reduce((a, b) => a + b, 0);
  if (all <= 0) return undefined;
  let found: [number, number] = [0, years.length - 1];
  for (let i = 0; i < years.length; i++) {
    let held = 0;
    for (let j = i; j < years.length; j++) {
      held += fell[j]!;
      if (held < HELD * all) continue;
      if (years[j]! - years[i]! < years[found[1]]! - years[found[0]]!) found = [i, j];
      break;
    }
  }
  const best = fell.indexOf(Math.max(...fell));
  return { from: years[found[0]]!, to: years[found[1]]!, best: years[best]! };
}

/** How far the level moved, over all places of one change: a mixture, its quantiles by halving. */
function ratioOf(segments: Segment[][], single: readonly number[], n: number): ChangeReading['ratio'] {
  const parts = single.flatMap((chance, at) => {
    if (chance < 1e-9) return [];
    const [before, after] = [segments[0]![at]!, segments[at]![n]!];
    const freedom = 2 * SHAPE + n;
    const variance = (2 * SCALE + before.squares + after.squares) / freedom;
    // Student's t of that many degrees of freedom, at least nine, taken as a normal of the same variance.
    const sd = Math.sqrt((variance * (before.spread + after.spread) * freedom) / (freedom - 2));
    return [{ chance, mean: after.mean - before.mean, sd }];
  });
  if (parts.length === 0) return undefined;
  const below = (x: number) => parts.reduce((sum, p) => sum + p.chance * normalBelow((x - p.mean) / p.sd), 0);
  const quantile = (q: number) => {
    let [low, high] = [-10, 10];
    for (let i = 0; i < 60; i++) {
      const middle = (low + high) / 2;
      if (below(middle) < q) low = middle;
      else high = middle;
    }
    return low;
  };
  return {
    value: Math.exp(quantile(0.5)),
    lower: Math.exp(quantile((1 - HELD) / 2)),
    upper: Math.exp(quantile((1 + HELD) / 2)),
  };
}
