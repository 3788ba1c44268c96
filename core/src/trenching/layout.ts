import { bestRound, shared, spaced } from './bestRound';
import {
  candidateAt,
  DEGREES,
  RADIANS,
  reachOf,
  wrap,
  zoneOf,
  type Candidate,
  type LayoutRules,
  type LayoutSite,
} from './candidates';

export type { LayoutRules, LayoutSite } from './candidates';

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
  const ground = { rules, zone, reach, gap };
  const apart = (a: number, b: number) => Math.min(wrap(a - b), wrap(b - a));

  const refused: Layout['refused'] = [];
  const fixed: Candidate[] = [];
  for (const bearing of [...new Set(locked.map(wrap))].sort((a, b) => a - b)) {
    const found = candidateAt(bearing, true, rules, site, zone, reach);
    if ('why' in found) refused.push({ bearing, why: found.why });
    else if (
      fixed.some(
        (f) => apart(f.bearing, bearing) < gap || !spaced(rules, f, found, apart(f.bearing, bearing)),
      )
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
  const chosen = bestRound(all, ground, widest, start).map((i) => all[i]!);
  const opened =
    chosen.reduce((sum, c) => sum + c.gain, 0) -
    chosen.reduce((sum, c, i) => {
      const next = chosen[(i + 1) % chosen.length]!;
      return chosen.length < 2 ? sum : sum + shared(ground, c, next, wrap(next.bearing - c.bearing));
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
}
