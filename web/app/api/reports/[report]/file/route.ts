import type { NextRequest } from 'next/server';
import { asked, plain } from '@/server/accounts/request';
import { isReportFormat, reportAnswer } from '@/server/reports/files';
import { issuedReport } from '@/server/reports/reports';

/** An issued report as DOCX, Markdown or JSON, from the content that was fixed with it. Its PDF is a route of its own. */
export async function GET(
  request: NextRequest,
  { params }: { params: Promise<{ report: string }> },
): Promise<Response> {
  const { report: id } = await params;
  const format = request.nextUrl.searchParams.get('format') ?? '';
  if (!isReportFormat(format) || format === 'pdf') return plain(400, 'Format: not one of docx, md, json.');
  return asked(request, 'read', async ({ inFirm, asker }) => {
    const report = await inFirm((db) => issuedReport(db, id));
    if (!report?.number) return plain(404, 'There is no such issued report.');
    return reportAnswer(report.content, { number: report.number, issued: report.issued_at! }, format, asker);
  });
}
