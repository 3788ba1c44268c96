import { yearOf } from '../vocabulary/dates';
import { EVENT_KINDS } from '../vocabulary/events';
import type { Parts, ValuesOf } from './kind';

/** Something that happened to the tree; `when` is as exact as known. */
export const event = ({ text, z }: Parts) =>
  z.strictObject({
    kind: z.enum(EVENT_KINDS),
    when: z.string().refine((when) => yearOf(when) !== undefined, {
      error: 'not a date; allowed: YYYY, YYYY-MM or YYYY-MM-DD',
    }),
    note: text(2000).optional(),
  });

export type TreeEvent = ValuesOf<typeof event>;
