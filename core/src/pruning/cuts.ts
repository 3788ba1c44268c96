import type { StemRate } from '../growth/rates';
import { rootRate } from '../growth/rates';
import { bearingOf, isAnchor, topDepth, type DigReading, type RootReading } from '../roots';
import { LIMITS } from '../practice/limits';

/** Where a root is severed. */
export interface Cut {
  /** Vertex of its path. */
  vertex: number;
  /** True bearing, and distance of the middle of the root from the bark, m. */
  bearing: number;
  fromBark: number;
  depth: number;
  diameter: number;
  /** Distance from the centre of the stem in multiples of DBH; undefined without one. */
  timesDbh: number | undefined;
  /** Position in plan, m from the centre of the stem. */
  x: number;
  y: number;
}

/** Growth that a stump must stay clear of, years: the look-ahead of {@link LIMITS.girdleSoonYears}. */
const YEARS = LIMITS.girdleSoonYears.value;

function cutAt({ path }: RootReading, vertex: number, { outline }: DigReading, dbh: number | undefined): Cut {
  const [x, y] = [path.x[vertex]!, path.y[vertex]!];
  const bearing = bearingOf(x, y);
  const out = Math.hypot(x, y);
  return {
    vertex,
    bearing,
    fromBark: out - outline.radius(bearing),
    depth: topDepth(path, vertex),
    diameter: 2 * path.radius[vertex]!,
    timesDbh: dbh ? out / dbh : undefined,
    x,
    y,
  };
}

/**
 * The cuts that free the stem of a root: one on each side of the stretch in which it presses or soon will, each where
 * the root has come clear of the bark by {@link LIMITS.cutClearance} and ten years of growth. On the side of its own base
 * a root that grows from the stem is cut where it begins to press: there is nothing farther out. One that grows from the
 * stem and does not press yet goes with a single cut where it comes clear of its base.
 */
export function cutsFor(
  reading: RootReading,
  dig: DigReading,
  dbh: number | undefined,
  stem: StemRate,
): Cut[] {
  const { path, counted, root } = reading;
  const last = path.x.length - 1;
  const ahead = LIMITS.cutClearance.value + YEARS * (stem.perYear + rootRate(root, stem).perYear);
  const gap = (i: number) =>
    Math.hypot(path.x[i]!, path.y[i]!) -
    dig.outline.radius(bearingOf(path.x[i]!, path.y[i]!)) -
    path.radius[i]!;
  const near: number[] = [];
  for (let i = counted; i <= last; i++) if (gap(i) < ahead) near.push(i);
  if (near.length === 0) return aboutAnchors(reading, dig, dbh);
  const pressed = reading.compression.presses;
  const [begin, end] = [near[0]!, near[near.length - 1]!];
  const inner = root.start === 'stem' ? Math.min(pressed?.from ?? begin, begin) : Math.max(0, begin - 1);
  const outer = Math.min(last, end + 1);
  if (!pressed && root.start === 'stem') return [cutAt(reading, counted <= last ? counted : last, dig, dbh)];
  const ends = inner === outer || (root.start !== 'stem' && begin === 0) ? [outer] : [inner, outer];
  return ends.map((vertex) => cutAt(reading, vertex, dig, dbh));
}

/**
 * The cuts that free an anchor of a root that keeps clear of the stem: one on each side of the stretch in which it lies
 * on an anchor that it does not grow from, by {@link LIMITS.cutClearance}.
 */
function aboutAnchors(reading: RootReading, dig: DigReading, dbh: number | undefined): Cut[] {
  const { path, root, counted } = reading;
  const last = path.x.length - 1;
  const onAnchor = (i: number) =>
    dig.roots.some(
      (other) =>
        other !== reading &&
        isAnchor(other.root) &&
        root.from !== other.root.label &&
        other.root.from !== root.label &&
        other.path.x.some((x, k) => {
          const [dx, dy, dz] = [x - path.x[i]!, other.path.y[k]! - path.y[i]!, other.path.z[k]! - path.z[i]!];
          const clear = other.path.radius[k]! + path.radius[i]! + LIMITS.cutClearance.value;
          return dx * dx + dy * dy + dz * dz < clear * clear;
        }),
    );
  const near: number[] = [];
  for (let i = counted; i <= last; i++) if (onAnchor(i)) near.push(i);
  if (near.length === 0) return [];
  const ends = [Math.max(0, near[0]! - 1), Math.min(last, near.at(-1)! + 1)];
  return [...new Set(ends)].map((vertex) => cutAt(reading, vertex, dig, dbh));
}

/** Length of root between its cuts, along its path; what has grown in stays in the bark. */
export const betweenCuts = ({ path }: RootReading, cuts: readonly Cut[]): number =>
  cuts.length < 2 ? 0 : path.along[cuts[1]!.vertex]! - path.along[cuts[0]!.vertex]!;
