import { withAge } from '@undrel/core/history';
import { isStressed, type CutsGiven } from '@undrel/core/pruning';
import { isMapped } from '@undrel/core/roots';
import { assessDigKept } from '../tree/dig';
import type { ReportSource } from '../tree/source';

/** All that the cut plan of a visit follows from; undefined where no root was mapped. */
export function cutsGiven(source: ReportSource): CutsGiven | undefined {
  const { tree, visit, schools } = source;
  const dug = assessDigKept(source);
  if (!visit.dig || !dug || !isMapped(visit.dig)) return undefined;
  return {
    tree: withAge(tree, visit),
    date: visit.date,
    dig: visit.dig,
    stem: dug.stem,
    design: visit.cuts ?? {},
    firm: schools,
    stressed: isStressed(visit),
  };
}
