import { randomUUID } from 'node:crypto';
import { ROLES, type WhoDoes } from '@undrel/core/schedule';
import type { FeedHead } from '../../protocol/season';
import { hashToken, newToken } from '../accounts/secrets';
import { asUser, withoutFirm, type Db } from '../database/transaction';
import { propertyHead } from '../grounds/grounds';
import type { Viewer } from '../accounts/session';
import * as sql from './sql';

/** How many calendars of a firm may be read at once. */
const MOST_FEEDS = 50;

/** What is asked of a new calendar. */
export interface FeedGiven {
  name: string;
  who: WhoDoes | '';
  property: string;
}

/** Opens a calendar behind a token, which is given out once and kept hashed. */
export async function makeFeed(
  db: Db,
  viewer: Viewer,
  { name, who, property }: FeedGiven,
): Promise<{ token: string } | { problem: string }> {
  const clean = name.trim();
  if (clean === '' || clean.length > 120)
    return { problem: `For: ${clean.length} characters; 1 to 120 are allowed.` };
  if (who !== '' && !ROLES.includes(who))
    return { problem: `Tasks: ${who} is not one of ${ROLES.join(', ')}.` };
  if (property !== '' && !(await propertyHead(db, property)))
    return { problem: 'Property: it no longer exists.' };
  if ((await listFeeds(db)).length >= MOST_FEEDS)
    return { problem: `There are ${MOST_FEEDS} calendars already; withdraw one first.` };
  const { token, tokenHash } = newToken();
  await db.rows(sql.ADD_FEED, [randomUUID(), tokenHash, clean, who || null, property || null, viewer.userId]);
  return { token };
}

/** Calendars that are read, newest first. */
export const listFeeds = (db: Db): Promise<FeedHead[]> => db.rows<FeedHead>(sql.FEEDS);

/** Takes a calendar back; whoever reads it finds nothing any more. */
export const revokeFeed = async (db: Db, id: string): Promise<boolean> =>
  (await db.row(sql.REVOKE_FEED, [id])) !== undefined;

/** Whose calendar a token opens. */
export interface Feed {
  firm_id: string;
  user_id: string;
  name: string;
  who: WhoDoes | null;
  property_id: string | null;
  firm_name: string;
}

/** The calendar of a token; undefined where there is none, or it was taken back. */
export const feedOf = (token: string): Promise<Feed | undefined> =>
  withoutFirm((db) => db.row<Feed>(sql.FEED, [hashToken(token)]));

/** Runs work in the firm of a calendar. */
export const inFeed =
  ({ firm_id, user_id, firm_name }: Feed) =>
  <T>(work: (db: Db, viewer: Viewer) => Promise<T>): Promise<T> =>
    asUser(firm_id, user_id, (db) =>
      work(db, {
        firmId: firm_id,
        userId: user_id,
        sessionId: '',
        name: '',
        email: '',
        role: 'reader',
        firmName: firm_name,
        units: 'metric',
      }),
    );
