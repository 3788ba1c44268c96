import { createHash, randomUUID } from 'node:crypto';
import type { OfferContent, OfferDays, OfferHead, OfferOption, OfferShown } from '../../protocol/offer';
import { hashToken, newToken } from '../accounts/secrets';
import { withoutFirm, type Db } from '../database/transaction';
import { bytesOf, type PictureRow } from '../pictures/pictures';
import * as sql from './sql';

/** How long a link may be open, days. */
export const OFFER_DAYS: OfferDays = { least: 1, usual: 30, most: 180 };
export const MOST_NOTE = 2000;

const hashOf = (content: string): string => createHash('sha256').update(content).digest('hex');

/** Keeps what a client is to see, word for word, behind a new link; its token is given out once and stored hashed. */
export async function makeOffer(
  db: Db,
  visitId: string,
  content: OfferContent,
  days: number,
): Promise<{ token: string }> {
  const text = JSON.stringify(content);
  const { token, tokenHash } = newToken();
  await db.rows(sql.ADD_OFFER, [randomUUID(), visitId, tokenHash, text, hashOf(text), days]);
  return { token };
}

interface OfferRow {
  id: string;
  sha256: string;
  options: OfferOption[];
  made: string;
  by: string | null;
  expires: string;
  state: OfferHead['state'];
  approved_option: string | null;
  approved_name: string | null;
  approved_note: string | null;
  approved_on: string | null;
}

/** The links of a tree, newest first. */
export async function offersOf(db: Db, treeId: string): Promise<OfferHead[]> {
  const rows = await db.rows<OfferRow>(sql.OFFERS_OF_TREE, [treeId]);
  return rows.map(({ id, sha256, made, by, expires, state, options, ...row }) => ({
    id,
    sha256,
    made,
    by,
    expires,
    state,
    ...(row.approved_on && {
      approved: {
        option: row.approved_option!,
        title: options.find((o) => o.key === row.approved_option)?.title ?? row.approved_option!,
        name: row.approved_name!,
        on: row.approved_on,
        note: row.approved_note,
      },
    }),
  }));
}

/** Closes a link that nobody has approved; false when there is none open. */
export const revokeOffer = async (db: Db, id: string): Promise<boolean> =>
  (await db.row(sql.REVOKE, [id])) !== undefined;

interface ShownRow {
  content: string;
  sha256: string;
  expires: string;
  expired: boolean;
  revoked: boolean;
  approved_on: string | null;
  approved_name: string | null;
  approved_option: string | null;
}

/** What a link shows. An approved one stays readable; an expired or revoked one shows nothing. */
export async function shownBy(token: string): Promise<OfferShown> {
  const row = await withoutFirm((db) => db.row<ShownRow>(sql.SHOWN, [hashToken(token)]));
  if (!row) return { state: 'unknown' };
  if (row.approved_on === null && row.revoked) return { state: 'revoked' };
  if (row.approved_on === null && row.expired) return { state: 'expired' };
  return {
    state: row.approved_on === null ? 'open' : 'approved',
    content: JSON.parse(row.content) as OfferContent,
    sha256: row.sha256,
    expires: row.expires,
    ...(row.approved_on !== null && {
      approved: { option: row.approved_option!, name: row.approved_name!, on: row.approved_on },
    }),
  };
}

/** A picture that a link shows, as a page shows it; undefined where it shows none such. */
export async function pictureShownBy(token: string, hash: string): Promise<Buffer | undefined> {
  const row = await withoutFirm((db) =>
    db.row<PictureRow & Record<string, unknown>>(sql.SHOWN_PICTURE, [hashToken(token), hash]),
  );
  return row && bytesOf(row, hash, 'page');
}

/** Why an approval was not taken. */
const REFUSALS: Record<string, string> = {
  unknown: 'This link is not one of ours; check that it was copied whole.',
  revoked: 'The firm has withdrawn this offer; ask for a new link.',
  expired: 'This link has expired; ask the firm for a new one.',
  'approved before': 'This offer has been approved already; nothing was changed.',
  altered: 'What you approve is not what this link shows; open the link again.',
  'no such option': 'That option is not in this offer; open the link again.',
};

/** Approves one option of what a link shows: once, in time, under a name. @returns why not, or undefined */
export async function approveOffer(
  token: string,
  given: { sha256: string; option: string; name: string; note: string },
): Promise<string | undefined> {
  const name = given.name.trim();
  if (name.length < 2 || name.length > 120)
    return `Your name: ${name.length} characters; 2 to 120 are needed.`;
  if (given.note.length > MOST_NOTE)
    return `Note: ${given.note.length} characters; at most ${MOST_NOTE} are allowed.`;
  const row = await withoutFirm((db) =>
    db.row<{ answer: string }>(sql.APPROVE, [
      hashToken(token),
      given.sha256,
      given.option,
      name,
      given.note.trim(),
    ]),
  );
  const answer = row?.answer ?? 'unknown';
  return answer === 'approved' ? undefined : (REFUSALS[answer] ?? answer);
}
