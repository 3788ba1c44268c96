import { percent } from '../units/share';
import { PRACTICE } from '../practice/limit';
import { named, type QuantityKey } from '../vocabulary/quantities';
import type { Finding } from '../records';
import { answerTo } from '../questions/question';
import { LIMITS, TRENCH_LIMITS, VERTICAL } from '../practice';
import type { Quantity } from '../units/quantity';
import type { TrenchPlan } from './plan';
import { BEARINGS, bestWedges, reachable, type Reachable } from './reachable';

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

/** What every way is weighed on. */
interface OnGround {
  plan: TrenchPlan;
  reach: Reachable;
  /** Share of compost in what goes back. */
  compost: number;
  /** Share of the root zone that so much ground is, m2. */
  ofRootZone: (dug: number) => number;
}

/** A way that takes no amounts of its own. */
const WITHOUT_AMOUNTS = {
  opens: 0,
  disturbs: 0,
  hours: 0,
  quantities: [],
  bySeason: [],
  byAir: false,
} satisfies Partial<Alternative>;

/** What one way comes to, before it is known which is advised. */
type Way = Omit<Alternative, 'advised'>;

function bySpokes(
  { layout, rules, disturbed, blocked, spokes }: TrenchPlan,
  taken: Pick<Alternative, 'quantities' | 'bySeason'>,
): Way {
  return {
    remedy: 'spokes',
    title: 'Radial trenches',
    opens: layout.tight > 0 ? layout.opened / layout.tight : 0,
    disturbs: disturbed,
    hours: taken.quantities.find((q) => q.key === 'crewHours')?.value ?? 0,
    ...taken,
    byAir: rules.school === 'air',
    says: blocked ?? `${spokes.length} radial trenches, ${rules.label}. ${rules.why}`,
  };
}

/** @param spokesDo whether radial trenches do by themselves */
function byHoles({ plan, reach, ofRootZone }: OnGround, spokesDo: boolean): Way {
  const { holes, share, whole } = reach;
  const { depth } = plan.rules;
  const diameter = VERTICAL.diameter.value;
  const bored = holes * Math.PI * (diameter / 2) ** 2;
  const spread = Math.PI * (diameter / 2 + VERTICAL.spread.value) ** 2;
  const hours = holes === 0 ? 0 : LIMITS.setUpHours.value + holes / VERTICAL.holesAnHour.value;
  return {
    remedy: 'vertical',
    title: 'Vertical mulching',
    opens: Math.min(share, (holes * spread) / whole),
    disturbs: ofRootZone(bored),
    hours,
    quantities: [
      ...(holes === 0 ? [] : [quantityOf('holes', holes, 'count', 'places on the grid that are free', [])]),
      ...hoursOf(hours, 'set-up + holes / rate', [
        ['holes', holes, 'count'],
        ['holes an hour', VERTICAL.holesAnHour.value, 'count'],
      ]),
      ...volumeOf('compost', bored * depth, 'holes × pi × radius² × depth', [
        ['holes', holes, 'count'],
        ['diameter', diameter, 'short length'],
        ['depth', depth, 'short length'],
      ]),
    ],
    bySeason: [],
    byAir: false,
    says:
      holes === 0
        ? 'No hole finds room.'
        : `${holes} holes on a triangular grid. ${spokesDo ? 'Opens little to the side of each; for where radial trenches are blocked.' : 'Finds room where no radial trench does.'}`,
  };
}

function byAirTool({ reach: { share, area }, ofRootZone }: OnGround): Way {
  const depth = VERTICAL.airDepth.value;
  const hours = area === 0 ? 0 : LIMITS.setUpHours.value + (area * depth) / LIMITS.airRate.value;
  return {
    remedy: 'air',
    title: 'Air decompaction of the whole zone',
    opens: share,
    disturbs: ofRootZone(area),
    hours,
    quantities: hoursOf(hours, 'set-up + area × depth / rate of the air tool', [
      ['area', area, 'area'],
      ['depth', depth, 'short length'],
      ['rate, m³ an hour', LIMITS.airRate.value, 'ratio'],
    ]),
    bySeason: [],
    byAir: true,
    says:
      share === 0
        ? 'No ground within the zone can be reached.'
        : `Opens all that can be reached, and disturbs it all at once: over ${percent(TRENCH_LIMITS.disturbedAtOnce.value)} it goes by sectors over seasons.`,
  };
}

function bySectors({ plan, reach: { byBearing, whole }, compost, ofRootZone }: OnGround): Way {
  const wedges = bestWedges(byBearing, VERTICAL.sectors.value, Math.floor(BEARINGS * plan.allowedAtOnce));
  const replaced = wedges.area * plan.rules.depth;
  const rate = LIMITS.airRate.value;
  const hours = wedges.area === 0 ? 0 : wedges.count * LIMITS.setUpHours.value + replaced / rate;
  const quantities = [
    ...hoursOf(hours, 'set-up for each wedge + soil / rate of the air tool', [
      ['soil', replaced, 'volume'],
      ['rate, m³ an hour', rate, 'ratio'],
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
  return {
    remedy: 'sectors',
    title: 'Soil replaced by sectors',
    opens: whole > 0 ? wedges.area / whole : 0,
    disturbs: ofRootZone(wedges.area),
    hours,
    quantities,
    // One wedge a season; they are alike.
    bySeason: Array.from({ length: hours === 0 ? 0 : wedges.count }, () =>
      quantities.map((q) => ({ ...q, value: q.value / wedges.count })),
    ),
    byAir: true,
    says:
      wedges.area === 0
        ? 'No ground within the zone can be reached.'
        : `${wedges.count} wedges of ${wedges.angle}° from ${wedges.at}° round, one a season, ${replaced.toFixed(1)} m³ in all. ${VERTICAL.sectors.reason} For soil that is poisoned or beyond opening; roots in it are kept.`,
  };
}

/** @param stands whether water stood in the test hole a day later */
const byDrain = (stands: boolean): Alternative => ({
  remedy: 'drain',
  title: 'Drainage outlet',
  ...WITHOUT_AMOUNTS,
  advised: stands,
  says: stands
    ? 'The hole holds water a day later: whatever else is done, the water must get out.'
    : 'No test says that water stands; look a day after filling the hole.',
});

const MULCH_ONLY: Alternative = {
  remedy: 'mulch',
  title: 'Surface mulch only',
  ...WITHOUT_AMOUNTS,
  advised: false,
  says: 'Opens the upper centimetres over years; goes with every other way.',
};

const SUBSOILING: Alternative = {
  remedy: 'subsoil',
  title: 'Subsoiling on the contour',
  ...WITHOUT_AMOUNTS,
  advised: false,
  says: 'Only in ground not yet rooted: not within reach of this tree.',
};

const leaving = (share: number, advised: boolean): Alternative => ({
  remedy: 'nothing',
  title: 'Leave the soil',
  ...WITHOUT_AMOUNTS,
  advised,
  says:
    share === 0
      ? 'Nothing can be opened while what covers the ground lies there: plan for the day it is lifted.'
      : 'Compacted soil does not open by itself while it is walked on.',
});

/**
 * Every way of opening the soil weighed on the same ground. The first advised one is what the rules choose.
 *
 * @param taken what the spokes take, in all and season by season
 * @param compost share of compost in what goes back
 */
export function alternativesTo(
  plan: TrenchPlan,
  taken: Pick<Alternative, 'quantities' | 'bySeason'>,
  compost: number,
  findings: readonly Finding[],
): Alternative[] {
  const reach = reachable(plan);
  const ofRootZone = (dug: number) => (plan.rootZone > 0 ? dug / plan.rootZone : 0);
  const ground: OnGround = { plan, reach, compost, ofRootZone };
  const spokes = bySpokes(plan, taken);
  const spokesDo = spokes.opens >= ENOUGH;
  const holes = byHoles(ground, spokesDo);
  const holesDo = !spokesDo && holes.opens > spokes.opens && reach.holes > 0;
  const airDoes = !spokesDo && !holesDo && reach.share > 0;
  const stands = ['standing', 'damp'].includes(answerTo(findings, 'probe.drain')?.answer ?? '');
  return [
    { ...spokes, advised: spokesDo },
    { ...holes, advised: holesDo },
    { ...byAirTool(ground), advised: airDoes },
    { ...bySectors(ground), advised: false },
    byDrain(stands),
    MULCH_ONLY,
    SUBSOILING,
    leaving(reach.share, !spokesDo && !holesDo && !airDoes && !stands),
  ];
}
