import type { Tree, Visit } from '../records';
import { plannedOf, plannedWork, type PlannedWork } from '../weighing/planned';
import { groundVerdict, type GroundKind } from '../soil/verdict';
import type { Assessment } from './assess';

/** The few figures of an assessment that are always in view. */
export interface Glance {
  /** How many causes are likely. */
  likely: number;
  /** The verdict in its sentence or two. */
  summary: string;
  /** How many operations are prescribed, and which. */
  prescribed: number;
  titles: string[];
  work: PlannedWork;
  /** What kind of ground it stands in, where something tells. */
  ground?: GroundKind;
}

export function glanceAt(assessment: Assessment, tree: Tree, visit: Visit): Glance {
  const planned = plannedOf(assessment.operations, visit);
  const ground = groundVerdict(tree, visit)?.kind;
  return {
    likely: assessment.verdict.causes.filter((c) => c.standing === 'likely').length,
    summary: assessment.verdict.summary,
    prescribed: planned.length,
    titles: planned.map((o) => o.title),
    work: plannedWork(planned),
    ...(ground && { ground }),
  };
}
