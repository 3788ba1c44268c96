import type { Decision } from '../casefile';
import type { Operation } from './operation';

/** Whether an operation is prescribed: as the consultant decided, else as advised. */
export const isTaken = (operation: Operation, decisions: readonly Decision[]): boolean =>
  decisions.find((d) => d.operation === operation.key)?.taken ?? operation.advice === 'do';

/** Operations that are prescribed. */
export const plannedOf = (operations: readonly Operation[], decisions: readonly Decision[]): Operation[] =>
  operations.filter((o) => isTaken(o, decisions));
