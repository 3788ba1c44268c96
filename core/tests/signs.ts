import { PRACTICE_TABLE } from '../src/diagnosis';
import { HOW_OFTEN } from '../src/diagnosis/words';
import { QUESTIONS } from '../src/questions';
import type { Finding } from '../src/records';
import type { NodeKey } from '../src/vocabulary/causes';

/** What a word of the table stands for. */
const often = (word: string | number): number =>
  typeof word === 'number' ? word : HOW_OFTEN[word as keyof typeof HOW_OFTEN];

const asked = new Map(QUESTIONS.map((q) => [q.key, q]));

/** The answer that speaks loudest for a cause or mechanism, of every finding that can be given by an eye or a hand alone. */
export function signsOf(node: NodeKey): Finding[] {
  return PRACTICE_TABLE.findings.flatMap((f): Finding[] => {
    const makes = f.links.find((l) => l.of === node)?.makes;
    const question = asked.get(f.key);
    if (!makes || !question || (question.kind !== 'grade' && question.kind !== 'sectors')) return [];
    const [worst] = Object.entries(makes).sort((a, b) => often(b[1]!) - often(a[1]!));
    if (!question.answers.some((a) => a.key === worst![0])) return [];
    return [{ key: f.key, answer: worst![0], ...(question.kind === 'sectors' && { part: 0 }) }];
  });
}
