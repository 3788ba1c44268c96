import type { NextRequest } from 'next/server';
import { handle, plain } from '@/server/accounts/request';
import { reportContent } from '@/server/reports/content';
import { isReportFormat, REPORT_FORMATS, reportAnswer } from '@/server/reports/files';
import { openDraft } from '@/server/reports/reports';

/** The draft of a visit's report as a file; PDF where no format is asked for. */
export async function GET(
  request: NextRequest,
  { params }: { params: Promise<{ tree: string }> },
): Promise<Response> {
  const { tree } = await params;
  const visit = request.nextUrl.searchParams.get('visit') ?? undefined;
  const system = request.cookies.get('undrel_units')?.value === 'us' ? 'us' : 'metric';
  const format = request.nextUrl.searchParams.get('format') ?? 'pdf';
  if (!isReportFormat(format))
    return plain(400, `Format: “${format}” is not one of ${Object.keys(REPORT_FORMATS).join(', ')}.`);
  return handle(request, 'read', async (db, viewer) => {
    const draft = await openDraft(db, viewer, tree, visit, system);
    if (!draft) return plain(404, 'There is no such visit.');
    return reportAnswer(reportContent(draft.source), undefined, format);
  });
}
