import { percent } from '../units/share';
import { PRACTICE } from '../practice/limit';
import { named, type QuantityKey } from '../vocabulary/quantities';
import type { Finding } from '../records';
import { answerTo } from '../questions/question';
import { LIMITS, TRENCH_LIMITS, VERTICAL } from '../practice';
import { blockedAlong } from './clear';
import type { Quantity } from '../units/quantity';
import type { TrenchPlan } from './plan';

export type SoilRemedy =
  | 'spokes'
  | 'vertical'
  | 'air'
  | 'sectors'
  | 'mulch'
  | 'drain'
  | 'subsoil'
  | 'nothing';

/** One way of opening the soil, on the same ground as the others. */
export interface Alternative {
  remedy: SoilRemedy;
  title: string;
  /** Share of the tight soil of the zone that it opens, and of the whole root zone that it disturbs. */
  opens: number;
  disturbs: number;
  hours: number;
  /** What it takes, with the names that the work is charged by; none where nothing is done. */
  quantities: Quantity[];
  /** The same season by season, where it goes over several. */
  bySeason: Quantity[][];
  /** Done with compressed air. */
  byAir: boolean;
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
  const turn = (2 * Math.PI) / BEARINGS;
  let whole = 0;
  const byBearing = Array.from({ length: BEARINGS }, (_, bearing) => {
    let free = 0;
    const edge = edges[bearing]!;
    for (let from = zone.from; from < edge; from += STEP) {
      const to = Math.min(from + STEP, edge);
      const cell = (turn * (to ** 2 - from ** 2)) / 2;
      whole += cell;
      if (isFree(bearing, (from + to) / 2)) free += cell;
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

type Inputs = [name: string, value: number, dimension: Quantity['dimension']][];

const quantityOf = (
  key: QuantityKey,
  value: number,
  dimension: Quantity['dimension'],
  formula: string,
  inputs: Inputs,
): Quantity => ({
  ...named(key),
  value,
  dimension,
  working: {
    formula,
    inputs: inputs.map(([n, v, d]) => ({ name: n, value: v, dimension: d })),
    source: PRACTICE,
    notes: [],
  },
});

const hoursOf = (hours: number, formula: string, inputs: Inputs): Quantity[] =>
  hours > 0 ? [quantityOf('crewHours', hours, 'hours', formula, inputs)] : [];

const volumeOf = (key: QuantityKey, volume: number, formula: string, inputs: Inputs): Quantity[] =>
  volume > 0 ? [quantityOf(key, volume, 'volume', formula, inputs)] : [];

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
 * @param spokes what the spokes take, in all and season by season
 * @param compost share of compost in what goes back
 */
export function alternativesTo(
  plan: TrenchPlan,
  spokes: Pick<Alternative, 'quantities' | 'bySeason'>,
  compost: number,
  findings: readonly Finding[],
): Alternative[] {
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
  const boreHours = holes === 0 ? 0 : LIMITS.setUpHours.value + holes / VERTICAL.holesAnHour.value;
  const bored = holes * Math.PI * (VERTICAL.diameter.value / 2) ** 2 * rules.depth;
  const airHours = area === 0 ? 0 : LIMITS.setUpHours.value + (area * airDepth) / LIMITS.airRate.value;
  const wedgeHours =
    wedges.area === 0 ? 0 : wedges.count * LIMITS.setUpHours.value + replaced / LIMITS.airRate.value;
  const wedgeWork = [
    ...hoursOf(wedgeHours, 'set-up for each wedge + soil / rate of the air tool', [
      ['soil', replaced, 'volume'],
      ['rate, m³ an hour', LIMITS.airRate.value, 'ratio'],
    ]),
    ...volumeOf('compost', replaced * compost, 'soil replaced × share of compost', [
      ['soil', replaced, 'volume'],
      ['share', compost, 'share'],
    ]),
    ...volumeOf('spoilToTakeAway', replaced * LIMITS.soilSwell.value, 'soil replaced × swell', [
      ['soil', replaced, 'volume'],
      ['swell', LIMITS.soilSwell.value, 'ratio'],
    ]),
  ];
  const nothing = { quantities: [], bySeason: [], byAir: false };
  const ofRootZone = (dug: number) => (plan.rootZone > 0 ? dug / plan.rootZone : 0);
  return [
    {
      remedy: 'spokes',
      title: 'Radial trenches',
      opens: bySpokes,
      disturbs: plan.disturbed,
      hours: spokes.quantities.find((q) => q.key === 'crewHours')?.value ?? 0,
      ...spokes,
      byAir: rules.school === 'air',
      advised: spokesDo,
      says: plan.blocked ?? `${plan.spokes.length} radial trenches, ${rules.label}. ${rules.why}`,
    },
    {
      remedy: 'vertical',
      title: 'Vertical mulching',
      opens: byHoles,
      disturbs: ofRootZone(holes * Math.PI * (VERTICAL.diameter.value / 2) ** 2),
      hours: boreHours,
      quantities: [
        ...(holes === 0 ? [] : [quantityOf('holes', holes, 'count', 'places on the grid that are free', [])]),
        ...hoursOf(boreHours, 'set-up + holes / rate', [
          ['holes', holes, 'count'],
          ['holes an hour', VERTICAL.holesAnHour.value, 'count'],
        ]),
        ...volumeOf('compost', bored, 'holes × pi × radius² × depth', [
          ['holes', holes, 'count'],
          ['diameter', VERTICAL.diameter.value, 'short length'],
          ['depth', rules.depth, 'short length'],
        ]),
      ],
      bySeason: [],
      byAir: false,
      advised: holesDo,
      says:
        holes === 0
          ? 'No hole finds room.'
          : `${holes} holes on a triangular grid. ${spokesDo ? 'Opens little to the side of each; for where radial trenches are blocked.' : 'Finds room where no radial trench does.'}`,
    },
    {
      remedy: 'air',
      title: 'Air decompaction of the whole zone',
      opens: share,
      disturbs: ofRootZone(area),
      hours: airHours,
      quantities: hoursOf(airHours, 'set-up + area × depth / rate of the air tool', [
        ['area', area, 'area'],
        ['depth', airDepth, 'short length'],
        ['rate, m³ an hour', LIMITS.airRate.value, 'ratio'],
      ]),
      bySeason: [],
      byAir: true,
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
      disturbs: ofRootZone(wedges.area),
      hours: wedgeHours,
      quantities: wedgeWork,
      // One wedge a season; they are alike.
      bySeason: Array.from({ length: wedgeHours === 0 ? 0 : wedges.count }, () =>
        wedgeWork.map((q) => ({ ...q, value: q.value / wedges.count })),
      ),
      byAir: true,
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
      ...nothing,
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
      ...nothing,
      advised: false,
      says: 'Opens the upper centimetres over years; goes with every other way.',
    },
    {
      remedy: 'subsoil',
      title: 'Subsoiling on the contour',
      opens: 0,
      disturbs: 0,
      hours: 0,
      ...nothing,
      advised: false,
      says: 'Only in ground not yet rooted: not within reach of this tree.',
    },
    {
      remedy: 'nothing',
      title: 'Leave the soil',
      opens: 0,
      disturbs: 0,
      hours: 0,
      ...nothing,
      advised: !spokesDo && !holesDo && !airDoes && !stands,
      says:
        share === 0
          ? 'Nothing can be opened while what covers the ground lies there: plan for the day it is lifted.'
          : 'Compacted soil does not open by itself while it is walked on.',
    },
  ];
}
