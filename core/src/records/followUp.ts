import type { Parts, ValuesOf } from './kind';

/** What became of something that was due after a visit: done, moved to another day, or dropped. */
export const followUp = ({ day, text, z }: Parts) =>
  z
    .strictObject({
      task: z
        .string()
        .regex(/^[a-z][a-zA-Z]{1,30}(-[1-5])?(\.[a-z][a-zA-Z]{1,30}(\.\d{4})?)?$/)
        .describe(
          'what follows a work (excavate.bark), in which year where it comes again (mulch.spring.2027); look or drain',
        ),
      how: z.enum(['done', 'moved', 'dropped']),
      on: day.describe('day it was done or dropped, or the day it was moved to'),
      by: text(120).optional(),
      why: text(400).optional().describe('reason; needed where it was moved or dropped'),
    })
    .refine(({ how, why }) => how === 'done' || (why ?? '').trim() !== '', {
      path: ['why'],
      error: 'empty; a reason is needed where something is moved or dropped',
    });

export type FollowUpMark = ValuesOf<typeof followUp>;
