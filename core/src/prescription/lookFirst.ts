import type { TreatOrLook } from '../diagnosis';
import { REMEDIES } from '../remedies';
import type { OperationKey } from '../vocabulary/operations';
import { byChancesAlone } from '../weighing/conditions';
import type { Operation, Situation } from '../weighing/operation';

/** It in words, for documents. */
export const lookFirstText = ({ look, text }: LookFirst): string => `Look first: ${look.about}. ${text}`;

/** A remedy that waits for one more look. */
export interface LookFirst {
  operation: OperationKey;
  /** Where, at what and for how long, and what deciding after it is expected to lose. */
  look: NonNullable<TreatOrLook['look']>;
  /** One sentence with both numbers. */
  text: string;
}

/**
 * The remedies that wait for a look before they are done or decided on: those of which no cause is to be treated on what
 * is known, and one is to be looked at first. What is measured, follows from other work or was prescribed by a person waits for nothing.
 *
 * @param decisions of the explanation of the same verdict, the dearest first
 */
export function looksFirst(
  s: Situation,
  operations: readonly Operation[],
  decisions: readonly TreatOrLook[],
): LookFirst[] {
  const decided = new Set(s.visit.decisions.map((d) => d.operation));
  return operations.flatMap(({ key, advice }): LookFirst[] => {
    const own = decisions.filter((d) => REMEDIES[key].treats.includes(d.for));
    const first = own.find((d) => d.look);
    if (advice === 'not' || decided.has(key) || !first?.look || own.some((d) => d.choice === 'do')) return [];
    if (!byChancesAlone(REMEDIES[key][advice], s, operations)) return [];
    return [{ operation: key, look: first.look, text: first.text }];
  });
}
