import type { NextRequest } from 'next/server';
import { asked, plain } from '@/server/accounts/request';
import { beside } from '@/server/beside';
import { today } from '@/server/cases/write';
import { propertySources } from '@/server/offers/propertyWork';
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
  return asked(request, 'read', async ({ inFirm, viewer, asker }) => {
    const found = await inFirm((db, who) => propertySources(db, who, property, system));
    if (!found) return plain(404, 'There are no such grounds.');
    if (found.sources.length === 0) return plain(409, 'No tree of these grounds was visited yet.');
    const stop = new AbortController();
    const signal = AbortSignal.any([asker.signal, stop.signal]);
    const { sources } = found;
    const lines = propertyReport(
      {
        page: await beside('property', found.rows, asker),
        firm: viewer.firmName,
        made: today(),
        rates: sources[0]!.source.rates,
        system,
      },
      sources,
      format,
      { ...asker, signal },
    );
    const encoder = new TextEncoder();
    const body = new ReadableStream<Uint8Array>({
      async pull(controller) {
        try {
          const { value, done } = await lines.next();
          if (done) controller.close();
          else controller.enqueue(encoder.encode(`${JSON.stringify(value)}\n`));
        } catch (error) {
          if (signal.aborted) return controller.close();
          console.error(error);
          controller.enqueue(
            encoder.encode(`${JSON.stringify({ problem: 'The report could not be made; try again.' })}\n`),
          );
          controller.close();
        }
      },
      cancel() {
        stop.abort();
      },
    });
    return new Response(body, {
      headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' },
    });
  });
}
