import type { NextRequest } from 'next/server';
import { asked, plain } from '@/server/accounts/request';
import { beside } from '@/server/beside';
import { keepDays } from '@/server/grounds/days';

/** Units of a file, as they are asked once. */
const UNITS = { temperature: ['°C', '°F'], rain: ['mm', 'in'], wind: ['m/s', 'mph'] } as const;

/** Keeps the daily weather of a CSV or JSON file; it joins what is there. */
export async function POST(
  request: NextRequest,
  { params }: { params: Promise<{ property: string }> },
): Promise<Response> {
  const { property } = await params;
  const asks = request.nextUrl.searchParams;
  const name = asks.get('name')?.slice(0, 120) || 'a file';
  const unit = <K extends keyof typeof UNITS>(key: K): (typeof UNITS)[K][number] | undefined => {
    const said = asks.get(key) ?? UNITS[key][0];
    return (UNITS[key] as readonly string[]).find((u) => u === said) as (typeof UNITS)[K][number] | undefined;
  };
  const [temperature, rain, wind] = [unit('temperature'), unit('rain'), unit('wind')];
  for (const key of Object.keys(UNITS) as (keyof typeof UNITS)[])
    if (!unit(key)) return plain(400, `${key}: not one of ${UNITS[key].join(', ')}.`);
  return asked(request, 'measure', async ({ body, inFirm, asker }) => {
    const read = await beside(
      'dailyWeather',
      { bytes: await body('csv'), units: { temperature: temperature!, rain: rain!, wind: wind! } },
      asker,
    );
    if (read.problem) return plain(400, read.problem);
    if (read.days.length === 0) return plain(400, `No day could be read. ${read.notes[0] ?? ''}`);
    const kept = await inFirm((db) => keepDays(db, property, read.days, name));
    if (!kept) return plain(404, 'There is no such property.');
    if ('problem' in kept) return plain(400, kept.problem);
    const changed = kept.changed > 0 ? ` ${kept.changed} days that were there before have new values.` : '';
    return Response.json({
      done: `${read.days.length} days read, ${kept.days} are kept.${changed}`,
      notes: read.notes.slice(0, 50),
    });
  });
}
