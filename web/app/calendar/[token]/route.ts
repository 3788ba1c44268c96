import type { NextRequest } from 'next/server';
import { plain } from '@/server/accounts/request';
import { ownAddress } from '@/server/accounts/address';
import { Busy } from '@/server/fairQueue';
import { today } from '@/server/cases/write';
import { feedOf, inFeed } from '@/server/season/feeds';
import { icalendarOf } from '@/server/season/icalendar';
import { calendarGiven } from '@/server/season/season';

/** A calendar for another program, behind a token that can be taken back. */
export async function GET(
  request: NextRequest,
  { params }: { params: Promise<{ token: string }> },
): Promise<Response> {
  const token = (await params).token.replace(/\.ics$/, '');
  const feed = await feedOf(token);
  if (!feed) return plain(404, 'There is no such calendar, or it has been withdrawn.');
  // In turns by itself: a program that asks every minute does not stand before the person who made the address.
  const asker = { firmId: feed.firm_id, userId: `calendar of ${feed.user_id}`, signal: request.signal };
  try {
    const given = await calendarGiven(
      { inFirm: inFeed(feed), asker },
      feed.name,
      feed.who,
      feed.property_id,
      today(),
    );
    return new Response(icalendarOf(given, await ownAddress(), new Date().toISOString()), {
      headers: { 'content-type': 'text/calendar; charset=utf-8', 'cache-control': 'private, max-age=600' },
    });
  } catch (error) {
    if (error instanceof Busy) return plain(429, error.message, { 'retry-after': '60' });
    throw error;
  }
}
