import { topDepth, TOUCH_TOLERANCE, type DigReading, type Outline, type RootReading } from '../roots';

/** Directions the growing outline is followed in: a degree each. */
export const FOLLOWED = 360;
const FINE = 1440 / FOLLOWED;

/** Ratios of root growth to stem growth the closing is worked out for; between them it goes straight. */
export const RATIOS = [0.1, 0.35, 0.7, 1.2, 2] as const;

/** Never within the growth looked at. */
const NEVER = 1e9;
/** The gap counts as closed within this, m. */
const CLOSE_ENOUGH = 2e-4;
/** Closing is followed to this many times the growth looked at. */
const LOOK_BEYOND = 2;
/** Vertices of a path that are followed at most. */
const MOST_VERTICES = 48;

/**
 * When one root closes on the bark: by direction and ratio, the growth of the stem's radius (m) at which the root,
 * thickening by ratio times as much, presses there. Growing bark and growing root only ever come nearer, so one figure
 * tells it for good.
 */
export interface Closing {
  /** Directions in which it closes at all, degrees from north. */
  directions: Int16Array;
  /** By direction, then ratio. */
  growth: Float32Array;
  /** Least growth at which it presses anywhere, by ratio. */
  first: Float32Array;
}

/**
 * Whether a root can close on the stem as both grow. A holding or adventitious root that grows from this stem and does
 * not press on it today cannot: bark that reaches its base grows over it, the two are one.
 */
export const mayClose = ({ root, compression }: RootReading): boolean =>
  compression.share > 0 ||
  root.start !== 'stem' ||
  (root.kind !== 'structural' && root.kind !== 'adventitious');

/** A path with fewer vertices, for following many years; the ends stay. */
function thinned({ path, counted }: RootReading): RootReading['path'] {
  const n = path.x.length - counted;
  const step = Math.max(1, Math.ceil(n / MOST_VERTICES));
  const keep: number[] = [];
  for (let i = counted; i < path.x.length; i += step) keep.push(i);
  const last = path.x.length - 1;
  if (n > 0 && keep[keep.length - 1] !== last) keep.push(last);
  const pick = (of: Float64Array) => Float64Array.from(keep, (i) => of[i]!);
  return {
    x: pick(path.x),
    y: pick(path.y),
    z: pick(path.z),
    radius: pick(path.radius),
    along: pick(path.along),
    readAt: [],
  };
}

/** The pieces of a path seen along one direction: `u` away from the centre, `v` to the side. */
class Sight {
  private readonly u: Float64Array;
  private readonly v: Float64Array;

  constructor(
    private readonly path: RootReading['path'],
    private readonly pieces: readonly number[],
  ) {
    this.u = new Float64Array(path.x.length);
    this.v = new Float64Array(path.x.length);
  }

  turn(sin: number, cos: number): void {
    const { x, y } = this.path;
    for (let i = 0; i < x.length; i++) {
      this.u[i] = x[i]! * sin + y[i]! * cos;
      this.v[i] = x[i]! * cos - y[i]! * sin;
    }
  }

  /** Least distance from the line of this length to the root's edge, m; negative where it passes through. */
  gap(reach: number): number {
    const { u, v } = this;
    const { radius } = this.path;
    let least = Infinity;
    for (const i of this.pieces) {
      const k = i + 1 < u.length ? i + 1 : i;
      const [ua, va, ra] = [u[i]!, v[i]!, radius[i]!];
      const [du, dv, dr] = [u[k]! - ua, v[k]! - va, radius[k]! - ra];
      if (va * v[k]! < 0) {
        const t = -va / dv;
        const at = ua + du * t;
        if (at >= 0 && at <= reach) {
          least = Math.min(least, -(ra + dr * t));
          continue;
        }
      }
      const length2 = du * du + dv * dv;
      const t = length2 === 0 ? 0 : Math.min(1, Math.max(0, ((reach - ua) * du - va * dv) / length2));
      const [eu, ev] = [ua + du * t - reach, va + dv * t];
      least = Math.min(least, Math.sqrt(eu * eu + ev * ev) - ra - dr * t);
      if (ua >= 0 && ua <= reach) least = Math.min(least, Math.abs(va) - ra);
    }
    return least;
  }
}

/**
 * Growth at which a falling function comes to nothing, between a place where it is above and one where it is not:
 * regula falsi, Illinois variant (Dowell and Jarratt 1971; from memory).
 */
function crossing(f: (s: number) => number, low: number, fLow: number, high: number, fHigh: number): number {
  let [a, fa, b, fb] = [low, fLow, high, fHigh];
  for (let step = 0; step < 12 && b - a > CLOSE_ENOUGH; step++) {
    const s = a + ((b - a) * fa) / (fa - fb);
    const fs = f(s);
    if (Math.abs(fs) < CLOSE_ENOUGH / 4) return s;
    if (fs > 0) {
      [a, fa] = [s, fs];
      fb /= 2;
    } else {
      [b, fb] = [s, fs];
      fa /= 2;
    }
  }
  return b;
}

/** The pieces of a root that can close on the bark, and where it presses today. */
function sightOf(reading: RootReading, outline: Outline, underside: number) {
  const path = thinned(reading);
  const closes = mayClose(reading);
  const pieces: number[] = [];
  for (let i = 0; i < path.x.length; i++)
    if (closes && topDepth(path, i) <= underside && (i + 1 < path.x.length || path.x.length === 1))
      pieces.push(i);
  return { sight: new Sight(path, pieces), now: reading.compression.hitByLayer };
}

/**
 * Works out the closing of a root. The gap along a direction only shrinks as bark and root grow, so what does not close
 * by the end never does, and the rest is a falling function with one crossing for each ratio.
 *
 * @param horizon growth of the stem's radius to look ahead, m; slower ratios are followed on, to go between by
 */
export function closingOf(
  reading: RootReading,
  { outline, underside }: DigReading,
  horizon: number,
): Closing {
  const most = LOOK_BEYOND * horizon;
  const { sight, now } = sightOf(reading, outline, underside);
  const directions: number[] = [];
  const growth: number[] = [];
  const first = new Float32Array(RATIOS.length).fill(NEVER);
  for (let d = 0; d < FOLLOWED; d++) {
    const angle = (2 * Math.PI * d) / FOLLOWED;
    const bark = outline.radii[d * FINE]!;
    sight.turn(Math.sin(angle), Math.cos(angle));
    const pressed = now.some((layer) => layer[d * FINE]);
    const atStart = sight.gap(bark) - TOUCH_TOLERANCE;
    const atEnd = sight.gap(bark + most) - TOUCH_TOLERANCE;
    if (!pressed && atEnd > RATIOS[RATIOS.length - 1]! * most) continue;
    const here: number[] = new Array<number>(RATIOS.length).fill(NEVER);
    // From the fastest root down: a slower one closes later, so each search starts where the one before ended.
    let from = 0;
    for (let k = RATIOS.length - 1; k >= 0; k--) {
      const ratio = RATIOS[k]!;
      if (pressed || atStart <= 0) {
        here[k] = 0;
        continue;
      }
      const last = atEnd - ratio * most;
      if (last > 0) break;
      const f = (s: number) => sight.gap(bark + s) - TOUCH_TOLERANCE - ratio * s;
      const begin = from === 0 ? atStart : f(from);
      here[k] = begin <= 0 ? from : crossing(f, from, begin, most, last);
      from = here[k]!;
    }
    if (here.every((s) => s >= NEVER)) continue;
    directions.push(d);
    growth.push(...here);
    here.forEach((s, k) => (first[k] = Math.min(first[k]!, s)));
  }
  return { directions: Int16Array.from(directions), growth: Float32Array.from(growth), first };
}

/**
 * The same for one ratio alone: growth of the stem's radius, m, at which the root presses in each direction; Infinity
 * where it does not within the horizon.
 */
export function closesAt(
  reading: RootReading,
  { outline, underside }: DigReading,
  ratio: number,
  horizon: number,
): Float64Array {
  const { sight, now } = sightOf(reading, outline, underside);
  const growth = new Float64Array(FOLLOWED).fill(Infinity);
  for (let d = 0; d < FOLLOWED; d++) {
    const angle = (2 * Math.PI * d) / FOLLOWED;
    const bark = outline.radii[d * FINE]!;
    sight.turn(Math.sin(angle), Math.cos(angle));
    const f = (s: number) => sight.gap(bark + s) - TOUCH_TOLERANCE - ratio * s;
    const atStart = f(0);
    if (now.some((layer) => layer[d * FINE]) || atStart <= 0) growth[d] = 0;
    else {
      const last = f(horizon);
      if (last <= 0) growth[d] = crossing(f, 0, atStart, horizon, last);
    }
  }
  return growth;
}

/** Where a ratio lies among {@link RATIOS}: index of the lower and share of the way to the upper. */
export function ratioPlace(ratio: number): { index: number; share: number } {
  const last = RATIOS.length - 1;
  if (ratio <= RATIOS[0]) return { index: 0, share: 0 };
  if (ratio >= RATIOS[last]!) return { index: last - 1, share: 1 };
  let index = 0;
  while (RATIOS[index + 1]! <= ratio) index++;
  return { index, share: (ratio - RATIOS[index]!) / (RATIOS[index + 1]! - RATIOS[index]!) };
}

/**
 * Growth between two neighbouring ratios. Its inverse goes straight: a gap that bark and root close from both sides
 * lasts for gap / (1 + ratio).
 */
export function between(low: number, high: number, share: number): number {
  if (high === 0) return low === 0 ? 0 : high + (low - high) * (1 - share);
  return 1 / (1 / low + (1 / high - 1 / low) * share);
}
