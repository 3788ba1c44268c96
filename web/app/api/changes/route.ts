import type { NextRequest } from 'next/server';
import { z } from 'zod';
import { handle, plain } from '@/server/accounts/request';
import { changeSchema, saveChanges } from '@/server/cases/write';

const body = z.object({ changes: z.array(changeSchema).min(1).max(500) });

/** Saves changes to cases; each is answered on its own: saved, stale with what is stored, or refused with the reason. */
export async function POST(request: NextRequest): Promise<Response> {
  const read = body.safeParse(await request.json().catch(() => undefined));
  return handle(request, 'read', async (db, viewer) => {
    if (!read.success) return plain(400, z.prettifyError(read.error));
    return Response.json({ results: await saveChanges(db, viewer, read.data.changes as never) });
  });
}
