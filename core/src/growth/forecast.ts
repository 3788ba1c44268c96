import type { Barrier } from '../records';
import { isAnchor, type DigReading } from '../roots';
import { between, closingOf, FOLLOWED, ratioPlace, type Closing } from './closing';
import { logNormal, normalFrom, seeded } from './random';
import { rootRate, type StemRate } from './rates';

export const HORIZON = 30;
/** Shares of the circumference whose year is told. */
export const THRESHOLDS = [0.25, 0.5, 0.75] as const;

/** What is done: for each root cut, the years from now. Empty: nothing. */
export interface Scenario {
  name: string;
  cuts: Readonly<Record<string, number>>;
}

/** Years from now with their 10-90 % band; undefined ends lie beyond the horizon. */
export interface YearBand {
  p10: number | undefined;
  p50: number | undefined;
  p90: number | undefined;
}

export interface ScenarioForecast {
  name: string;
  cuts: Readonly<Record<string, number>>;
  /** Share girdled in each year from 0 to {@link HORIZON}. */
  p10: number[];
  p50: number[];
  p90: number[];
  reach: { threshold: number; year: YearBand; within5: number; within10: number }[];
}

export interface Forecast {
  scenarios: ScenarioForecast[];
  /** Root by root, the year in which it first presses on the bark. */
  touches: { label: string; year: YearBand }[];
  /** Pairs of roots one of which is an anchor: the year in which one begins to bury itself in the other. */
  buries: { a: string; b: string; year: YearBand }[];
  barriers: { kind: Barrier['kind']; diameter: number; year: YearBand }[];
  /** The year in which two separate arcs first run together, at the middle rates; undefined beyond the horizon. */
  arcsJoin: number | undefined;
  draws: number;
  seed: number;
  stem: StemRate;
}

export interface ForecastOptions {
  draws: number;
  seed: number;
  stem: StemRate;
  barriers: readonly Barrier[];
  scenarios: readonly Scenario[];
  /** Told the share of the work done; returning false stops it. */
  onProgress?: (share: number) => boolean;
}

const percentile = (sorted: Float64Array, q: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(q * sorted.length))]!;

const bandOf = (years: Float64Array): YearBand => {
  const sorted = years.slice().sort();
  const at = (q: number) => {
    const year = percentile(sorted, q);
    return year <= HORIZON ? year : undefined;
  };
  return { p10: at(0.1), p50: at(0.5), p90: at(0.9) };
};

/** Rates are drawn together: what makes a good year for the stem makes one for its roots. */
interface Draw {
  stem: number;
  roots: Float64Array;
}

function drawsOf(reading: DigReading, stem: StemRate, draws: number, seed: number): Draw[] {
  const normal = normalFrom(seeded(seed));
  const rates = reading.roots.map((r) => rootRate(r.root, stem));
  return Array.from({ length: draws }, () => {
    const grown = logNormal(stem.perYear, stem.variation, normal);
    const good = grown / stem.perYear;
    return {
      stem: grown,
      roots: Float64Array.from(rates, (rate) => {
        const own = logNormal(rate.perYear, rate.variation, normal);
        return rate.own ? own : own * good;
      }),
    };
  });
}

/** How soon a root presses in one draw, direction by direction, in one by years: the sooner of it and what is there is kept. */
function sooner({ directions, inverse }: Closing, ratio: number, stem: number, into: Float64Array): void {
  const { index, share } = ratioPlace(ratio);
  const low = inverse[index]!;
  const high = inverse[index + 1]!;
  for (let k = 0; k < directions.length; k++) {
    const soon = (low[k]! + (high[k]! - low[k]!) * share) * stem;
    const d = directions[k]!;
    if (soon > into[d]!) into[d] = soon;
  }
}

/** Share pressed at the end of each year, from how soon directions close; pressed now counts in year 0. */
function yearly(soonest: Float64Array, weights: Float64Array, into: Float64Array): void {
  into.fill(0);
  for (let d = 0; d < FOLLOWED; d++) {
    const year = Math.ceil(1 / soonest[d]! - 1e-9);
    if (year <= HORIZON) into[Math.max(0, year)]! += weights[d]!;
  }
  for (let y = 1; y <= HORIZON; y++) into[y]! += into[y - 1]!;
}

/** How many separate stretches are pressed by a year. */
function stretches(soonest: Float64Array, year: number): number {
  const pressed = (d: number) => 1 / soonest[d]! <= year;
  let count = 0;
  for (let d = 0; d < FOLLOWED; d++) if (pressed(d) && !pressed((d + FOLLOWED - 1) % FOLLOWED)) count++;
  return count;
}

/** Growth of the stem at which a root first presses anywhere. */
function firstTouch({ first }: Closing, ratio: number): number {
  const { index, share } = ratioPlace(ratio);
  return between(first[index]!, first[index + 1]!, share);
}

/** A wait in years from a distance and a rate of closing. */
const wait = (gap: number, perYear: number): number => (gap <= 0 ? 0 : gap / perYear);

/** How much of the bark lies in each direction that is followed. */
function weightsOf({ outline }: DigReading): Float64Array {
  const weights = new Float64Array(FOLLOWED);
  const fine = outline.weights.length / FOLLOWED;
  outline.weights.forEach((w, k) => (weights[Math.floor((k + fine / 2) / fine) % FOLLOWED]! += w));
  return weights;
}

/**
 * The share of the circumference girdled, year by year, with the uncertainty of the rates: seeded Monte Carlo over
 * stem and root growth.
 *
 * Bark moves outward, roots thicken where they lie. Which direction a root presses first is worked out once for each
 * root ({@link closingOf}); a draw only looks it up.
 *
 * @returns undefined when `onProgress` stopped it
 */
export function forecastOf(reading: DigReading, options: ForecastOptions): Forecast | undefined {
  const { draws, seed, stem, scenarios } = options;
  const goOn = (share: number) => options.onProgress?.(share) ?? true;
  const most = HORIZON * stem.perYear * (1 + 3 * stem.variation);
  const closings: Closing[] = [];
  for (const [i, root] of reading.roots.entries()) {
    if (!goOn((0.4 * i) / reading.roots.length)) return undefined;
    closings.push(closingOf(root, reading, most));
  }
  const weights = weightsOf(reading);
  const drawn = drawsOf(reading, stem, draws, seed);
  const soonest = new Float64Array(FOLLOWED);
  const year = new Float64Array(HORIZON + 1);
  const plans = scenarios.map((scenario) => ({
    scenario,
    stages: stagesOf(scenario, reading),
    shares: Array.from({ length: HORIZON + 1 }, () => new Float64Array(draws)),
  }));
  // Roots that stay in every scenario are looked up once a draw; the others for the stages they are still there in.
  const cutSomewhere = reading.roots.map(({ root }) =>
    scenarios.some((s) => s.cuts[root.label] !== undefined),
  );
  const stay = new Float64Array(FOLLOWED);
  const pressedFirst = ({ stem: grown, roots }: Draw, which: (i: number) => boolean, into: Float64Array) =>
    closings.forEach((closing, i) => {
      if (closing.directions.length > 0 && which(i)) sooner(closing, roots[i]! / grown, grown, into);
    });
  for (const [k, draw] of drawn.entries()) {
    if (k % 100 === 0 && !goOn(0.4 + (0.6 * k) / draws)) return undefined;
    stay.fill(0);
    pressedFirst(draw, (i) => !cutSomewhere[i], stay);
    for (const { stages, shares } of plans) {
      for (const { from, until, active } of stages) {
        soonest.set(stay);
        pressedFirst(draw, (i) => cutSomewhere[i]! && active[i]!, soonest);
        yearly(soonest, weights, year);
        for (let y = from; y < until; y++) shares[y]![k] = year[y]!;
      }
    }
  }
  soonest.fill(0);
  pressedFirst(
    {
      stem: stem.perYear,
      roots: Float64Array.from(reading.roots, (r) => rootRate(r.root, stem).perYear),
    },
    () => true,
    soonest,
  );
  const involvesAnchor = ({ a, b }: { a: number; b: number }) =>
    isAnchor(reading.roots[a]!.root) || isAnchor(reading.roots[b]!.root);
  const at = (f: (draw: Draw) => number) => {
    const years = new Float64Array(draws);
    for (let k = 0; k < draws; k++) years[k] = f(drawn[k]!);
    return bandOf(years);
  };
  goOn(1);
  return {
    scenarios: plans.map(({ scenario, shares }) => summary(scenario, shares, draws)),
    touches: reading.roots.flatMap(({ root: { label } }, i) => {
      const closing = closings[i]!;
      if (closing.directions.length === 0) return [];
      return [{ label, year: at((d) => firstTouch(closing, d.roots[i]! / d.stem) / d.stem) }];
    }),
    buries: reading.pressings.filter(involvesAnchor).map(({ a, b, gap }) => ({
      a: reading.roots[a]!.root.label,
      b: reading.roots[b]!.root.label,
      year: at((d) => wait(gap, d.roots[a]! + d.roots[b]!)),
    })),
    barriers: options.barriers.map(({ kind, diameter }) => ({
      kind,
      diameter,
      year: at((d) => wait(diameter / 2 - reading.outline.farthest, d.stem)),
    })),
    arcsJoin: joinYear(soonest),
    draws,
    seed,
    stem,
  };
}

/** The years between two cuts, and which roots are still there in them. */
function stagesOf({ cuts }: Scenario, reading: DigReading) {
  const begins = [...new Set([0, ...Object.values(cuts).map(Math.ceil)])]
    .filter((y) => y <= HORIZON)
    .sort((a, b) => a - b);
  return begins.map((from, i) => ({
    from,
    until: begins[i + 1] ?? HORIZON + 1,
    active: reading.roots.map(({ root }) => !((cuts[root.label] ?? Infinity) <= from)),
  }));
}

/** The first year with fewer separate stretches than the year before. */
function joinYear(soonest: Float64Array): number | undefined {
  let before = stretches(soonest, 0);
  for (let y = 1; y <= HORIZON; y++) {
    const now = stretches(soonest, y);
    if (now < before) return y;
    before = now;
  }
  return undefined;
}

function summary(scenario: Scenario, shares: readonly Float64Array[], draws: number): ScenarioForecast {
  const sorted = shares.map((s) => s.slice().sort());
  return {
    name: scenario.name,
    cuts: scenario.cuts,
    p10: sorted.map((s) => percentile(s, 0.1)),
    p50: sorted.map((s) => percentile(s, 0.5)),
    p90: sorted.map((s) => percentile(s, 0.9)),
    reach: THRESHOLDS.map((threshold) => {
      const years = new Float64Array(draws).fill(Infinity);
      for (let y = HORIZON; y >= 0; y--) {
        const share = shares[y]!;
        for (let k = 0; k < draws; k++) if (share[k]! >= threshold) years[k] = y;
      }
      const within = (by: number) =>
        years.reduce((count, year) => (year <= by ? count + 1 : count), 0) / draws;
      return { threshold, year: bandOf(years), within5: within(5), within10: within(10) };
    }),
  };
}
