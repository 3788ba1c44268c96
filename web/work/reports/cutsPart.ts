import { agreedCuts, isStressed, type DigAssessment } from '@undrel/core/pruning';
import { withAge } from '@undrel/core/history';
import { writeLengths, percent } from '@undrel/core/units';
import type { ReportCuts } from '../../protocol/report';
import type { ReportSource } from '../tree/source';

/** What the report says of the cut plan that was agreed; undefined where none was. */
export function cutsPart(
  { stem }: Pick<DigAssessment, 'stem'>,
  { tree, visit, schools, system }: ReportSource,
): ReportCuts | undefined {
  if (!visit.dig) return undefined;
  const agreed = agreedCuts({
    tree: withAge(tree, visit),
    date: visit.date,
    dig: visit.dig,
    stem,
    design: visit.cuts ?? {},
    firm: schools,
    stressed: isStressed(visit),
  });
  if (!agreed) return undefined;
  const first = Number(visit.date.slice(0, 4));
  const { value, stages, years, limits, reasons } = agreed;
  const total = value.loss.reduce((a, b) => a + b, 0);
  return {
    headline: `The agreed cuts free ${percent(value.freed)} of the bark over twenty years, of ${percent(value.threatened)} that would be compressed; today ${percent(agreed.freesToday)} of ${percent(agreed.squeezed)}.`,
    stages: value.loss.map((loss, s) => [
      String(s + 1),
      String(first + years[s]!),
      Object.keys(stages)
        .filter((l) => stages[l] === s + 1)
        .join(', ') || 'none',
      `${percent(loss)} of ${percent(limits.stageLoss)}`,
    ]),
    reasons: reasons.map((r) => [
      r.label,
      r.stage === undefined ? 'stays' : `stage ${r.stage + 1}`,
      writeLengths(r.says, system),
    ]),
    notes: `${percent(total)} of the root cross-section is removed in all, of ${percent(limits.totalLoss)} that may. What is freed counts from the year in which it is, a year later for less; a judgement of growth, not a measurement of the future.`,
    broken: agreed.broken.map((b) => `Against what is kept to: ${writeLengths(b, system)}.`),
  };
}
