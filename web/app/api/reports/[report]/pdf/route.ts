import type { NextRequest } from 'next/server';
import { handle, plain } from '@/server/accounts/request';
import { storedPdf } from '@/server/reports/reports';

/** The PDF of an issued report, byte for byte as it was hashed. */
export async function GET(
  request: NextRequest,
  { params }: { params: Promise<{ report: string }> },
): Promise<Response> {
  const { report } = await params;
  return handle(request, 'read', async (db) => {
    const stored = await storedPdf(db, report);
    if (!stored) return plain(404, 'There is no such issued report.');
    return new Response(new Uint8Array(stored.pdf), {
      headers: {
        'content-type': 'application/pdf',
        'content-disposition': `inline; filename="${stored.number}.pdf"`,
      },
    });
  });
}
