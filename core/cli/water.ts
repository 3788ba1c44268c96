import type { CaseFile } from '../src/format/case';
import { visitToJudge } from '../src/walk';
import { formatLength, longUnit, writeLengths, type UnitSystem } from '../src/units';
import { waterPlan, type Manner, type StationPlace, type WaterPlan, type WeatherDay } from '../src/water';

const LITRES_PER_GALLON = 3.785411784;
const MANNERS: Record<Manner, string> = {
  balance: 'by balance',
  often: 'three times a week by the rule',
  weekly: 'one deep soak a week',
  feel: 'by feel',
};

/** The water of the newest visit of a case. @throws where there is no visit, or nothing to tell how far its roots go */
export function waterOfCase(
  caseFile: CaseFile,
  place: StationPlace,
  known: readonly WeatherDay[],
  today: string,
): WaterPlan {
  const visit = visitToJudge(caseFile.visits);
  if (!visit) throw new Error('$.visits: empty; at least one visit is needed');
  const house = { weather: caseFile.weather };
  const plan = waterPlan(caseFile.tree, caseFile.events, caseFile.visits, visit, house, place, known, today);
  if (!plan)
    throw new Error(
      '$.tree: neither stemDiameter nor crownRadius; one is needed to tell how far its roots go',
    );
  return plan;
}

/** A count with its noun. */
const many = (count: number, noun: string): string =>
  `${Math.round(count)} ${Math.round(count) === 1 ? noun : `${noun}s`}`;

/** It for people. */
export function waterText(label: string, today: string, plan: WaterPlan, system: UnitSystem): string {
  const volume = (litres: number) =>
    system === 'us' ? `${Math.round(litres / LITRES_PER_GALLON)} US gal` : `${Math.round(litres)} L`;
  const long = (metres: number) => formatLength(metres, longUnit(system), system === 'us' ? 0.03048 : 0.01);
  const { next, zone, manners, manner } = plan;
  const when = next.on === undefined ? 'Not within two months' : next.on === today ? 'Today' : next.on;
  const band =
    next.on === today
      ? ''
      : `, ${next.earliest ?? 'later'} in a dry year to ${next.latest ?? 'later than two months'} in a wet one`;
  return [
    `${label}: water ${when}${band}: ${volume(next.litres)}.`,
    writeLengths(plan.why, system),
    `Roots: ${long(zone.radius)} about the stem, ${long(zone.depth)} deep. ${writeLengths(zone.notes.join(' '), system)}`,
    'The probe decides: moist at a hand deep, skip it.',
    ...manners.map(
      (m) =>
        `  ${m.manner === manner ? '*' : ' '} ${MANNERS[m.manner]}: ${volume(m.litres)} in ${many(m.waterings, 'watering')} a season, ${many(m.stressed, 'day')} of stress, ${Math.round(100 * m.wasted)}% drains below the roots`,
    ),
    '',
  ].join('\n');
}
