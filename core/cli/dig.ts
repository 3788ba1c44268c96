import { numberedCuts, type DigAssessment } from '../src/pruning';
import { girdledShare } from '../src/roots';
import { formatQuantity, formatValue, writeLengths, type UnitSystem } from '../src/units';

/** What follows from a dig, for a program: shares, crossings, anchors, advice with its cuts, and the forecast. */
export const digSummary = ({ reading, advice, forecast, stem }: DigAssessment) => ({
  girdled: girdledShare(reading),
  byLayer: reading.byLayer,
  arcs: reading.arcs,
  anchorage: reading.anchorage,
  pot: reading.pot,
  problems: reading.problems,
  roots: reading.roots.map((r) => ({
    label: r.root.label,
    kind: r.root.kind,
    compresses: r.compression.share,
    compressesPlusMinus: r.spread,
    arcs: r.compression.arcs,
    clearance: r.clearance,
    crossingAngle: r.crossingAngle,
    area: r.area,
    shareOfArea: r.shareOfArea,
    shareOfSector: r.shareOfSector,
    length: r.length,
    crosses: r.crossings.map((c) => ({
      root: reading.roots[reading.roots[c.over] === r ? c.under : c.over]!.root.label,
      over: reading.roots[c.over] === r,
      angle: c.angle,
    })),
    advice: advice.roots.find((a) => a.label === r.root.label),
  })),
  cuts: numberedCuts(advice),
  cautions: advice.cautions,
  growth: stem,
  forecast,
});

/** The same in a few lines for people. */
export function digText(
  { reading, advice, forecast }: DigAssessment,
  date: string,
  system: UnitSystem,
): string {
  const from = Number(date.slice(0, 4));
  const at = (year: number | undefined) => (year === undefined ? 'later' : String(Math.round(from + year)));
  const half = forecast.scenarios[0]!.reach.find((r) => r.threshold === 0.5)!.year;
  return [
    '',
    `Dig: ${formatQuantity(girdledShare(reading), system)} of the bark is compressed; half in ${at(half.p50)} (${at(half.p10)} to ${at(half.p90)}) if nothing is done.`,
    ...advice.roots.map(
      (r) =>
        `  ${r.label}: ${r.decision}. ${r.reasons.map((reason) => writeLengths(reason, system)).join(' ')}`,
    ),
    ...numberedCuts(advice).map(
      ({ number, label, cut }) =>
        `  cut ${number}, root ${label}: ${Math.round(cut.bearing)}°, ${formatValue(cut.fromBark, 'short length', system, 0.001)} from the bark, ${formatValue(cut.diameter, 'short length', system, 0.001)} across`,
    ),
    ...reading.problems.map((p) => `  ${p.root ? `root ${p.root}: ` : ''}${writeLengths(p.message, system)}`),
    '',
  ].join('\n');
}
