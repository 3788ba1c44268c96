import type { NextRequest } from 'next/server';
import { handle, plain } from '@/server/accounts/request';
import { reportContent } from '@/server/reports/content';
import { reportPdf } from '@/server/reports/pdf';
import { openDraft } from '@/server/reports/reports';

/** The draft of a visit's report as PDF. */
export async function GET(
  request: NextRequest,
  { params }: { params: Promise<{ tree: string }> },
): Promise<Response> {
  const { tree } = await params;
  const visit = request.nextUrl.searchParams.get('visit') ?? undefined;
  const system = request.cookies.get('undrel_units')?.value === 'us' ? 'us' : 'metric';
  return handle(request, 'read', async (db, viewer) => {
    const draft = await openDraft(db, viewer, tree, visit, system);
    if (!draft) return plain(404, 'There is no such visit.');
    const pdf = await reportPdf(reportContent(draft.source));
    return new Response(new Uint8Array(pdf), {
      headers: { 'content-type': 'application/pdf', 'content-disposition': 'inline; filename="draft.pdf"' },
    });
  });
}
