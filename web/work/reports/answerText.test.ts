import { QUESTIONS } from '@undrel/core/questions';
import { enteredIn, withUnit } from '@undrel/core/units';
import type { Visit } from '@undrel/core/records';
import { fieldTold } from '../../protocol/told';
import { answerText } from './answerText';

const numbers = QUESTIONS.filter((q) => q.kind === 'number');

test.each(numbers)('$key is told by report and conflict as its field shows it, in both units', (question) => {
  for (const system of ['metric', 'us'] as const) {
    const { unit, max, kept, entered } = enteredIn(question, system);
    const number = kept(max / 4);
    const shown = withUnit(entered(number), unit);
    const finding = { key: question.key, number };
    expect(answerText(question, { findings: [finding] } as unknown as Visit, system)).toBe(shown);
    expect(fieldTold('finding', finding, 'number', system)).toBe(shown);
  }
});

test('a rate of water is in the inches that were typed', () => {
  const question = numbers.find((q) => q.key === 'soil.percolation')!;
  const visit = { findings: [{ key: question.key, number: 1.27 }] } as unknown as Visit;
  expect(answerText(question, visit, 'us')).toBe('0.5 in/h');
  expect(answerText(question, visit, 'metric')).toBe('1.27 cm/h');
});
