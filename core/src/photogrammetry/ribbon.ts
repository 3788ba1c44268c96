import type { Point } from './homography';
import { between, greyOf, type Raster } from './raster';

/** A piece of ground seen from straight above: brightness, and how red and how yellow it is, by row from above. */
export interface SeenPlan {
  layers: readonly { values: Float32Array; weight: number }[];
  width: number;
  height: number;
}

/** How much a change of hue counts beside one of brightness: light and shade change brightness alone. Judgement, tried on made-up pictures. */
const HUE = 2;
/** Added to each colour, so that hue in the dark, which is noise, says little. */
const DARK = 16;

/** What edges are looked for in. */
export function seenPlan(raster: Raster): SeenPlan {
  const { width, height, data } = raster;
  const [red, yellow] = [new Float32Array(width * height), new Float32Array(width * height)];
  for (let i = 0; i < red.length; i++) {
    const [r, g, b] = [data[4 * i]! + DARK, data[4 * i + 1]! + DARK, data[4 * i + 2]! + DARK];
    red[i] = 100 * Math.log(r / g);
    yellow[i] = 100 * Math.log(g / b);
  }
  return {
    layers: [
      { values: greyOf(raster), weight: 1 },
      { values: red, weight: HUE },
      { values: yellow, weight: HUE },
    ],
    width,
    height,
  };
}

/** A crossing of a ribbon: its middle and its two edges, pixels. */
export interface RibbonPoint {
  at: Point;
  edges: readonly [Point, Point];
}

/** Crossings lie so far apart, pixels. */
const STEP = 5;
/** What a pixel of bend and of widening costs, in parts of the strongest edge. Judgement, tried on made-up pictures. */
const [BEND, WIDEN] = [0.06, 0.1];
/** What it is worth that a root is of another colour than the soil on both sides, beside two edges. Judgement, tried on made-up pictures. */
const CONTRAST = 0.7;
/** So much of the soil beside a root is looked at, as a part of half its width, between these, pixels. */
const BESIDE = { part: 0.6, least: 3, most: 12 } as const;

/** What is seen across a line: at each crossing, values by layer at offsets aside of it. */
interface Across {
  /** Sums of a layer's values up to an offset, from the outermost; one more than there are offsets. */
  sums: Float64Array[];
  /** How strong an edge is at each offset. */
  edges: Float64Array;
}

/** Profiles across a line between two places, from `-reach` to `reach`; each the mean along a short stretch, for soil is rough and an edge runs on. */
function profiles(
  { layers, width, height }: SeenPlan,
  from: Point,
  to: Point,
  crossings: number,
  reach: number,
): { across: Across[]; normal: Point } {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
  const [tx, ty] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
  const normal: Point = [-ty, tx];
  const count = 2 * reach + 1;
  const across = Array.from({ length: crossings }, (_, k): Across => {
    const t = crossings > 1 ? k / (crossings - 1) : 0;
    const [x, y] = [from[0] + t * (to[0] - from[0]), from[1] + t * (to[1] - from[1])];
    const squares = new Float64Array(count);
    const sums = layers.map(({ values, weight }) => {
      const profile = Float64Array.from({ length: count }, (__, i) => {
        const s = i - reach;
        let sum = 0;
        for (let along = -2; along <= 2; along++)
          sum += between(
            values,
            width,
            height,
            x + along * tx + s * normal[0],
            y + along * ty + s * normal[1],
          );
        return (weight * sum) / 5;
      });
      for (let i = 2; i < count - 2; i++) {
        const rise = (profile[i + 1]! + profile[i + 2]! - profile[i - 1]! - profile[i - 2]!) / 2;
        squares[i]! += rise ** 2;
      }
      const running = new Float64Array(count + 1);
      profile.forEach((v, i) => (running[i + 1] = running[i]! + v));
      return running;
    });
    return { sums, edges: squares.map(Math.sqrt) };
  });
  return { across, normal };
}

/** The value below which a share of all lie. */
const below = (values: number[], share: number): number =>
  values.sort((a, b) => a - b)[Math.floor(share * (values.length - 1))]!;

/** By how much a ribbon differs from what lies on both its sides, the lesser of the two where both differ the same way. */
function contrastOf({ sums }: Across, middle: number, half: number): number {
  const aside = Math.round(Math.min(BESIDE.most, Math.max(BESIDE.least, BESIDE.part * half)));
  let contrast = 0;
  for (const running of sums) {
    const mean = (a: number, b: number) => (running[b]! - running[a]!) / (b - a);
    const inside = mean(middle - half, middle + half + 1);
    const left = inside - mean(middle - half - aside, middle - half);
    const right = inside - mean(middle + half + 1, middle + half + 1 + aside);
    if (left * right > 0) contrast += Math.min(Math.abs(left), Math.abs(right));
  }
  return contrast;
}

/** Where a ribbon is at a crossing: the middle aside of the line, and half its width, whole pixels. */
export interface RibbonPlace {
  aside: number;
  half: number;
}

/** What a ribbon may be: so many crossings, so far aside at most, half its width from least to most. */
export interface RibbonRoom {
  crossings: number;
  sway: number;
  least: number;
  most: number;
}

/** How far a ribbon may turn aside, and widen, from one crossing to the next, pixels. */
const [TURN, GROW] = [3, 1];

/**
 * The ribbon whose edges are the strongest together, with a cost for each pixel of bend and of widening: the best of all by
 * dynamic programming (as A. Amini et al. 1990 follow a contour). Its ends hold the line between the touches.
 *
 * @param gain how strong the edges of a place are
 */
export function bestRibbon(
  { crossings, sway, least, most }: RibbonRoom,
  gain: (crossing: number, place: RibbonPlace) => number,
): RibbonPlace[] {
  const [offsets, widths] = [2 * sway + 1, most - least + 1];
  const states = offsets * widths;
  let best = new Float64Array(states);
  const came: Int32Array[] = [];
  for (let k = 0; k < crossings; k++) {
    const now = new Float64Array(states).fill(-Infinity);
    const back = new Int32Array(states).fill(-1);
    for (let i = 0; i < offsets; i++)
      for (let j = 0; j < widths; j++) {
        const place = { aside: i - sway, half: j + least };
        if ((k === 0 || k === crossings - 1) && Math.abs(place.aside) > place.half) continue;
        let before = k === 0 ? 0 : -Infinity;
        if (k > 0)
          for (let di = -TURN; di <= TURN; di++)
            for (let dj = -GROW; dj <= GROW; dj++) {
              const [pi, pj] = [i + di, j + dj];
              if (pi < 0 || pj < 0 || pi >= offsets || pj >= widths) continue;
              const value = best[pi * widths + pj]! - BEND * Math.abs(di) - WIDEN * Math.abs(dj);
              if (value > before) [before, back[i * widths + j]] = [value, pi * widths + pj];
            }
        now[i * widths + j] = before + gain(k, place);
      }
    best = now;
    came.push(back);
  }
  const ribbon: RibbonPlace[] = [];
  let state = best.indexOf(Math.max(...best));
  for (let k = crossings - 1; k >= 0 && state >= 0; k--) {
    ribbon.unshift({ aside: Math.floor(state / widths) - sway, half: (state % widths) + least });
    state = came[k]![state]!;
  }
  return ribbon;
}

/** What a ribbon costs to bend and widen, the same as in {@link bestRibbon}. */
export const ribbonCost = (ribbon: readonly RibbonPlace[]): number =>
  ribbon.slice(1).reduce((sum, { aside, half }, i) => {
    const before = ribbon[i]!;
    return sum + BEND * Math.abs(aside - before.aside) + WIDEN * Math.abs(half - before.half);
  }, 0);

/**
 * A ribbon between two places that both lie in it: at each crossing its middle and its two edges, to a part of a pixel.
 *
 * @param half halves of widths that are tried, whole pixels from least to most
 */
export function ribbonBetween(
  plan: SeenPlan,
  from: Point,
  to: Point,
  { least, most }: { least: number; most: number },
): RibbonPoint[] {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const crossings = Math.max(2, Math.round(length / STEP) + 1);
  const sway = Math.round(Math.min(28, Math.max(8, length / 4)));
  const reach = sway + most + BESIDE.most + 2;
  const { across, normal } = profiles(plan, from, to, crossings, reach);
  // The strongest tenth is all the same: one glaring edge beside the root must not outshine it.
  const edge = below(
    across.flatMap((a) => [...a.edges]),
    0.93,
  );
  const contrasts = across.map((a) => {
    const values = new Float64Array((2 * sway + 1) * (most - least + 1));
    for (let i = -sway, at = 0; i <= sway; i++)
      for (let half = least; half <= most; half++) values[at++] = contrastOf(a, i + reach, half);
    return values;
  });
  const usual = below(
    contrasts.map((c) => Math.max(...c)),
    0.5,
  );
  const ribbon = bestRibbon({ crossings, sway, least, most }, (k, { aside, half }) => {
    const { edges } = across[k]!;
    const [a, b] = [aside - half + reach, aside + half + reach].map((i) => Math.min(1, edges[i]! / edge));
    const contrast = contrasts[k]![(aside + sway) * (most - least + 1) + half - least]!;
    return Math.min(a!, b!) + 0.5 * (a! + b!) + CONTRAST * Math.min(1, contrast / usual);
  });
  return ribbon.map(({ aside, half }, k) => {
    const t = k / (crossings - 1);
    const [x, y] = [from[0] + t * (to[0] - from[0]), from[1] + t * (to[1] - from[1])];
    const row = across[k]!.edges;
    // To a part of a pixel: the top of a parabola through the strongest and its neighbours.
    const peak = (s: number): number => {
      const [a, b, c] = [row[s - 1 + reach] ?? 0, row[s + reach]!, row[s + 1 + reach] ?? 0];
      const bow = a - 2 * b + c;
      return bow < 0 ? s + Math.max(-0.5, Math.min(0.5, (a - c) / (2 * bow))) : s;
    };
    const [left, right] = [peak(aside - half), peak(aside + half)];
    const on = (s: number): Point => [x + s * normal[0], y + s * normal[1]];
    return { at: on((left + right) / 2), edges: [on(left), on(right)] };
  });
}

/** The fewest points of a line from which the others are no farther than a distance (Ramer 1972, Douglas and Peucker 1973). */
export function thinned<T extends { at: Point }>(points: readonly T[], within: number): T[] {
  if (points.length <= 2) return [...points];
  const [a, b] = [points[0]!.at, points[points.length - 1]!.at];
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1e-9;
  let [most, at] = [-1, 0];
  for (let i = 1; i < points.length - 1; i++) {
    const [x, y] = points[i]!.at;
    const away = Math.abs((b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0])) / length;
    if (away > most) [most, at] = [away, i];
  }
  if (most <= within) return [points[0]!, points[points.length - 1]!];
  return [...thinned(points.slice(0, at + 1), within).slice(0, -1), ...thinned(points.slice(at), within)];
}
