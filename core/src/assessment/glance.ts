import type { Tree, Visit } from '../records';
import { plannedOf, plannedWork, type PlannedWork } from '../weighing/planned';
import { groundVerdict, type GroundKind } from '../soil/verdict';
import type { Assessment } from './assess';

/** The few figures of an assessment that are always in view. */
export interface Glance {
  /** How many causes are likely. */
  likely: number;
  /** How many operations are prescribed. */
  prescribed: number;
  work: PlannedWork;
  /** What kind of ground it stands in, where something tells. */
  ground?: GroundKind;
}

export function glanceAt(assessment: Assessment, tree: Tree, visit: Visit): Glance {
  const planned = plannedOf(assessment.operations, visit.decisions);
  const ground = groundVerdict(tree, visit)?.kind;
  return {
    likely: assessment.verdict.causes.filter((c) => c.standing === 'likely').length,
    prescribed: planned.length,
    work: plannedWork(planned),
    ...(ground && { ground }),
  };
}
