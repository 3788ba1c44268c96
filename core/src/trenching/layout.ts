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

export interface Spoke {
  /** Degrees clockwise from north. */
  bearing: number;
  /** From the centre of the stem, m. */
  from: number;
  to: number;
  /** Chosen by hand: the layout goes round it. */
  locked: boolean;
  /** What ended it. */
  limit: string;
  /** Tight soil it brings by itself, m2. */
  opens: number;
}

export interface Layout {
  spokes: Spoke[];
  /** Tight soil of the zone, and that within reach of a trench, m2. */
  tight: number;
  opened: number;
  length: number;
  /** Locked bearings that could not be dug, with the reason. */
  refused: { bearing: number; why: string }[];
  /** Bearings with room for a spoke, of 360. */
  free: number;
}

/** Rings of the zone, m. */
const RING = 0.1;
const DEGREES = 360;
const RADIANS = Math.PI / 180;

/** Tight soil of the zone in rings of 10 cm and bearings of one degree, as running sums along each ring. */
interface Zone {
  radius: Float64Array;
  /** `sums[ring][d]`: tight degrees from north to bearing d, times the area of a degree of that ring, m2. */
  sums: Float64Array[];
  total: number;
  /** All of its ground, tight or not, m2. */
  area: number;
}

function zoneOf(rules: LayoutRules, { tight, edge }: LayoutSite): Zone {
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
function sumAt(sum: Float64Array, bearing: number): number {
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
const reachOf = (rules: LayoutRules, zone: Zone): Float64Array =>
  zone.radius.map((r) => Math.asin(Math.min(1, (rules.opened + rules.width / 2) / r)) / RADIANS);

interface Candidate {
  bearing: number;
  from: number;
  to: number;
  limit: string;
  rings: [number, number];
  gain: number;
  locked: boolean;
}

/** The spoke that a bearing allows: its longest free stretch, cut back to where the soil is tight. */
function candidateAt(
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

/**
 * Least angle between spokes, degrees: that of the spacing where they begin, and wide enough that no soil lies within
 * reach of three spokes at once, so that what neighbours share is all there is to subtract.
 */
function leastGap(rules: LayoutRules): number {
  const half = rules.opened + rules.width / 2;
  return (
    Math.max(
      2 * Math.asin(Math.min(1, rules.innerSpacing / (2 * rules.from))),
      Math.asin(Math.min(1, half / rules.from)),
    ) / RADIANS
  );
}

/**
 * Lays spokes out so that they open the most tight soil within the rules, counted on rings of 10 cm. Exact over
 * bearings of one degree (and the locked ones): soil within reach of two spokes is counted once, only neighbours share
 * any, so the best choice is the best way round the circle, found by dynamic programming from each first spoke.
 *
 * @param locked bearings that must be in it, degrees; one that cannot be dug is named in `refused`
 * @param avoid bearings that must not be in it: taken out by hand
 * @throws RangeError where the zone has no width or a rule is not positive
 */
export function layOut(
  rules: LayoutRules,
  site: LayoutSite,
  locked: readonly number[] = [],
  avoid: readonly number[] = [],
): Layout {
  for (const key of ['width', 'from', 'opened', 'leastLength'] as const)
    if (!(rules[key] > 0)) throw new RangeError(`${key} ${rules[key]}: must be over 0 m.`);
  if (!(rules.to > rules.from))
    throw new RangeError(
      `Radial trenches would begin at ${rules.from} m and end at ${rules.to} m from the stem.`,
    );
  const zone = zoneOf(rules, site);
  const reach = reachOf(rules, zone);
  const gap = leastGap(rules);
  const wrap = (bearing: number) => ((bearing % DEGREES) + DEGREES) % DEGREES;
  const apart = (a: number, b: number) => Math.min(wrap(a - b), wrap(b - a));

  const refused: Layout['refused'] = [];
  const fixed: Candidate[] = [];
  for (const bearing of [...new Set(locked.map(wrap))].sort((a, b) => a - b)) {
    const found = candidateAt(bearing, true, rules, site, zone, reach);
    if ('why' in found) refused.push({ bearing, why: found.why });
    else if (
      fixed.some((f) => apart(f.bearing, bearing) < gap || !spaced(f, found, apart(f.bearing, bearing)))
    )
      refused.push({ bearing, why: 'too close to another that is locked' });
    else fixed.push(found);
  }
  let free = 0;
  const open: Candidate[] = [];
  for (let bearing = 0; bearing < DEGREES; bearing++) {
    const found = candidateAt(bearing, false, rules, site, zone, reach);
    if ('why' in found) continue;
    free++;
    if (avoid.some((a) => apart(a, bearing) < gap / 2)) continue;
    if (fixed.some((f) => apart(f.bearing, bearing) < gap)) continue;
    if (found.gain >= rules.leastGain) open.push(found);
  }
  const found = [...fixed, ...open];
  // From this angle on two spokes share nothing and keep their spacing, whatever their lengths.
  const shortest = Math.min(...found.map((c) => c.to));
  const widest = Math.max(
    gap,
    2 * reach[0]!,
    (2 * Math.asin(Math.min(1, rules.outerSpacing / (2 * shortest)))) / RADIANS,
  );
  const start = fixed[0]?.bearing ?? wrap((open[0]?.bearing ?? 0) - widest);
  const all = found.sort((a, b) => wrap(a.bearing - start) - wrap(b.bearing - start));
  const chosen = bestRound(all).map((i) => all[i]!);
  const opened =
    chosen.reduce((sum, c) => sum + c.gain, 0) -
    chosen.reduce((sum, c, i) => {
      const next = chosen[(i + 1) % chosen.length]!;
      return chosen.length < 2 ? sum : sum + shared(c, next, wrap(next.bearing - c.bearing));
    }, 0);
  const length = chosen.reduce((sum, c) => sum + c.to - c.from, 0);
  return {
    spokes: chosen
      .map(({ bearing, from, to, limit, gain, locked }) => ({
        bearing,
        from,
        to,
        limit,
        opens: gain,
        locked,
      }))
      .sort((a, b) => a.bearing - b.bearing),
    tight: zone.total,
    opened,
    length,
    refused,
    free,
  };

  /** Whether two spokes keep the spacing where the shorter one ends. */
  function spaced(a: Candidate, b: Candidate, angle: number): boolean {
    const end = Math.min(a.to, b.to);
    return 2 * end * Math.sin(Math.min(90, angle / 2) * RADIANS) >= rules.outerSpacing - 1e-9;
  }

  /** Tight soil within reach of both of two spokes, the second `angle` degrees on from the first, m2. */
  function shared(a: Candidate, b: Candidate, angle: number): number {
    let sum = 0;
    const last = Math.min(a.rings[1], b.rings[1]);
    for (let k = Math.max(a.rings[0], b.rings[0]); k < last; k++) {
      const over = 2 * reach[k]! - angle;
      // Rings farther out share less and less.
      if (over <= 0) break;
      const begin = a.bearing + angle - reach[k]!;
      sum += sumAt(zone.sums[k]!, begin + over) - sumAt(zone.sums[k]!, begin);
    }
    return sum;
  }

  /** Indices of the best choice of candidates in their order round the circle, each locked one among them. */
  function bestRound(list: readonly Candidate[]): number[] {
    const n = list.length;
    if (n === 0) return [];
    const worth = list.map((c) => c.gain - rules.leastGain);
    const turn = list.map((c) => wrap(c.bearing - list[0]!.bearing));
    /** What two neighbours lose to each other; infinite where they stand too close. */
    const loss = (i: number, j: number): number => {
      const angle = wrap(list[j]!.bearing - list[i]!.bearing);
      if (angle >= widest && DEGREES - angle >= widest) return 0;
      const near = Math.min(angle, DEGREES - angle);
      if (near < gap - 1e-9 || !spaced(list[i]!, list[j]!, near)) return Infinity;
      return shared(list[i]!, list[j]!, angle);
    };
    const losses = new Float64Array(n * n).fill(NaN);
    const lossOf = (i: number, j: number) => {
      const key = i * n + j;
      if (Number.isNaN(losses[key]!)) losses[key] = loss(i, j);
      return losses[key]!;
    };
    const forced = list.flatMap((c, i) => (c.locked ? [i] : []));
    // Where nothing is locked, a best round has a spoke within `widest` of any candidate: else that one could be added.
    const firsts =
      forced.length > 0 ? [0] : list.flatMap((c, i) => (wrap(c.bearing - start) <= 2 * widest ? [i] : []));
    let best = -Infinity;
    let round: number[] = [];
    const value = new Float64Array(n);
    const before = new Int32Array(n);
    for (const f of firsts) {
      value.fill(-Infinity);
      before.fill(-1);
      value[f] = worth[f]!;
      // Best of those far enough back to share nothing, walked once; none before the last locked one.
      let far = f;
      let farBest = -1;
      for (let i = f + 1; i < n; i++) {
        if (list[i - 1]!.locked) {
          far = i - 1;
          farBest = -1;
        }
        for (; far < i && turn[i]! - turn[far]! >= widest; far++)
          if (farBest < 0 || value[far]! > value[farBest]!) farBest = far;
        if (farBest >= 0) {
          value[i] = value[farBest]! + worth[i]!;
          before[i] = farBest;
        }
        for (let j = far; j < i; j++) {
          if (value[j] === -Infinity) continue;
          const through = value[j]! - lossOf(j, i) + worth[i]!;
          if (through > value[i]!) {
            value[i] = through;
            before[i] = j;
          }
        }
      }
      const last = forced.at(-1) ?? f;
      for (let i = Math.max(last, f); i < n; i++) {
        if (value[i] === -Infinity) continue;
        const total = i === f ? value[i]! : value[i]! - lossOf(i, f);
        if (total > best + 1e-12) {
          best = total;
          round = [];
          for (let k = i; k >= 0; k = before[k]!) round.unshift(k);
        }
      }
    }
    return best > 0 || forced.length > 0 ? round : [];
  }
}
