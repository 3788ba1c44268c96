'use server';

import * as z from 'zod';
import { readOwnSpecies } from '@undrel/core/ownSpecies';
import type { Species } from '@undrel/core/species';
import { saveSpecies } from '@/server/accounts/firm';
import { allowed } from '@/server/accounts/viewer';
import { taking, VERSION } from '@/server/taking';
import type { SpeciesSaved } from '@/screens/practice/SpeciesScreen';

/** Saves the species as the firm judges them; the first that is wrong is named. */
export const saveSpeciesAction = taking(
  [z.custom<Species[]>(), VERSION],
  async (own, version): Promise<SpeciesSaved> => {
    const read = readOwnSpecies(own);
    if (!read.ok) return { problem: `${read.problem} Nothing was saved.` };
    const saved = await allowed('judge', async (db) => ({
      version: await saveSpecies(db, read.species, version),
    }));
    if ('problem' in saved) return { problem: saved.problem };
    if (saved.version === undefined)
      return {
        problem:
          'Someone else has changed the firm. What you typed is still here; open the page in a second tab to compare.',
      };
    return { version: saved.version };
  },
);
