import type { NextRequest } from 'next/server';
import { asked, plain } from '@/server/accounts/request';
import { beside } from '@/server/beside';
import { today } from '@/server/cases/write';
import { linesOf } from '@/server/lines';
import { propertySources } from '@/server/offers/propertyWork';
import { isLength, LENGTHS } from '@/protocol/lengths';
import { isReportFormat, REPORT_FORMATS } from '@/server/reports/files';
import { propertyReport } from '@/server/reports/property';

/** The report of a property: lines of JSON that tell how far it is, the last one with the file. Closing it stops the work. */
export async function GET(
  request: NextRequest,
  { params }: { params: Promise<{ property: string }> },
): Promise<Response> {
  const { property } = await params;
  const system = request.cookies.get('undrel_units')?.value === 'us' ? 'us' : 'metric';
  const format = request.nextUrl.searchParams.get('format') ?? 'pdf';
  if (!isReportFormat(format))
    return plain(400, `Format: not one of ${Object.keys(REPORT_FORMATS).join(', ')}.`);
  const length = request.nextUrl.searchParams.get('length') ?? 'record';
  if (!isLength(length)) return plain(400, `Length: not one of ${LENGTHS.join(', ')}.`);
  return asked(request, 'read', async ({ inFirm, viewer, asker }) => {
    const found = await inFirm((db, who) => propertySources(db, who, property, system));
    if (!found) return plain(404, 'There are no such grounds.');
    if (found.sources.length === 0) return plain(409, 'No tree of these grounds was visited yet.');
    const { sources } = found;
    const page = await beside('property', found.rows, asker);
    return linesOf(
      asker.signal,
      (signal) =>
        propertyReport(
          { page, firm: viewer.firmName, made: today(), rates: sources[0]!.source.rates, system },
          sources,
          format,
          { ...asker, signal },
          length,
        ),
      'The report could not be made; try again.',
    );
  });
}
