import type { NextRequest } from 'next/server';
import { asked, plain } from '@/server/accounts/request';
import { editionOf } from '@/work/reports/edition';
import { reportAnswer } from '@/server/reports/files';
import { filesFor } from '@/server/pictures/forDocument';
import { issuedReport } from '@/server/reports/reports';

/** An issued report in any length and format, from the content that was fixed with it. The English PDF of its full record was kept with it, and is a route of its own. */
export async function GET(
  request: NextRequest,
  { params }: { params: Promise<{ report: string }> },
): Promise<Response> {
  const { report: id } = await params;
  const edition = editionOf(request.nextUrl.searchParams);
  if ('problem' in edition) return plain(400, edition.problem);
  const { format, length, language } = edition;
  if (format === 'pdf' && length === 'record' && language === 'en')
    return plain(400, 'Format: not one of docx, md, json; pdf for a letter, a report or another language.');
  return asked(request, 'read', async ({ inFirm, asker }) => {
    const report = await inFirm((db) => issuedReport(db, id));
    if (!report?.number) return plain(404, 'There is no such issued report.');
    const { number, issued_at: issued, content } = report;
    const files = await filesFor(inFirm, content.pictures, format);
    const stamp = { number, issued: issued! };
    return reportAnswer({ content, stamp, length, language, files }, format, asker);
  });
}
