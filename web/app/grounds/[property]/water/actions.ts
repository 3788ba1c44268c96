'use server';

import { allowed } from '@/server/accounts/viewer';
import { logWater, type RoundEntry } from '@/server/grounds/logWater';

/** Logs what was done at a tree on a round of today. */
export const logWaterAction = async (visitId: string, entry: RoundEntry): Promise<{ problem?: string }> =>
  allowed('measure', (db, viewer) => logWater(db, viewer, String(visitId), entry));
