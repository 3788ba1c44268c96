import type { Finding } from '../casefile/model';
import { answerTo } from '../base/question';
import { LIMITS, TRENCH_LIMITS, VERTICAL } from '../practice';
import { blockedAlong } from './clear';
import type { TrenchPlan } from './plan';

export type SoilRemedy =
  'spokes' | 'vertical' | 'air' | 'sectors' | 'mulch' | 'drain' | 'subsoil' | 'nothing';

/** One way of opening the soil, on the same ground as the others. */
export interface Alternative {
  remedy: SoilRemedy;
  title: string;
  /** Share of the tight soil of the zone that it opens, and of the zone that it disturbs. */
  opens: number;
  disturbs: number;
  hours: number;
  /** What it comes to, and why it is or is not the one. */
  says: string;
  advised: boolean;
}

/** Below this share opened, spokes are no answer where another way opens more. Judgement. */
const ENOUGH = 0.25;
const BEARINGS = 360;
const STEP = 0.1;

interface Reachable {
  /** Share of the zone that no obstacle keeps a tool from, its area, and that of the whole zone; m2. */
  share: number;
  area: number;
  whole: number;
  /** The same area by whole degrees of bearing, m2. */
  byBearing: number[];
  /** Holes of a triangular grid that find room in it. */
  holes: number;
}

function reachable({ zone, edges, obstacles }: TrenchPlan): Reachable {
  const blocked = Array.from({ length: BEARINGS }, (_, bearing) =>
    blockedAlong(bearing, obstacles, VERTICAL.diameter.value),
  );
  const isFree = (bearing: number, r: number) =>
    !blocked[((Math.round(bearing) % BEARINGS) + BEARINGS) % BEARINGS]!.some((b) => b.from < r && r < b.to);
  const cell = (STEP * 2 * Math.PI) / BEARINGS;
  let whole = 0;
  const byBearing = Array.from({ length: BEARINGS }, (_, bearing) => {
    let free = 0;
    for (let r = zone.from + STEP / 2; r < edges[bearing]!; r += STEP) {
      whole += r * cell;
      if (isFree(bearing, r)) free += r * cell;
    }
    return free;
  });
  const area = byBearing.reduce((a, b) => a + b, 0);
  const spacing = VERTICAL.spacing.value;
  const rows = Math.ceil(zone.to / (spacing * Math.sin(Math.PI / 3)));
  let holes = 0;
  for (let row = -rows; row <= rows; row++) {
    const y = row * spacing * Math.sin(Math.PI / 3);
    for (let k = -Math.ceil(zone.to / spacing) - 1; k <= zone.to / spacing + 1; k++) {
      const x = (k + (row % 2 === 0 ? 0 : 0.5)) * spacing;
      const r = Math.hypot(x, y);
      const bearing = (Math.atan2(x, y) * 180) / Math.PI;
      if (r >= zone.from && r <= edges[(Math.round(bearing) + BEARINGS) % BEARINGS]! && isFree(bearing, r))
        holes++;
    }
  }
  return { share: whole > 0 ? area / whole : 0, area, whole, byBearing, holes };
}

/** Wedges of soil that are replaced, evenly round the stem where they reach the most ground. */
export interface Wedges {
  /** Middle of the first, degrees; the others follow at even angles. */
  at: number;
  count: number;
  /** Angle of each, degrees. */
  angle: number;
  /** Ground in all of them that can be reached, m2. */
  area: number;
}

/**
 * The turn of evenly spread wedges that takes in the most ground; every degree is tried.
 *
 * @param byBearing ground that can be reached, by degree, m2
 * @param angle of one wedge, whole degrees
 */
export function bestWedges(byBearing: readonly number[], count: number, angle: number): Wedges {
  const n = byBearing.length;
  const apart = n / count;
  let best: Wedges = { at: 0, count, angle, area: -1 };
  for (let at = 0; at < apart; at++) {
    let area = 0;
    for (let k = 0; k < count; k++)
      for (let d = 0; d < angle; d++)
        area += byBearing[(Math.round(at + k * apart - angle / 2 + d) + n) % n]!;
    if (area > best.area + 1e-12) best = { at, count, angle, area };
  }
  return best;
}

/**
 * Every way of opening the soil weighed on the same ground. The first advised one is what the rules choose.
 *
 * @param hours crew hours of the spokes, as their quantities have it
 */
export function alternativesTo(plan: TrenchPlan, hours: number, findings: readonly Finding[]): Alternative[] {
  const { layout, rules } = plan;
  const { share, area, whole, byBearing, holes } = reachable(plan);
  const wedges = bestWedges(byBearing, VERTICAL.sectors.value, Math.floor(BEARINGS * plan.allowedAtOnce));
  const replaced = wedges.area * rules.depth;
  const bySpokes = layout.tight > 0 ? layout.opened / layout.tight : 0;
  const spread = Math.PI * (VERTICAL.diameter.value / 2 + VERTICAL.spread.value) ** 2;
  const byHoles = Math.min(share, (holes * spread) / whole);
  const airDepth = VERTICAL.airDepth.value;
  const stands = ['standing', 'damp'].includes(answerTo(findings, 'probe.drain')?.answer ?? '');
  const spokesDo = bySpokes >= ENOUGH;
  const holesDo = !spokesDo && byHoles > bySpokes && holes > 0;
  const airDoes = !spokesDo && !holesDo && share > 0;
  const percent = (s: number) => `${Math.round(100 * s)} %`;
  return [
    {
      remedy: 'spokes',
      title: 'Radial trenches',
      opens: bySpokes,
      disturbs: layout.disturbed,
      hours,
      advised: spokesDo,
      says: plan.blocked ?? `${plan.spokes.length} spokes, ${rules.label}. ${rules.why}`,
    },
    {
      remedy: 'vertical',
      title: 'Vertical mulching',
      opens: byHoles,
      disturbs: (holes * Math.PI * (VERTICAL.diameter.value / 2) ** 2) / whole,
      hours: holes === 0 ? 0 : LIMITS.setUpHours.value + holes / VERTICAL.holesAnHour.value,
      advised: holesDo,
      says:
        holes === 0
          ? 'No hole finds room.'
          : `${holes} holes on a triangular grid. ${spokesDo ? 'Opens little to the side of each; for where spokes are blocked.' : 'Finds room where no spoke does.'}`,
    },
    {
      remedy: 'air',
      title: 'Air decompaction of the whole zone',
      opens: share,
      disturbs: share,
      hours: area === 0 ? 0 : LIMITS.setUpHours.value + (area * airDepth) / LIMITS.airRate.value,
      advised: airDoes,
      says:
        share === 0
          ? 'No ground within the zone can be reached.'
          : `Opens all that can be reached, and disturbs it all at once: over ${percent(TRENCH_LIMITS.disturbedAtOnce.value)} it goes by sectors over seasons.`,
    },
    {
      remedy: 'sectors',
      title: 'Soil replaced by sectors',
      opens: whole > 0 ? wedges.area / whole : 0,
      disturbs: whole > 0 ? wedges.area / whole : 0,
      hours: wedges.area === 0 ? 0 : wedges.count * LIMITS.setUpHours.value + replaced / LIMITS.airRate.value,
      advised: false,
      says:
        wedges.area === 0
          ? 'No ground within the zone can be reached.'
          : `${wedges.count} wedges of ${wedges.angle}° from ${wedges.at}° round, one a season, ${replaced.toFixed(1)} m³ in all. ${VERTICAL.sectors.reason} For soil that is poisoned or beyond opening; roots in it are kept.`,
    },
    {
      remedy: 'drain',
      title: 'Drainage outlet',
      opens: 0,
      disturbs: 0,
      hours: 0,
      advised: stands,
      says: stands
        ? 'The hole holds water a day later: whatever else is done, the water must get out.'
        : 'No test says that water stands; look a day after filling the hole.',
    },
    {
      remedy: 'mulch',
      title: 'Surface mulch only',
      opens: 0,
      disturbs: 0,
      hours: 0,
      advised: false,
      says: 'Opens the upper centimetres over years; goes with every other way.',
    },
    {
      remedy: 'subsoil',
      title: 'Subsoiling on the contour',
      opens: 0,
      disturbs: 0,
      hours: 0,
      advised: false,
      says: 'Only in ground not yet rooted: not within reach of this tree.',
    },
    {
      remedy: 'nothing',
      title: 'Leave the soil',
      opens: 0,
      disturbs: 0,
      hours: 0,
      advised: !spokesDo && !holesDo && !airDoes && !stands,
      says:
        share === 0
          ? 'Nothing can be opened while what covers the ground lies there: plan for the day it is lifted.'
          : 'Tight soil does not open by itself while it is walked on.',
    },
  ];
}
