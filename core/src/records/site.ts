import * as z from 'zod';
import { length, text } from './parts';

/** What stands and lies about a tree, on the plan of its property: metres, x east, y north. */
export const siteSchema = z.strictObject({
  things: z
    .array(
      z.strictObject({
        name: text(200),
        kind: text(60),
        shape: z.enum(['area', 'line']),
        points: z
          .array(z.tuple([length('position'), length('position')]))
          .min(1)
          .max(5000),
      }),
    )
    .max(5000),
  /** Other trees; diameter at the base. */
  others: z
    .array(
      z.strictObject({
        label: text(80),
        x: length('position'),
        y: length('position'),
        stemDiameter: length('stemDiameter').optional(),
        /** Where its place came from a position that was read: how far it may be out, in 95 of 100. */
        error: length('positionError').optional(),
      }),
    )
    .max(2000),
});

export type Site = z.infer<typeof siteSchema>;
export type SiteThing = Site['things'][number];
