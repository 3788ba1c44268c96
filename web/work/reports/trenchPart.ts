import { openedShare, orderOfWork } from '@undrel/core/trenching';
import { formatQuantity, formatValue, writeLengths, percent } from '@undrel/core/units';
import type { ReportTrenches } from '../../protocol/report';
import { trenchDrawing } from '../../drawings/trenchPlan';
import type { ReportSource } from '../tree/source';
import { trenchesKept } from '../tree/trenches';

/** Points of a page, as the plan stands in the PDF. */
const PLAN = { width: 515, height: 440 };

/** What the report says of trenches that were laid out on the visit; undefined where none were. */
export function trenchPart(source: ReportSource): ReportTrenches | undefined {
  const laidOut = trenchesKept(source);
  if (!laidOut) return undefined;
  const { tree, visit, site, system } = source;
  const { plan, quantities, alternatives } = laidOut;
  const stem = (tree.stemDiameter ?? tree.dbh ?? 0) / 2;
  const long = (metres: number) => formatValue(metres, 'long length', system);
  const choice = visit.trenches!.choice;
  const taken = alternatives.find((a) => (choice ? a.remedy === choice.remedy : a.advised));
  return {
    headline: choice
      ? `${taken?.title ?? choice.remedy} is chosen: ${choice.why}`
      : (plan.blocked ??
        `${plan.spokes.length} radial trenches open ${percent(openedShare(plan))} of the compacted soil within reach${plan.seasons > 1 ? `, over ${plan.seasons} seasons` : ''}.`),
    drawing: trenchDrawing({
      plan,
      kinds: new Map(site!.things.map((t) => [t.name, t.kind])),
      stemRadius: stem || undefined,
      selected: undefined,
      system,
      ...PLAN,
    }),
    spokes: plan.spokes.map((s) => [
      s.label,
      `${Math.round(s.bearing)}°`,
      long(s.from - stem),
      long(s.to - stem),
      String(s.season),
      [s.limit, ...(s.steps > 0 ? [`${s.steps} ${s.steps === 1 ? 'step' : 'steps'}`] : [])].join(', '),
    ]),
    quantities:
      plan.spokes.length > 0
        ? quantities.map((q) => ({ name: q.name, text: formatQuantity(q, system) }))
        : [],
    ways: alternatives.map((a) => [
      a.title + (a.advised ? ' (by the rules)' : ''),
      percent(a.opens),
      percent(a.disturbs),
      a.says,
    ]),
    order: orderOfWork(plan).map((step) =>
      writeLengths(step.hold ? `Hold: ${step.says}` : step.says, system),
    ),
    notes: `Each ${formatValue(plan.rules.width, 'short length', system)} wide and ${formatValue(plan.rules.depth, 'short length', system)} deep, ${plan.rules.label}; ${writeLengths(plan.notes.join('; '), system)}.`,
  };
}
