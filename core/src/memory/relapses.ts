import { profileOf } from '../profile';
import type { Tree, Visit } from '../records';
import { operationOf, type OperationKey } from '../vocabulary/operations';

/** Works after which no mulch lies on the bark. */
const CLEARED: readonly OperationKey[] = ['mulch', 'mulchRing', 'excavate'];
/** Answers of a quick look that say mulch lies on the bark. */
const CONES = ['high'];

/** Whether a visit found mulch on the bark. */
function onBark(tree: Tree, visit: Visit): boolean {
  const looked = visit.findings.find((f) => f.key === 'look.mulch');
  if (looked && !looked.unsure && CONES.includes(looked.answer ?? '')) return true;
  return (profileOf(tree, visit).mulch?.onBark.value ?? 0) > 0;
}

/** Days on which mulch was found on the bark again after it had been taken off, oldest first. */
export function conesFoundAgain(tree: Tree, visits: readonly Visit[]): string[] {
  const cleared = visits
    .flatMap((v) => v.work ?? [])
    .filter((w) => w.how !== 'not done' && CLEARED.some((o) => o === operationOf(w.step)))
    .map((w) => w.on);
  return visits
    .filter((v) => cleared.some((on) => on < v.date) && onBark(tree, v))
    .map((v) => v.date)
    .sort();
}
