import { QUANTITY_KEYS } from '../vocabulary/quantities';
import type { Parts, ValuesOf } from './kind';

/** What was done of one step of a prescription, as the crew recorded it. */
export const work = ({ day, orderStep, text, z }: Parts) =>
  z.strictObject({
    step: orderStep,
    how: z.enum(['done', 'changed', 'not done']),
    on: day,
    by: text(120).optional(),
    amounts: z
      .array(z.strictObject({ quantity: z.enum(QUANTITY_KEYS), amount: z.number().min(0).max(100_000) }))
      .max(20)
      .optional()
      .describe('what it came to on site, by the key of the quantity; SI'),
    note: text(2000).optional(),
  });

export type WorkDone = ValuesOf<typeof work>;
