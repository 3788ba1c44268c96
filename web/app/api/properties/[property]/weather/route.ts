import type { NextRequest } from 'next/server';
import { dryYears } from '@undrel/core/history';
import { asked, plain } from '@/server/accounts/request';
import { beside } from '@/server/beside';
import { today } from '@/server/cases/write';
import { readPlace } from '@/work/readers/readPlace';
import { askWeather, keepWeather, notePlace, placeOfGrounds } from '@/server/grounds/weather';
import { simulatedWeather } from '@/stand-ins/weather';

/** Keeps the rain of the grounds: from a CSV file that is sent, else from the weather service. */
export async function POST(
  request: NextRequest,
  { params }: { params: Promise<{ property: string }> },
): Promise<Response> {
  const { property } = await params;
  const isCsv = request.headers.get('content-type')?.includes('csv') === true;
  const name = request.nextUrl.searchParams.get('name')?.slice(0, 120) || 'a CSV file';
  return asked(request, 'measure', async ({ body, inFirm, asker }) => {
    const place = await inFirm((db) => placeOfGrounds(db, property));
    const read = isCsv
      ? await beside('weather', { bytes: await body('csv'), name, place }, asker)
      : {
          ok: true as const,
          record: await askWeather(simulatedWeather, property, today(), place),
          notes: [],
        };
    if (!read.ok) return plain(400, read.problem);
    if (!(await inFirm((db) => keepWeather(db, property, read.record))))
      return plain(404, 'There is no such property.');
    const dry = dryYears(read.record);
    return Response.json({
      done: `Rain of ${read.record.seasons.length} growing seasons kept; dry: ${dry.join(', ') || 'none told'}.`,
      notes: read.notes,
    });
  });
}

/** Notes where the grounds lie: latitude, mean last and first frost. */
export async function PUT(
  request: NextRequest,
  { params }: { params: Promise<{ property: string }> },
): Promise<Response> {
  const { property } = await params;
  return asked(request, 'measure', async ({ json, inFirm }) => {
    const read = readPlace(await json());
    if ('problem' in read) return plain(400, read.problem);
    const seasons = await inFirm((db) => notePlace(db, property, read.place));
    if (seasons === undefined) return plain(404, 'There is no such property.');
    const rain = seasons === 0 ? ' Read the weather record for the rain of its growing seasons.' : '';
    return Response.json({ done: `Noted. Seasons of planting and of all work follow it.${rain}`, notes: [] });
  });
}
