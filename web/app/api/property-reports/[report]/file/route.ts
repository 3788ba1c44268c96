import type { NextRequest } from 'next/server';
import { asked, plain } from '@/server/accounts/request';
import { editionOf } from '@/work/reports/edition';
import { fileAnswer } from '@/server/reports/files';
import { documentFile } from '@/server/reports/property';
import { propertyFigures, propertyReportIn, storedPropertyPdf } from '@/server/reports/propertyReports';
import { readIn, setPdf } from '@/server/reports/setDocument';

/** An issued report of a property in any length and format. The English PDF of its full record is the one that was hashed. */
export async function GET(
  request: NextRequest,
  { params }: { params: Promise<{ report: string }> },
): Promise<Response> {
  const { report: id } = await params;
  const edition = editionOf(request.nextUrl.searchParams);
  if ('problem' in edition) return plain(400, edition.problem);
  const { format, length, language } = edition;
  const none = () => plain(404, 'There is no such issued report.');
  return asked(request, 'read', async ({ inFirm, asker }) => {
    if (format === 'json' && length === 'record') {
      const found = await inFirm((db) => propertyFigures(db, id));
      if (!found) return none();
      const { number, issued_at: issued, figures } = found;
      const text = JSON.stringify({ stamp: { number, issued }, ...(figures as object) }, null, 1);
      return fileAnswer(text, number, length, format);
    }
    if (format === 'pdf' && length === 'record' && language === 'en') {
      const stored = await inFirm((db) => storedPropertyPdf(db, id));
      return stored ? fileAnswer(new Uint8Array(stored.pdf), stored.number, length, format) : none();
    }
    const found = await inFirm((db) => propertyReportIn(db, id, length));
    if (!found) return none();
    const { number } = found;
    const document = await readIn(language, found.document, asker, [found.property]);
    const file =
      format === 'pdf' ? (await setPdf(document, asker)).bytes : await documentFile(document, format, asker);
    return fileAnswer(file, number, length, format);
  });
}
