import { HORIZON, type YearBand } from '@undrel/core/growth';
import { neverCut, numberedCuts, type DigAssessment } from '@undrel/core/pruning';
import { girdledShare, rootShare, potInWords, potOutgrown } from '@undrel/core/roots';
import { formatQuantity, formatValue, tidy, writeLengths, percent } from '@undrel/core/units';
import type { ReportDig } from '../../protocol/report';
import { planOf } from '../../drawings/digSheet';
import { DECISION_NAMES, KIND_NAMES } from '../../drawings/rootKinds';
import type { ReportSource } from '../tree/source';

/** Points of a page, as the plan stands in the PDF. */
const PLAN = { width: 515, height: 420 };
/** Years from the dig in which shares are told. */
const TOLD_YEARS = [0, 2, 5, 10, 20, HORIZON];

/** What the report says of a dig: the plan, the roots, the cuts, the forecast. */
export function digPart(
  { reading, advice, forecast, stem }: DigAssessment,
  { tree, visit, system }: ReportSource,
): ReportDig {
  const from = Number(visit.date.slice(0, 4));
  const say = (text: string) => writeLengths(text, system);
  const fine = (metres: number) => formatValue(metres, 'short length', system, 0.001);
  const at = (year: number | undefined) =>
    year === undefined ? `later than ${from + HORIZON}` : String(Math.round(from + year));
  const between = ({ p10, p50, p90 }: YearBand) =>
    p10 === undefined ? at(undefined) : `${at(p50)} (${at(p10)} to ${at(p90)})`;
  const nothing = forecast.scenarios[0]!;
  const cuts = numberedCuts(advice);
  const never = neverCut(advice);
  const { anchorage, pot } = reading;
  return {
    drawing: planOf({ dig: visit.dig!, reading, cuts }, tree, system, PLAN),
    headline: `${formatQuantity(girdledShare(reading), system)} of the bark is compressed.`,
    facts: [
      ...nothing.reach.map(({ threshold, year, within5, within10 }) => ({
        name: `${percent(threshold)} compressed, if nothing is done`,
        text:
          nothing.p50[0]! >= threshold
            ? 'already'
            : `${between(year)}; within five years ${percent(within5)}, within ten ${percent(within10)} likely`,
      })),
      {
        name: 'Sound anchors',
        text: `${anchorage.sound}${anchorage.largestGap ? `, largest gap ${Math.round(anchorage.largestGap.degrees)}°` : ''}`,
      },
      ...(pot
        ? [
            {
              name: 'Old pot',
              text: say(potInWords(pot, potOutgrown(pot, visit.dig!.roots, from, tree.plantedYear))),
            },
          ]
        : []),
      ...forecast.barriers.map((b) => ({ name: `${b.kind} reached`, text: between(b.year) })),
    ],
    roots: reading.roots.map((read) => {
      const { root, path, compression } = read;
      const told = advice.roots.find((r) => r.label === root.label)!;
      return {
        label: root.label,
        kind: KIND_NAMES[root.kind],
        across: fine(2 * path.radius.reduce((a, b) => Math.max(a, b), 0)),
        ofBark: compression.share > 0 ? formatQuantity(rootShare(read), system) : '',
        advice: DECISION_NAMES[told.decision],
        reasons: told.reasons.map(say).join(' '),
      };
    }),
    cuts: cuts.map(({ number, label, cut }) => ({
      number: String(number),
      label,
      where: `${Math.round(cut.bearing)}°, ${fine(cut.fromBark)} from the bark, ${fine(cut.depth)} deep`,
      diameter: fine(cut.diameter),
      fromStem: cut.timesDbh === undefined ? '' : `${tidy(cut.timesDbh, 1)} × DBH from the centre`,
    })),
    never,
    years: TOLD_YEARS.map((y) => String(from + y)),
    forecast: forecast.scenarios.map((s) => ({
      name: s.name,
      shares: TOLD_YEARS.map((y) =>
        y === 0
          ? percent(s.p50[y]!)
          : `${percent(s.p50[y]!)} (${Math.round(100 * s.p10[y]!)}-${Math.round(100 * s.p90[y]!)})`,
      ),
    })),
    forecastFrom: `Middle and 10-90% of ${forecast.draws} draws of growth; the stem adds ${fine(2 * stem.perYear)} of diameter a year (${stem.from}). A judgement of growth, not a measurement of the future.`,
    cautions: [
      ...advice.cautions,
      'Cutting or exposing roots can free a tree to fall: a qualified person assesses its stability first.',
    ],
  };
}
