import { OPERATION_KEYS } from '../vocabulary/operations';
import { kind, type Parts, type ValuesOf } from './kind';

/** What the consultant decided about an operation that was proposed, and the words for it. */
export const decision = kind(
  ({ day, text, z }: Parts) =>
    z.strictObject({
      operation: z.enum(OPERATION_KEYS),
      taken: z.boolean(),
      on: day.optional().describe('day it is planned for'),
      wording: text(4000).optional(),
    }),
  {
    parent: 'visit',
    member: 'decisions',
    most: OPERATION_KEYS.length,
    always: true,
    name: (d: { operation: string }) => d.operation,
    order: (d) => [d.operation],
  },
);

export type Decision = ValuesOf<typeof decision>;
