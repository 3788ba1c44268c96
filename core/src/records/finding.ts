import { QUESTIONS, questionFor, type Question } from '../questions';
import { LENGTH_LIMITS } from '../units/limits';
import type { Parts, ValuesOf } from './kind';

const rangeOf = (question: Question): readonly [number, number] | undefined => {
  switch (question.kind) {
    case 'grade':
    case 'sectors':
      return undefined;
    case 'percent':
      return [0, 1];
    case 'number':
      return [question.min, question.max];
    case 'length':
    case 'years':
      return [LENGTH_LIMITS[question.field].min, LENGTH_LIMITS[question.field].max];
  }
};

/** One answer to one question of a station. `part` is a sector (0-7, from north clockwise) or a year. */
export const finding = ({ bearing, length, text, z }: Parts) =>
  z
    .strictObject({
      key: z.enum(QUESTIONS.map((q) => q.key) as [string, ...string[]]),
      part: z.int().min(0).max(2200).optional().describe('sector 0-7 from north clockwise, or a year'),
      answer: text(40).optional(),
      number: z.number().optional().describe('m, share 0-1, or in the unit of the question'),
      bearing: bearing.optional().describe('side of the stem it is on, degrees clockwise from north'),
      /** Above grade. */
      height: length('woundHeight').optional(),
      unsure: z.literal(true).optional().describe('whoever noted it was not sure of it'),
      note: text(2000).optional(),
    })
    .superRefine((value, ctx) => {
      const question = questionFor(value.key);
      if (!question) return;
      const wrong = (path: string, message: string) =>
        ctx.addIssue({ code: 'custom', path: [path], message });
      const range = rangeOf(question);
      if ('answers' in question) {
        const allowed = question.answers.map((a) => a.key);
        if (!allowed.includes(value.answer ?? '')) wrong('answer', `allowed: ${allowed.join(', ')}`);
      } else if (value.number === undefined) {
        wrong('number', 'a number is needed');
      } else if (range && (value.number < range[0] || value.number > range[1])) {
        wrong('number', `allowed: ${range[0]} to ${range[1]}`);
      }
      const placed = question.kind === 'grade' && question.placed;
      for (const where of ['bearing', 'height'] as const) {
        if (value[where] !== undefined && !placed) wrong(where, 'this question has no place on the stem');
      }
      if (question.kind === 'sectors' && !(value.part !== undefined && value.part <= 7))
        wrong('part', 'allowed: 0 to 7');
      if (question.kind === 'years' && !(value.part !== undefined && value.part >= 1700))
        wrong('part', 'allowed: a year');
    });

export type Finding = ValuesOf<typeof finding>;
