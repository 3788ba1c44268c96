import { assess, type Assessment } from '@undrel/core/assessment';
import { situation } from '@undrel/core/prescription';
import type { StationProps } from '../visitEntry';

/** Verdict and prescription, for the stations that are about them and bring the code along. */
export function judgedOf(props: StationProps): Assessment {
  const { judged, tree, events, visit, visits, profile, house, firmTable } = props;
  if (!judged) return assess(tree, events, visit, house, firmTable, visits);
  // It has functions, which no worker can hand over.
  return { ...judged, situation: situation(tree, events, visit, profile, judged.verdict, house) };
}
