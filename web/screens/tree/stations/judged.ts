import { assess, type Assessment } from '@undrel/core/assessment';
import type { StationProps } from '../visitEntry';

/** Verdict and prescription, for the stations that are about them and bring the code along. */
export const judgedOf = ({ judged, tree, events, visit, firmSchools, firmTable }: StationProps): Assessment =>
  judged ?? assess(tree, events, visit, firmSchools, firmTable);
