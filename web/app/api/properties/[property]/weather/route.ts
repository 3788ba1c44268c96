import type { NextRequest } from 'next/server';
import { dryYears } from '@undrel/core/history';
import { handle, plain } from '@/server/accounts/request';
import { today } from '@/server/cases/write';
import { askWeather, keepWeather, readWeather } from '@/server/grounds/weather';
import { simulatedWeather } from '@/stand-ins/weather';

/** Keeps the rain of the grounds: from a CSV file that is sent, else from the weather service. */
export async function POST(
  request: NextRequest,
  { params }: { params: Promise<{ property: string }> },
): Promise<Response> {
  const { property } = await params;
  const isCsv = request.headers.get('content-type')?.includes('csv') === true;
  const bytes = new Uint8Array(await request.arrayBuffer());
  return handle(request, 'measure', async (db) => {
    const read = isCsv
      ? readWeather(bytes, request.nextUrl.searchParams.get('name')?.slice(0, 120) || 'a CSV file')
      : { ok: true as const, record: await askWeather(simulatedWeather, property, today()), notes: [] };
    if (!read.ok) return plain(400, read.problem);
    if (!(await keepWeather(db, property, read.record))) return plain(404, 'There is no such property.');
    const dry = dryYears(read.record);
    return Response.json({
      done: `Rain of ${read.record.seasons.length} growing seasons kept; dry: ${dry.join(', ') || 'none told'}.`,
      notes: read.notes,
    });
  });
}
