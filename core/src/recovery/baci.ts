import jStat from 'jstat';

/** What a work changed, as far as a few seasons before and after it tell. */
export interface BeforeAfter {
  /** After less before, on the scale of what was given. */
  change: number;
  /** 90 % of the chance lies between them. */
  lower: number;
  upper: number;
  /** Spread of it as one standard deviation, and the degrees of freedom of its t distribution. */
  spread: number;
  freedom: number;
  before: number;
  after: number;
}

/** Prior of the variance of one season as an inverse gamma: its standard deviation, known as from so many seasons. Judgement. */
export interface Scatter {
  deviation: number;
  seasons: number;
}

const mean = (xs: readonly number[]): number => xs.reduce((sum, x) => sum + x, 0) / xs.length;
const squares = (xs: readonly number[]): number => {
  const m = mean(xs);
  return xs.reduce((sum, x) => sum + (x - m) ** 2, 0);
};

/**
 * The change of the mean from the seasons before a work to those after it. Given the differences of the treated tree and its reference tree, season by season,
 * it is the before-after-control-impact comparison of A. Stewart-Oaten, W. W. Murdoch and K. R. Parker, Environmental
 * impact assessment: "pseudoreplication" in time?, Ecology 67, 1986, 929-940: what befalls both trees drops out. The
 * posterior is exact: flat in both means, inverse gamma in the variance, so a t distribution.
 *
 * @param before @param after one value a season; at least one each
 * @returns undefined where either is empty
 */
export function beforeAfter(
  before: readonly number[],
  after: readonly number[],
  prior: Scatter,
): BeforeAfter | undefined {
  if (before.length === 0 || after.length === 0) return undefined;
  const freedom = prior.seasons + Math.max(0, before.length + after.length - 2);
  const variance = (prior.seasons * prior.deviation ** 2 + squares(before) + squares(after)) / freedom;
  const spread = Math.sqrt(variance * (1 / before.length + 1 / after.length));
  const change = mean(after) - mean(before);
  const reach = spread * jStat.studentt.inv(0.95, freedom);
  return {
    change,
    lower: change - reach,
    upper: change + reach,
    spread,
    freedom,
    before: before.length,
    after: after.length,
  };
}

/** How often a remedy worked: the share with the 90 % band of Jeffreys (H. Jeffreys, 1946; beta of a half each). */
export function shareOf(worked: number, judged: number): { share: number; lower: number; upper: number } {
  const [a, b] = [worked + 0.5, judged - worked + 0.5];
  return {
    share: judged === 0 ? 0.5 : worked / judged,
    lower: worked === 0 ? 0 : jStat.beta.inv(0.05, a, b),
    upper: worked === judged ? 1 : jStat.beta.inv(0.95, a, b),
  };
}
