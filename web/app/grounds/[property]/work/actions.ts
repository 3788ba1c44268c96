'use server';

import { allowed } from '@/server/accounts/viewer';
import { tickStep } from '@/server/offers/tick';

/** Ticks a step of a tree's order done, or takes the tick back. */
export const tickAction = async (
  visitId: string,
  step: string,
  done: boolean,
): Promise<{ problem?: string }> =>
  allowed('measure', (db, viewer) => tickStep(db, viewer, visitId, step, done));
