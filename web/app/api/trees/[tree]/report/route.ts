import { after, type NextRequest } from 'next/server';
import { unitsOfDevice } from '@/server/accounts/device';
import { asked, plain } from '@/server/accounts/request';
import { contentOf } from '@/server/reports/contentOf';
import { editionOf } from '@/work/reports/edition';
import { reportAnswer } from '@/server/reports/files';
import { filesFor } from '@/server/pictures/forDocument';
import { setAhead } from '@/server/reports/setDocument';
import { openDraft } from '@/server/reports/reports';

/** The draft of a visit's report as a file; the full record as PDF where no length and no format is asked for. */
export async function GET(
  request: NextRequest,
  { params }: { params: Promise<{ tree: string }> },
): Promise<Response> {
  const { tree } = await params;
  const visit = request.nextUrl.searchParams.get('visit') ?? undefined;
  const system = await unitsOfDevice();
  const edition = editionOf(request.nextUrl.searchParams);
  if ('problem' in edition) return plain(400, edition.problem);
  const { format, length, language } = edition;
  return asked(request, 'read', async ({ inFirm, asker }) => {
    const draft = await inFirm((db, viewer) => openDraft(db, viewer, tree, visit, system));
    if (!draft) return plain(404, 'There is no such visit.');
    const content = await contentOf(draft.source, asker);
    const files = await filesFor(inFirm, content.pictures, format);
    if (format === 'json' && length === 'record')
      after(() => setAhead(content, () => filesFor(inFirm, content.pictures), asker, language));
    return reportAnswer({ content, length, language, files }, format, asker);
  });
}
