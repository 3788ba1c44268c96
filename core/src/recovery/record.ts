import { LEAST_JUDGED } from '../practice/recovery';
import type { OperationKey } from '../vocabulary/operations';
import { shareOf } from './baci';
import type { Answer, Recovery } from './recovery';

/** A treated tree, as it is counted. */
export interface Treated {
  /** What it is called, and where it is found. */
  label: string;
  id: string;
  recovery: Pick<Recovery, 'works' | 'answer' | 'text'>;
}

/** How often a remedy worked over many trees. */
export interface RemedyRecord {
  operation: OperationKey;
  done: string;
  /** Trees it was carried out at, and of these how each stands. */
  trees: number;
  answers: Record<Answer, number>;
  /** Judged one way or the other; the rest is still awaited or untold. */
  judged: number;
  /** Share of the judged that answered, with its band; undefined where too few are. */
  worked?: { share: number; lower: number; upper: number };
  /** Trees that did not answer or declined, by name. */
  failed: { label: string; id: string; text: string }[];
}

/** How many trees stand in each way. */
export function answersOf(treated: readonly Treated[]): Record<Answer, number> {
  const answers: Record<Answer, number> = {
    answered: 0,
    declines: 0,
    awaited: 0,
    unanswered: 0,
    untold: 0,
  };
  for (const { recovery } of treated) answers[recovery.answer]++;
  return answers;
}

/** Over all treated trees, remedy by remedy, most trees first. What was done together is counted with each. */
export function remedyRecords(treated: readonly Treated[]): RemedyRecord[] {
  const byRemedy = new Map<OperationKey, { done: string; trees: Treated[] }>();
  for (const one of treated)
    for (const { operation, done } of new Map(one.recovery.works.map((w) => [w.operation, w])).values()) {
      const known = byRemedy.get(operation) ?? { done, trees: [] };
      known.trees.push(one);
      byRemedy.set(operation, known);
    }
  return [...byRemedy]
    .map(([operation, { done, trees }]): RemedyRecord => {
      const answers = answersOf(trees);
      const failures = trees.filter(
        ({ recovery: { answer } }) => answer === 'declines' || answer === 'unanswered',
      );
      const judged = answers.answered + failures.length;
      return {
        operation,
        done,
        trees: trees.length,
        answers,
        judged,
        ...(judged >= LEAST_JUDGED && { worked: shareOf(answers.answered, judged) }),
        failed: failures.map(({ label, id, recovery }) => ({ label, id, text: recovery.text })),
      };
    })
    .sort((a, b) => b.trees - a.trees || a.operation.localeCompare(b.operation));
}
