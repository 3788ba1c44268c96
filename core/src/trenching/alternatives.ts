import type { Finding } from '../casefile/model';
import { answerTo } from '../base/question';
import { LIMITS, TRENCH_LIMITS, VERTICAL } from '../practice';
import { blockedAlong } from './clear';
import type { TrenchPlan } from './plan';

export type SoilRemedy = 'spokes' | 'vertical' | 'air' | 'mulch' | 'drain' | 'subsoil' | 'nothing';

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

/** Share of the zone that no obstacle keeps a tool from, and how many holes of a triangular grid find room in it. */
function reachable({ zone, obstacles }: TrenchPlan): { share: number; area: number; holes: number } {
  const blocked = Array.from({ length: BEARINGS }, (_, bearing) =>
    blockedAlong(bearing, obstacles, VERTICAL.diameter.value),
  );
  const isFree = (bearing: number, r: number) =>
    !blocked[((Math.round(bearing) % BEARINGS) + BEARINGS) % BEARINGS]!.some((b) => b.from < r && r < b.to);
  let free = 0;
  let all = 0;
  for (let bearing = 0; bearing < BEARINGS; bearing++)
    for (let r = zone.from + STEP / 2; r < zone.to; r += STEP) {
      all += r;
      if (isFree(bearing, r)) free += r;
    }
  const share = all > 0 ? free / all : 0;
  const spacing = VERTICAL.spacing.value;
  const rows = Math.ceil(zone.to / (spacing * Math.sin(Math.PI / 3)));
  let holes = 0;
  for (let row = -rows; row <= rows; row++) {
    const y = row * spacing * Math.sin(Math.PI / 3);
    for (let k = -Math.ceil(zone.to / spacing) - 1; k <= zone.to / spacing + 1; k++) {
      const x = (k + (row % 2 === 0 ? 0 : 0.5)) * spacing;
      const r = Math.hypot(x, y);
      if (r >= zone.from && r <= zone.to && isFree((Math.atan2(x, y) * 180) / Math.PI, r)) holes++;
    }
  }
  return { share, area: share * Math.PI * (zone.to ** 2 - zone.from ** 2), holes };
}

/**
 * Every way of opening the soil weighed on the same ground. The first advised one is what the rules choose.
 *
 * @param hours crew hours of the spokes, as their quantities have it
 */
export function alternativesTo(plan: TrenchPlan, hours: number, findings: readonly Finding[]): Alternative[] {
  const { layout, zone, rules } = plan;
  const { share, area, holes } = reachable(plan);
  const whole = Math.PI * (zone.to ** 2 - zone.from ** 2);
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
