import { profileOf } from '../profile';
import type { Tree, Visit } from '../records';
import { operationOf, type OperationKey } from '../vocabulary/operations';

/** Works after which no mulch lies on the bark. */
const CLEARED: readonly OperationKey[] = ['mulch', 'mulchRing', 'excavate'];
/** Answers of a quick look that say mulch lies on the bark. */
const CONES = ['high'];
const CLEAR = 'clear';

/** Whether a visit found mulch on the bark. */
function onBark(tree: Tree, visit: Visit): boolean {
  const looked = visit.findings.find((f) => f.key === 'look.mulch');
  if (looked && !looked.unsure && CONES.includes(looked.answer ?? '')) return true;
  return (profileOf(tree, visit).mulch?.onBark.value ?? 0) > 0;
}

/** Whether a visit found the bark clear of mulch. */
function isClear(tree: Tree, visit: Visit): boolean {
  const looked = visit.findings.find((f) => f.key === 'look.mulch' && !f.unsure);
  return looked ? looked.answer === CLEAR : profileOf(tree, visit).mulch?.onBark.value === 0;
}

/** The last day on which mulch was found on the bark again, where nobody took it off since. */
export function coneBack(tree: Tree, visits: readonly Visit[]): string | undefined {
  const last = conesFoundAgain(tree, visits).at(-1);
  if (last === undefined) return undefined;
  const cleared = visits
    .flatMap((v) => v.work ?? [])
    .some((w) => w.how !== 'not done' && w.on >= last && CLEARED.some((o) => o === operationOf(w.step)));
  // A later look that finds the bark clear says that somebody did.
  const seenClear = visits.some((v) => v.date > last && isClear(tree, v));
  return cleared || seenClear ? undefined : last;
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
