import { yearOf } from '../vocabulary/dates';
import { EVENT_KINDS } from '../vocabulary/events';
import { kind, type Parts, type ValuesOf } from './kind';

/** Something that happened to the tree; `when` is as exact as known. */
export const event = kind(
  ({ text, z }: Parts) =>
    z.strictObject({
      kind: z.enum(EVENT_KINDS),
      when: z.string().refine((when) => yearOf(when) !== undefined, {
        error: 'not a date; allowed: YYYY, YYYY-MM or YYYY-MM-DD',
      }),
      note: text(2000).optional(),
    }),
  { parent: 'tree', member: 'events', most: 500, always: true, order: (e) => [e.when, e.kind] },
);

export type TreeEvent = ValuesOf<typeof event>;
