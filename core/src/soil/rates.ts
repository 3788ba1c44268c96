import { LIMITS } from '../practice/limits';
import { named } from '../vocabulary/quantities';
import type { Quantity } from '../units/quantity';

/** Water level in a ring or a hole: seconds since the start, and how far it has fallen, m. */
export interface Fall {
  after: number;
  fallen: number;
}

const INCH = 0.0254;
const HOUR = 3600;

/** Infiltration classes, from in/h on (USDA NRCS). */
export const INFILTRATION_CLASSES = [
  { from: 20, words: 'very rapid' },
  { from: 6, words: 'rapid' },
  { from: 2, words: 'moderately rapid' },
  { from: 0.6, words: 'moderate' },
  { from: 0.2, words: 'moderately slow' },
  { from: 0.06, words: 'slow' },
  { from: 0.0015, words: 'very slow' },
  { from: 0, words: 'impermeable' },
] as const;

/** @param rate m/s, at least 0 */
export const infiltrationClass = (rate: number): string =>
  INFILTRATION_CLASSES.find((c) => (rate * HOUR) / INCH >= c.from)!.words;

/** @param rate cm/h @returns m/s */
const perSecond = (rate: number): number => rate / 100 / HOUR;

/** Percolation of a planting hole, m/s: poor under the one, excessive over the other. */
export const PERCOLATION = {
  poor: perSecond(LIMITS.percolationPoor.value),
  excessive: perSecond(LIMITS.percolationExcessive.value),
};

export const percolationWords = (rate: number): string =>
  rate < PERCOLATION.poor ? 'poor' : rate > PERCOLATION.excessive ? 'excessive' : 'fair';

/** Readings that the steady rate is taken from: the last ones, when the first thirst of the soil is over. */
const STEADY = 3;

/**
 * Steady rate at which water goes in, from the last readings: slope of the fall against time by least squares.
 *
 * @param readings in order of time; levels that were filled up again begin a new run
 * @returns undefined with fewer than two readings of one run
 */
export function steadyRate(
  readings: readonly Fall[],
  what: 'infiltration' | 'percolation',
): Quantity | undefined {
  // A level above the one before it was filled up: only what came after it counts.
  let begin = 0;
  readings.forEach((r, i) => {
    if (i > 0 && r.fallen < readings[i - 1]!.fallen) begin = i;
  });
  const run = readings.slice(begin).slice(-STEADY);
  if (run.length < 2) return undefined;
  const mean = (value: (f: Fall) => number) => run.reduce((sum, f) => sum + value(f), 0) / run.length;
  const [t, y] = [mean((f) => f.after), mean((f) => f.fallen)];
  const across = run.reduce((sum, f) => sum + (f.after - t) ** 2, 0);
  if (across === 0) return undefined;
  const rate = Math.max(0, run.reduce((sum, f) => sum + (f.after - t) * (f.fallen - y), 0) / across);
  return {
    ...named(what),
    value: rate,
    dimension: 'water rate',
    working: {
      formula: 'slope of the fall against time',
      inputs: [
        { name: 'readings', value: run.length, dimension: 'count' },
        {
          name: 'fallen in that time',
          value: run.at(-1)!.fallen - run[0]!.fallen,
          dimension: 'short length',
        },
        { name: 'hours', value: (run.at(-1)!.after - run[0]!.after) / HOUR, dimension: 'ratio' },
      ],
      source: what === 'infiltration' ? 'classes of USDA NRCS' : 'common practice, no source',
      notes: ['The last readings of one filling: soil drinks fast at first.'],
    },
  };
}
