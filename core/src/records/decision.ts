import { OPERATION_KEYS } from '../vocabulary/operations';
import type { Parts, ValuesOf } from './kind';

/** What the consultant decided about an operation that was proposed, and the words for it. */
export const decision = ({ day, text, z }: Parts) =>
  z.strictObject({
    operation: z.enum(OPERATION_KEYS),
    taken: z.boolean(),
    on: day.optional().describe('day it is planned for'),
    wording: text(4000).optional(),
  });

export type Decision = ValuesOf<typeof decision>;
