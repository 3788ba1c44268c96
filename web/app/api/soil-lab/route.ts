import type { NextRequest } from 'next/server';
import { handle, plain } from '@/server/accounts/request';
import { today } from '@/server/cases/write';
import { simulatedLab } from '@/stand-ins/soilLab';

const DAY_MS = 86_400_000;

/** Results of a soil sample as CSV; 404 until the laboratory has had its days. */
export async function GET(request: NextRequest): Promise<Response> {
  const label = request.nextUrl.searchParams.get('label')?.slice(0, 120) ?? '';
  const sent = Date.parse(request.nextUrl.searchParams.get('sent') ?? '');
  return handle(request, 'read', async () => {
    if (!label || Number.isNaN(sent)) return plain(400, 'Label and day of sending are needed.');
    if (Date.parse(today()) - sent < simulatedLab.days * DAY_MS)
      return plain(404, 'The laboratory has no results yet.');
    return new Response(await simulatedLab.results(label), {
      headers: { 'content-type': 'text/csv; charset=utf-8' },
    });
  });
}
