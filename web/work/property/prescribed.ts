import { needsOf } from '@undrel/core/costing';
import { plannedOf, toDecide, workOrder, type ToDecide } from '@undrel/core/prescription';
import { tasksOf, worksOf, type Task, type WorkTask } from '@undrel/core/schedule';
import { assessedOf } from '../tree/assessed';
import { heldBy } from '../tree/held';
import { trenchWork } from '../costs/worth';
import type { TreeSource } from '../offers/treeWork';

/** What is prescribed at a tree and not done yet, what follows from a rest that it was given, and what is to be decided. */
export interface PrescribedAt {
  id: string;
  visitId: string;
  label: string;
  species: string;
  works: WorkTask[];
  rests: Task[];
  undecided: ToDecide[];
}

/** What is prescribed at some trees, as it stands on a day; trees with nothing to do are left out. */
export function prescribedAt({
  sources,
  on,
}: {
  sources: readonly TreeSource[];
  on: string;
}): PrescribedAt[] {
  return sources.flatMap(({ id, visitId, source }): PrescribedAt[] => {
    const { tree, visit, schools, closed } = source;
    const { operations, situation } = assessedOf(source);
    const planned = plannedOf(operations, visit);
    const trenches = trenchWork(source);
    const held = heldBy(source);
    const works = worksOf(
      workOrder(planned, visit, trenches?.bySeason?.length),
      planned,
      visit,
      needsOf(planned, visit, trenches),
      tree.species,
      closed ?? [],
      on,
      0,
    ).map((w) => (held && w.part > 1 ? { ...w, told: held } : w));
    const fed = planned.some((o) => o.key === 'fertiliser');
    const rests = fed
      ? tasksOf(tree, [visit], schools, on, [{ visit: 0, operation: 'fertiliser' }]).filter((t) =>
          t.key.startsWith('fertiliser.'),
        )
      : [];
    const undecided = toDecide(situation, operations);
    return works.length + rests.length + undecided.length > 0
      ? [{ id, visitId, label: tree.label, species: tree.species, works, rests, undecided }]
      : [];
  });
}
