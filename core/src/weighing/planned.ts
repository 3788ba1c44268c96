import type { Decision, Visit } from '../records';
import type { InputKey } from '../units/quantity';
import { operationOf, type OperationKey } from '../vocabulary/operations';
import type { QuantityKey } from '../vocabulary/quantities';
import type { Weighed } from './operation';

/** Whether an operation is prescribed: as the consultant decided, else as advised. */
export const isTaken = (operation: Weighed, decisions: readonly Decision[]): boolean =>
  decisions.find((d) => d.operation === operation.key)?.taken ?? operation.advice === 'do';

/** What was decided at a visit, and what was recorded as done since. */
type Settled = Pick<Visit, 'decisions' | 'work'>;

/** Whether an operation is prescribed, and has not fallen away since. */
export const isPlanned = (operation: Weighed, visit: Settled): boolean =>
  isTaken(operation, visit.decisions) && anyStands(operation.key, visit);

/** Operations that are prescribed; of a tree that was taken down those that were done, and what goes on after that. */
export const plannedOf = <O extends Weighed>(operations: readonly O[], visit: Settled): O[] =>
  operations.filter((o) => isPlanned(o, visit));

const isDecided = ({ key }: Weighed, decisions: readonly Decision[]): boolean =>
  decisions.some((d) => d.operation === key);

/** Operations that are worth weighing, and on which nothing is decided; of a tree that was taken down none but what goes on after that. */
export const undecidedOf = <O extends Weighed>(operations: readonly O[], visit: Settled): O[] =>
  operations.filter((o) => o.advice === 'option' && !isDecided(o, visit.decisions) && goesOn(o.key, visit));

/** Operations that were advised, or worth weighing, and were decided against. */
export const declinedOf = <O extends Weighed>(
  operations: readonly O[],
  decisions: readonly Decision[],
): O[] => operations.filter((o) => o.advice !== 'not' && isDecided(o, decisions) && !isTaken(o, decisions));

/** Operations that still go on once a tree was taken down. */
export const AFTER_REMOVAL: readonly OperationKey[] = ['remove', 'postmortem', 'replace'];

/** Whether a tree was taken down, by what was recorded at a visit. */
export const isTakenDown = ({ work }: Pick<Visit, 'work'>): boolean =>
  (work ?? []).some((w) => w.step === 'remove' && w.how !== 'not done');

/**
 * Whether a step of the prescribed work stands: all do, but on a tree that was taken down what was done before and what
 * goes on after that alone.
 *
 * @param step key of it in the order of work
 */
export const stillStands = (operation: OperationKey, step: string, visit: Pick<Visit, 'work'>): boolean =>
  goesOn(operation, visit) || visit.work!.some((w) => w.step === step && w.how !== 'not done');

/** Whether an operation can still be done. */
const goesOn = (operation: OperationKey, visit: Pick<Visit, 'work'>): boolean =>
  !isTakenDown(visit) || AFTER_REMOVAL.includes(operation);

/** Whether any step of an operation stands. */
const anyStands = (operation: OperationKey, visit: Pick<Visit, 'work'>): boolean =>
  goesOn(operation, visit) ||
  visit.work!.some((w) => operationOf(w.step) === operation && w.how !== 'not done');

/** What the prescribed operations change in the ground, m; each absent where it is not planned. */
export interface PlannedWork {
  /** Floor of the excavation below grade, and its radius at the surface. */
  floor?: number;
  bowlRadius?: number;
  /** The new mulch: radius of the ring, its depth, and what stays clear of the bark. */
  ring?: number;
  mulchDepth?: number;
  clearance?: number;
}

/** The bowl and the mulch ring that the planned operations come to. */
export function plannedWork(planned: readonly Weighed[]): PlannedWork {
  const quantities = (key: Weighed['key']) => planned.find((o) => o.key === key)?.quantities ?? [];
  const quantity = (of: Weighed['key'], key: QuantityKey) => quantities(of).find((q) => q.key === key)?.value;
  const input = (key: InputKey) =>
    quantities('mulch')
      .flatMap((q) => q.working.inputs)
      .find((i) => i.key === key)?.value;
  return {
    floor: quantity('excavate', 'floorBelowGrade'),
    bowlRadius: quantity('excavate', 'bowlRadius'),
    ring: quantity('mulch', 'newRingRadius'),
    mulchDepth: input('targetDepth'),
    clearance: input('clearance'),
  };
}
