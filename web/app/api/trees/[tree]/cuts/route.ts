import type { NextRequest } from 'next/server';
import { missingForCuts, type CutsGiven } from '@undrel/core/pruning';
import { handle, plain } from '@/server/accounts/request';
import { cutsGiven } from '@/server/cuts/given';
import { solveCuts } from '@/server/cuts/solve';
import { openDraft } from '@/server/reports/reports';

/** The best cut plan of a visit, solved on the server: for devices and programs without a solver of their own. */
export async function GET(
  request: NextRequest,
  { params }: { params: Promise<{ tree: string }> },
): Promise<Response> {
  const { tree } = await params;
  const visit = request.nextUrl.searchParams.get('visit') ?? undefined;
  let given: CutsGiven | undefined;
  const read = await handle(request, 'read', async (db, viewer) => {
    const draft = await openDraft(db, viewer, tree, visit, 'metric');
    if (!draft) return plain(404, 'There is no such visit.');
    const { source } = draft;
    const missing = missingForCuts(source.tree, source.visit.dig);
    if (missing.length > 0) return plain(409, `No cut plan can be made; missing: ${missing.join('; ')}.`);
    given = cutsGiven(source);
    return plain(200, '');
  });
  // The record is read and let go before the solver begins.
  if (!given) return read;
  return Response.json(await solveCuts(given, request.signal));
}
