import type { Decision } from '../casefile/model';
import { plannedOf, plannedWork, type PlannedWork } from '../prescription/planned';
import type { Assessment } from './assess';

/** The few figures of an assessment that are always in view. */
export interface Glance {
  /** How many causes are likely. */
  likely: number;
  /** How many operations are prescribed. */
  prescribed: number;
  work: PlannedWork;
}

export function glanceAt(assessment: Assessment, decisions: readonly Decision[]): Glance {
  const planned = plannedOf(assessment.operations, decisions);
  return {
    likely: assessment.verdict.causes.filter((c) => c.standing === 'likely').length,
    prescribed: planned.length,
    work: plannedWork(planned),
  };
}
