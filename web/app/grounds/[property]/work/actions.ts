'use server';

import * as z from 'zod';
import { allowed } from '@/server/accounts/viewer';
import { tickStep } from '@/server/offers/tick';
import { ID, taking } from '@/server/taking';

/** Ticks a step of a tree's order done, or takes the tick back. */
export const tickAction = taking(
  [ID, z.string().max(60), z.boolean()],
  (visitId, step, done): Promise<{ problem?: string }> =>
    allowed('measure', (db, viewer) => tickStep(db, viewer, visitId, step, done)),
);
