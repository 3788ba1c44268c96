import { topDepth, TOUCH_TOLERANCE, type DigReading, type Outline, type RootReading } from '../roots';

/** Directions the growing outline is followed in: a degree each. */
export const FOLLOWED = 360;
const FINE = 1440 / FOLLOWED;

/** Ratios of root growth to stem growth the closing is worked out for; between them it goes straight. */
export const RATIOS = [0.1, 0.35, 0.7, 1.2, 2] as const;

/** Never within the growth looked at, m. */
const NEVER = 1e9;
/** Growth that stands for none, m: what presses today. */
const NONE = 1e-12;
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
  /** By ratio, then direction: one by the growth, per m; between two ratios it goes straight. */
  inverse: Float64Array[];
  /** Least growth at which it presses anywhere, by ratio. */
  first: Float64Array;
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
  /** The piece that was nearest when it was last asked for the nearest. */
  nearest = 0;

  constructor(
    private readonly path: RootReading['path'],
    private readonly pieces: Int32Array,
  ) {
    this.u = new Float64Array(path.x.length);
    this.v = new Float64Array(path.x.length);
  }

  turn(sin: number, cos: number): void {
    const { x, y } = this.path;
    const { u, v } = this;
    for (let i = 0; i < x.length; i++) {
      u[i] = x[i]! * sin + y[i]! * cos;
      v[i] = x[i]! * cos - y[i]! * sin;
    }
  }

  /** Least distance from the line of this length to the root's edge, m; negative where it passes through. */
  gap(reach: number): number {
    const { pieces } = this;
    let least = Infinity;
    for (let p = 0; p < pieces.length; p++) {
      const gap = this.gapTo(pieces[p]!, reach);
      if (gap < least) {
        least = gap;
        this.nearest = pieces[p]!;
      }
    }
    return least;
  }

  /** The same to one piece, m. */
  gapTo(i: number, reach: number): number {
    const { u, v } = this;
    const { radius } = this.path;
    const k = i + 1 < u.length ? i + 1 : i;
    const ua = u[i]!;
    const va = v[i]!;
    const ra = radius[i]!;
    const ub = u[k]!;
    const vb = v[k]!;
    const du = ub - ua;
    const dv = vb - va;
    const dr = radius[k]! - ra;
    if (va * vb < 0) {
      const t = -va / dv;
      const at = ua + du * t;
      if (at >= 0 && at <= reach) return -(ra + dr * t);
    }
    const length2 = du * du + dv * dv;
    const along = (reach - ua) * du - va * dv;
    const t = along <= 0 || length2 === 0 ? 0 : along >= length2 ? 1 : along / length2;
    const eu = ua + du * t - reach;
    const ev = va + dv * t;
    let least = Math.sqrt(eu * eu + ev * ev) - ra - dr * t;
    if (ua >= 0 && ua <= reach) {
      const beside = Math.abs(va) - ra;
      if (beside < least) least = beside;
    }
    // The end of a root is met by the end of the line alone.
    if (k + 1 < u.length && ub >= 0 && ub <= reach) {
      const beside = Math.abs(vb) - ra - dr;
      if (beside < least) least = beside;
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
  return { sight: new Sight(path, Int32Array.from(pieces)), now: reading.compression.hitByLayer };
}

/**
 * The growths at which a root closes along each direction, for ratios from the fastest down.
 *
 * What does not close by the end never does; the rest is a falling function with one crossing. The root closes with the
 * piece that closes first: one is followed by itself, and then another only where that is nearer by then.
 *
 * @param most growth of the stem's radius to look ahead, m
 * @param each told direction, place of the ratio, and the growth; not told where it does not close
 */
function followed(
  reading: RootReading,
  { outline, underside }: DigReading,
  ratios: readonly number[],
  most: number,
  each: (direction: number, place: number, growth: number) => void,
): void {
  const { sight, now } = sightOf(reading, outline, underside);
  for (let d = 0; d < FOLLOWED; d++) {
    const angle = (2 * Math.PI * d) / FOLLOWED;
    const bark = outline.radii[d * FINE]!;
    sight.turn(Math.sin(angle), Math.cos(angle));
    if (now.some((layer) => layer[d * FINE]) || sight.gap(bark) <= TOUCH_TOLERANCE) {
      ratios.forEach((_, k) => each(d, k, 0));
      continue;
    }
    const atEnd = sight.gap(bark + most) - TOUCH_TOLERANCE;
    const lastly = sight.nearest;
    // From the fastest root down: a slower one closes later, so each search starts where the one before ended.
    let from = 0;
    let piece = lastly;
    for (let k = ratios.length - 1; k >= 0; k--) {
      const ratio = ratios[k]!;
      if (atEnd - ratio * most > 0) break;
      const f = (s: number) => sight.gapTo(piece, bark + s) - TOUCH_TOLERANCE - ratio * s;
      let soonest = most;
      let last = f(soonest);
      if (last > 0) {
        piece = lastly;
        last = atEnd - ratio * most;
      }
      do {
        const begin = f(from);
        const crossed = begin <= 0 ? from : crossing(f, from, begin, soonest, last);
        const nearer = crossed < soonest;
        soonest = crossed;
        if (!nearer) break;
        last = sight.gap(bark + soonest) - TOUCH_TOLERANCE - ratio * soonest;
        if (sight.nearest === piece) break;
        piece = sight.nearest;
      } while (last < -CLOSE_ENOUGH / 4);
      each(d, k, soonest);
      from = soonest;
    }
  }
}

/**
 * Works out the closing of a root.
 *
 * @param horizon growth of the stem's radius to look ahead, m; slower ratios are followed on, to go between by
 */
export function closingOf(reading: RootReading, dig: DigReading, horizon: number): Closing {
  const directions: number[] = [];
  const inverse: number[][] = RATIOS.map(() => []);
  const first = new Float64Array(RATIOS.length).fill(NEVER);
  followed(reading, dig, RATIOS, LOOK_BEYOND * horizon, (d, k, s) => {
    if (directions[directions.length - 1] !== d) {
      directions.push(d);
      for (const of of inverse) of.push(1 / NEVER);
    }
    inverse[k]![directions.length - 1] = 1 / Math.max(s, NONE);
    first[k] = Math.min(first[k]!, s);
  });
  return {
    directions: Int16Array.from(directions),
    inverse: inverse.map((of) => Float64Array.from(of)),
    first,
  };
}

/**
 * The same for one ratio alone: growth of the stem's radius, m, at which the root presses in each direction; Infinity
 * where it does not within the horizon.
 */
export function closesAt(
  reading: RootReading,
  dig: DigReading,
  ratio: number,
  horizon: number,
): Float64Array {
  const growth = new Float64Array(FOLLOWED).fill(Infinity);
  followed(reading, dig, [ratio], horizon, (d, _, s) => (growth[d] = s));
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
 * Growth between two neighbouring ratios, m. Its inverse goes straight: a gap that bark and root close from both sides
 * lasts for gap / (1 + ratio).
 */
export function between(low: number, high: number, share: number): number {
  if (high === 0) return low * (1 - share);
  return 1 / (1 / low + (1 / high - 1 / low) * share);
}
