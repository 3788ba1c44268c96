import type { NextRequest } from 'next/server';
import { asked, plain } from '@/server/accounts/request';
import { beside } from '@/server/beside';
import { solveCuts } from '@/server/cuts/solve';
import { openDraft } from '@/server/reports/reports';

/** The best cut plan of a visit, solved on the server: for devices and programs without a solver of their own. */
export async function GET(
  request: NextRequest,
  { params }: { params: Promise<{ tree: string }> },
): Promise<Response> {
  const { tree } = await params;
  const visit = request.nextUrl.searchParams.get('visit') ?? undefined;
  return asked(request, 'read', async ({ inFirm, asker }) => {
    const draft = await inFirm((db, viewer) => openDraft(db, viewer, tree, visit, 'metric'));
    if (!draft) return plain(404, 'There is no such visit.');
    const { missing, given } = await beside('cutsToSolve', draft.source, asker);
    if (!given) return plain(409, `No cut plan can be made; missing: ${missing.join('; ')}.`);
    return Response.json(await solveCuts(given, asker));
  });
}
