import { blockedAlong, freeOf, type Obstacle } from './clear';

/** What a layout must keep to; m. */
export interface LayoutRules {
  width: number;
  /** Nearest and farthest a spoke may reach, from the centre of the stem. */
  from: number;
  to: number;
  innerSpacing: number;
  outerSpacing: number;
  leastLength: number;
  /** Soil within this of the wall of a trench counts as opened. */
  opened: number;
  /** Opened soil that a spoke must bring beyond its neighbours, m2. */
  leastGain: number;
}

export interface LayoutSite {
  obstacles: readonly Obstacle[];
  /** Where the zone ends along a bearing, m; `to` of the rules where not given, and never beyond it. */
  edge?: (bearing: number) => number;
  /** How much the soil at a place wants opening, 0 open to 1 tight; all of it where not given. */
  tight?: (x: number, y: number) => number;
  /** Share of a bearing that may be dug at all, else why not: on a slope, for one. */
  refused?: (bearing: number) => string | undefined;
}

/** Rings of the zone, m. */
const RING = 0.1;
export const DEGREES = 360;
export const RADIANS = Math.PI / 180;
/** A bearing within one turn. */
export const wrap = (bearing: number): number => ((bearing % DEGREES) + DEGREES) % DEGREES;

/** Tight soil of the zone in rings of 10 cm and bearings of one degree, as running sums along each ring. */
export interface Zone {
  radius: Float64Array;
  /** `sums[ring][d]`: tight degrees from north to bearing d, times the area of a degree of that ring, m2. */
  sums: Float64Array[];
  total: number;
  /** All of its ground, tight or not, m2. */
  area: number;
}

/** The zone of a layout: its ground in rings, and how much of each wants opening. */
export function zoneOf(rules: LayoutRules, { tight, edge }: LayoutSite): Zone {
  const rings = Math.max(1, Math.ceil((rules.to - rules.from) / RING - 1e-9));
  const radius = Float64Array.from({ length: rings }, (_, k) =>
    Math.min(rules.from + (k + 0.5) * RING, rules.to),
  );
  const edges = edge && Float64Array.from({ length: DEGREES }, (_, d) => edge(d + 0.5));
  let total = 0;
  let area = 0;
  const sums = Array.from(radius, (r, k) => {
    const inner = rules.from + k * RING;
    const outer = Math.min(inner + RING, rules.to);
    const cell = ((outer * outer - inner * inner) / 2) * RADIANS;
    const sum = new Float64Array(DEGREES + 1);
    for (let d = 0; d < DEGREES; d++) {
      const angle = (d + 0.5) * RADIANS;
      const inside = !edges || r <= edges[d]!;
      const wants = !inside ? 0 : tight ? tight(r * Math.sin(angle), r * Math.cos(angle)) : 1;
      if (inside) area += cell;
      sum[d + 1] = sum[d]! + wants * cell;
    }
    total += sum[DEGREES]!;
    return sum;
  });
  return { radius, sums, total, area };
}

/** Running sum at any bearing, turns counted on. */
export function sumAt(sum: Float64Array, bearing: number): number {
  const turns = Math.floor(bearing / DEGREES);
  const at = bearing - turns * DEGREES;
  const d = Math.floor(at);
  const part = sum[d]! + (at - d) * ((sum[d + 1] ?? sum[d]!) - sum[d]!);
  return turns * sum[DEGREES]! + part;
}

/** Rings whose middle a spoke reaches. */
const ringsOf = (rules: LayoutRules, { from, to }: { from: number; to: number }): [number, number] => [
  Math.max(0, Math.ceil((from - rules.from) / RING - 0.5 - 1e-9)),
  Math.ceil((to - rules.from) / RING - 0.5 - 1e-9),
];

/** Half the angle, degrees, within which soil of each ring lies within reach of a spoke. */
export const reachOf = (rules: LayoutRules, zone: Zone): Float64Array =>
  zone.radius.map((r) => Math.asin(Math.min(1, (rules.opened + rules.width / 2) / r)) / RADIANS);

/** A spoke that a bearing allows. */
export interface Candidate {
  bearing: number;
  from: number;
  to: number;
  limit: string;
  rings: [number, number];
  gain: number;
  locked: boolean;
}

/** The spoke that a bearing allows: its longest free stretch, cut back to where the soil is tight. */
export function candidateAt(
  bearing: number,
  locked: boolean,
  rules: LayoutRules,
  site: LayoutSite,
  zone: Zone,
  reach: Float64Array,
): Candidate | { why: string } {
  const refused = site.refused?.(bearing);
  if (refused) return { why: refused };
  const blocked = blockedAlong(bearing, site.obstacles, rules.width);
  const ends = { from: rules.from, to: Math.min(rules.to, site.edge?.(bearing) ?? Infinity) };
  const [longest] = freeOf(ends, blocked).sort((a, b) => b.to - b.from - (a.to - a.from));
  if (!longest || longest.to - longest.from < rules.leastLength) {
    const by = [...new Set(blocked.filter((b) => b.to > ends.from && b.from < ends.to).map((b) => b.by))];
    return { why: by.length > 0 ? `no room beside ${by.join(', ')}` : 'no room' };
  }
  const within = (k: number) =>
    sumAt(zone.sums[k]!, bearing + reach[k]!) - sumAt(zone.sums[k]!, bearing - reach[k]!);
  const [first, end] = ringsOf(rules, longest);
  let last = end;
  while (last > first && within(last - 1) <= 0) last--;
  let gain = 0;
  for (let k = first; k < last; k++) gain += within(k);
  const open = last < end;
  const to = open ? Math.min(longest.to, rules.from + last * RING) : longest.to;
  if (to - longest.from < rules.leastLength) return { why: 'the soil is open' };
  return {
    bearing,
    from: longest.from,
    to,
    limit: open ? 'the soil opens' : (longest.outerLimit ?? 'full reach'),
    rings: [first, last],
    gain,
    locked,
  };
}
