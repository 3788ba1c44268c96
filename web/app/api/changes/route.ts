import type { NextRequest } from 'next/server';
import * as z from 'zod';
import { asked, plain } from '@/server/accounts/request';
import { saveGiven } from '@/server/cases/write';
import { MOST_CHANGES } from '@/work/readers/limits';

const body = z.object({ changes: z.array(z.unknown()).min(1) });

/** Saves changes to cases; each is answered on its own: saved, stale with what is stored, or refused with the reason. */
export const POST = (request: NextRequest): Promise<Response> =>
  asked(request, 'read', async ({ json, inFirm }) => {
    const read = body.safeParse(await json('changes'));
    if (!read.success) return plain(400, 'Changes: a list with at least one is needed.');
    const { changes } = read.data;
    if (changes.length > MOST_CHANGES)
      return plain(413, `Changes: ${changes.length}; at most ${MOST_CHANGES} are taken at once.`);
    return Response.json({ results: await inFirm((db, viewer) => saveGiven(db, viewer, changes)) });
  });
