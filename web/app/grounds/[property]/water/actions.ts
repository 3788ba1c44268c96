'use server';

import * as z from 'zod';
import { allowed } from '@/server/accounts/viewer';
import { logWater, type RoundEntry } from '@/server/grounds/logWater';
import { ID, taking } from '@/server/taking';

/** Logs what was done at a tree on a round of today; the rules of a watering say what an entry is. */
export const logWaterAction = taking(
  [ID, z.custom<RoundEntry>((entry) => typeof entry === 'object')],
  (visitId, entry): Promise<{ problem?: string }> =>
    allowed('measure', (db, viewer) => logWater(db, viewer, visitId, entry)),
);
