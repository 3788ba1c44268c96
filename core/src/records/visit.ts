import { CAUSE_KEYS } from '../vocabulary/causes';
import type { Parts, ValuesOf } from './kind';

/** The head of a visit: what it holds beside its readings. */
export const visit = ({ day, text, z }: Parts) =>
  z.strictObject({
    date: day,
    by: text(120).optional(),
    note: text(8000).optional(),
    walk: z
      .literal(true)
      .optional()
      .describe('made on a walk-round: quick looks that add to the visit before'),
    /** When to come back, and what for. */
    lookAgain: z.strictObject({ on: day, why: text(400) }).optional(),
    drainCheck: day.optional().describe('day on which the filled hole is read'),
    opinion: z
      .strictObject({ cause: z.enum(CAUSE_KEYS), why: text(2000) })
      .optional()
      .describe('the cause the consultant puts first against the computed verdict, and why'),
    /** A soil sample at the laboratory: its label, the days it went out and its results are expected. */
    labOrder: z
      .strictObject({ label: z.string().trim().min(1).max(120), sent: z.iso.date(), ready: z.iso.date() })
      .optional(),
    clientWords: text(4000).optional().describe('the verdict in words for the client'),
  });

export type VisitHead = ValuesOf<typeof visit>;
