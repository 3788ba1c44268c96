import type { NextRequest } from 'next/server';
import { unitsOfDevice } from '@/server/accounts/device';
import { asked, plain } from '@/server/accounts/request';
import { beside } from '@/server/beside';
import { openDraft } from '@/server/reports/reports';

/** The crew order of a tree as a PDF: this year on one page, later years on pages of their own. */
export async function GET(
  request: NextRequest,
  { params }: { params: Promise<{ tree: string }> },
): Promise<Response> {
  const { tree } = await params;
  const visit = request.nextUrl.searchParams.get('visit') ?? undefined;
  const system = await unitsOfDevice();
  return asked(request, 'read', async ({ inFirm, asker }) => {
    const draft = await inFirm((db, viewer) => openDraft(db, viewer, tree, visit, system));
    if (!draft) return plain(404, 'There is no such visit.');
    const { label } = draft.source.tree;
    return new Response(await beside('orderSheet', draft.source, asker), {
      headers: {
        'content-type': 'application/pdf',
        'content-disposition': `inline; filename="${`crew order ${label}`.replace(/[^\w -]/g, '')}.pdf"`,
      },
    });
  });
}
