import type { NextRequest } from 'next/server';
import { ROLES } from '@undrel/core/schedule';
import { asked, plain } from '@/server/accounts/request';
import { ownAddress } from '@/server/accounts/address';
import { today } from '@/server/cases/write';
import { propertyHead } from '@/server/grounds/grounds';
import { icalendarOf } from '@/server/season/icalendar';
import { calendarGiven } from '@/server/season/season';

/** The calendar as a file, for one role or all, of one of the grounds or all. */
export const GET = (request: NextRequest): Promise<Response> =>
  asked(request, 'read', async (given) => {
    const asks = request.nextUrl.searchParams;
    const who = asks.get('who') || null;
    if (who !== null && !ROLES.some((r) => r === who))
      return plain(400, `who: ${who.slice(0, 40)} is not one of ${ROLES.join(', ')}.`);
    const property = asks.get('property') || null;
    if (property !== null && !(await given.inFirm((db) => propertyHead(db, property))))
      return plain(404, 'There is no such property.');
    const calendar = await calendarGiven(
      given,
      given.viewer.firmName,
      ROLES.find((r) => r === who) ?? null,
      property,
      today(),
    );
    return new Response(icalendarOf(calendar, await ownAddress(), new Date().toISOString()), {
      headers: {
        'content-type': 'text/calendar; charset=utf-8',
        'content-disposition': 'attachment; filename="season.ics"',
        'cache-control': 'no-store',
      },
    });
  });
