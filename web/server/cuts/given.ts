import { isStressed, type CutsGiven } from '@undrel/core/pruning';
import { assessDigKept } from '../reports/digPart';
import type { ReportSource } from '../reports/source';

/** All that the cut plan of a visit follows from; undefined where no root was mapped. */
export function cutsGiven(source: ReportSource): CutsGiven | undefined {
  const { tree, visit, schools } = source;
  const dug = assessDigKept(source);
  if (!visit.dig || !dug || !visit.dig.roots.some((r) => r.points.length > 0)) return undefined;
  return {
    tree,
    date: visit.date,
    dig: visit.dig,
    stem: dug.stem,
    design: visit.cuts ?? {},
    firm: schools,
    stressed: isStressed(visit),
  };
}
