'use server';

import { revalidatePath } from 'next/cache';
import * as z from 'zod';
import type { Picture, PictureAlignment } from '@undrel/core/records';
import { allowed } from '@/server/accounts/viewer';
import { loadCase } from '@/server/cases/load';
import { ID, taking } from '@/server/taking';
import { saveGiven } from '@/server/cases/write';

/** Keeps which places of a later picture an earlier one shows as well; without any, they stand apart again. The rules of a picture check them. */
export const alignAction = taking(
  [ID, ID, z.custom<PictureAlignment | undefined>()],
  async (treeId, hash, aligned): Promise<{ problem?: string }> => {
    const answer = await allowed('measure', async (db, viewer): Promise<{ problem?: string }> => {
      const loaded = await loadCase(db, treeId);
      const item = loaded?.items.find(
        (i) => i.kind === 'picture' && (i.values as Picture | null)?.hash === hash,
      );
      if (!item?.values) return { problem: 'The picture no longer exists.' };
      const { aligned: _, ...rest } = item.values as Picture;
      const [saved] = await saveGiven(db, viewer, [
        {
          kind: 'picture',
          id: item.id,
          parent: item.parent,
          base: item.version,
          values: { ...rest, ...(aligned && { aligned }) },
        },
      ]);
      if (saved?.status === 'saved') return {};
      return {
        problem:
          saved?.status === 'refused'
            ? saved.problem
            : 'The picture has been changed since; look again, then align them again.',
      };
    });
    revalidatePath(`/trees/${treeId}/time`);
    return answer;
  },
);
