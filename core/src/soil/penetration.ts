import type { Push } from '../records';
import { shortMark } from '../units/marks';

/** Standard cones of ASAE S313: 30 degrees, base diameter and area (from memory). */
export const CONES = {
  large: { label: '20.27 mm cone', diameter: 0.02027 },
  small: { label: '12.83 mm cone', diameter: 0.01283 },
} as const;
export type Cone = keyof typeof CONES;

/**
 * Cone index: force over the base area of the cone, Pa (ASAE S313).
 *
 * @param force N, at least 0
 * @throws RangeError for a negative force
 * @example coneIndex(646, 'large') // 2.0e6
 */
export function coneIndex(force: number, cone: Cone): number {
  if (!(force >= 0)) throw new RangeError(`Force ${force} N: must be 0 or more.`);
  return force / ((Math.PI * CONES[cone].diameter ** 2) / 4);
}

/** Roots stop near 2 MPa (ASAE S313 practice; from memory). Resistance is of moist soil: dry soil resists more. */
export const LIMITING = 2e6;
/** A peak thinner than this is a stone or a root, not a layer; m. Judgement. */
const LAYER = 0.05;

export interface Reached {
  /** Depth at which the limit is reached and stays, m; the end of the push where it is not. */
  depth: number;
  /** The limit was not reached: the depth is at least this. */
  open: boolean;
}

/**
 * Depth at which a push first meets 2 MPa and does not come below it again within 5 cm; between two readings in
 * proportion. Where the cone would go no deeper that depth counts as reached.
 *
 * @returns undefined without readings
 */
export function reachedAt({ readings, stopped }: Pick<Push, 'readings' | 'stopped'>): Reached | undefined {
  const last = readings.at(-1);
  if (!last) return stopped === undefined ? undefined : { depth: stopped, open: false };
  let since: number | undefined;
  for (const [i, r] of readings.entries()) {
    if (r.pressure < LIMITING) {
      since = undefined;
      continue;
    }
    const before = readings[i - 1];
    since ??= before
      ? before.depth +
        ((LIMITING - before.pressure) / (r.pressure - before.pressure)) * (r.depth - before.depth)
      : r.depth;
    if (r.depth - since >= LAYER - 1e-9) return { depth: since, open: false };
  }
  if (stopped !== undefined) return { depth: since ?? stopped, open: false };
  return { depth: since ?? last.depth, open: since === undefined };
}

/** Value at a share of a sorted list, between neighbours in proportion. */
function quantile(sorted: readonly number[], share: number): number {
  const at = share * (sorted.length - 1);
  const below = Math.floor(at);
  const next = sorted[Math.min(below + 1, sorted.length - 1)]!;
  return sorted[below]! + (at - below) * (next - sorted[below]!);
}

export interface ProfileRow {
  depth: number;
  /** Pa; over the pushes that reach this depth. */
  median: number;
  low: number;
  high: number;
  count: number;
}

const pressureAt = ({ readings }: Push, depth: number): number | undefined => {
  const i = readings.findIndex((r) => r.depth >= depth - 1e-9);
  if (i < 0) return undefined;
  const [after, before] = [readings[i]!, readings[i - 1]];
  if (!before || after.depth === depth) return after.depth - depth < 1e-9 ? after.pressure : undefined;
  return (
    before.pressure +
    ((depth - before.depth) / (after.depth - before.depth)) * (after.pressure - before.pressure)
  );
};

/** Median and middle 80 % of several pushes by depth, every 2.5 cm. */
export function profileOfPushes(pushes: readonly Push[], step = 0.025): ProfileRow[] {
  const deepest = Math.max(0, ...pushes.map((p) => p.readings.at(-1)?.depth ?? 0));
  const rows: ProfileRow[] = [];
  for (let k = 1; k * step <= deepest + 1e-9; k++) {
    const depth = Number((k * step).toFixed(4));
    const values = pushes.flatMap((p) => pressureAt(p, depth) ?? []).sort((a, b) => a - b);
    if (values.length > 0)
      rows.push({
        depth,
        median: quantile(values, 0.5),
        low: quantile(values, 0.1),
        high: quantile(values, 0.9),
        count: values.length,
      });
  }
  return rows;
}

/** Depth of root room that is worth opening, m: tight above it, trenches help. Judgement. */
export const ROOM = 0.3;

export type Tightness = 'open' | 'surface' | 'pan' | 'whole' | 'hole' | 'few';

export interface PenetrationReading {
  pushes: number;
  /** Median depth at which the limit is reached, and its middle 80 %, m. */
  depth: { median: number; low: number; high: number };
  /** Share of pushes limited within the upper 30 cm. */
  limited: number;
  /** Pushes in dry soil, which resists more than it does moist. */
  dry: number;
  profile: ProfileRow[];
  tightness: Tightness;
  says: string;
}

/** Depth to which tight soil is called tight at the surface, m. Judgement. */
const SURFACE = 0.1;
/** Pushes needed before a kind is named. Judgement. */
const ENOUGH = 3;

/**
 * What pushes round a tree come to: how deep roots find room, and where the tight soil lies.
 *
 * @param hole edge of the planting hole from the bark, m, where it is known: soil loose within it and tight beyond
 * @returns undefined without a push
 */
export function readPushes(pushes: readonly Push[], hole?: number): PenetrationReading | undefined {
  const reached = pushes.flatMap((p) => reachedAt(p) ?? []);
  if (reached.length === 0) return undefined;
  const depths = reached.map((r) => r.depth).sort((a, b) => a - b);
  const limited = reached.filter((r) => !r.open && r.depth < ROOM).length / reached.length;
  const profile = profileOfPushes(pushes);
  const depth = { median: quantile(depths, 0.5), low: quantile(depths, 0.1), high: quantile(depths, 0.9) };
  const tightness = isConfined(pushes, hole)
    ? 'hole'
    : tightnessOf(reached.length, limited, depth.median, profile);
  const dry = pushes.filter((p) => p.moisture === 'dry').length;
  return { pushes: reached.length, dry, depth, limited, profile, tightness, says: SAYS[tightness] };
}

const limitedShare = (pushes: readonly Push[]): number => {
  const reached = pushes.flatMap((p) => reachedAt(p) ?? []);
  return reached.filter((r) => !r.open && r.depth < ROOM).length / Math.max(1, reached.length);
};

/** Loose inside the hole, tight outside: told where both sides were pushed. */
function isConfined(pushes: readonly Push[], hole: number | undefined): boolean {
  if (hole === undefined) return false;
  const inside = pushes.filter((p) => p.distance < hole);
  const outside = pushes.filter((p) => p.distance > hole);
  return (
    inside.length >= 2 &&
    outside.length >= ENOUGH &&
    limitedShare(inside) <= 0.25 &&
    limitedShare(outside) >= 0.5
  );
}

const SAYS: Record<Tightness, string> = {
  hole: 'Loose inside the planting hole and compacted beyond it: the hole confines the roots, and may hold water.',
  few: `Fewer than ${ENOUGH} pushes: one may have met a stone.`,
  open: `Open: roots find room to ${shortMark(ROOM)} and more at most places.`,
  surface: 'Compacted at the surface and open below: traffic and rain closed it from above.',
  pan: 'A compacted layer at depth with open soil above and below: a pan.',
  whole: 'Compacted from where it begins to as deep as the cone went.',
};

function tightnessOf(
  count: number,
  limited: number,
  median: number,
  profile: readonly ProfileRow[],
): Tightness {
  if (count < ENOUGH) return 'few';
  if (limited < 0.5) return 'open';
  // Open again below: the median comes under the limit for the thickness of a layer.
  const begins = profile.findIndex((r) => r.median >= LIMITING);
  const below = profile.slice(Math.max(0, begins)).filter((r) => r.median < LIMITING);
  const opens = begins >= 0 && below.length > 0 && below.at(-1)!.depth - below[0]!.depth >= LAYER - 1e-9;
  if (!opens) return 'whole';
  return median < SURFACE ? 'surface' : 'pan';
}
