import { createHash, randomUUID } from 'node:crypto';
import type { NoticeContent, NoticeHead, NoticeShown } from '../../protocol/notice';
import { hashToken, newToken } from '../accounts/secrets';
import { withoutFirm, type Db } from '../database/transaction';
import * as sql from './sql';

const hashOf = (content: string): string => createHash('sha256').update(content).digest('hex');

/** Keeps a notice word for word behind a new link, for whoever mows and mulches. */
export async function makeNotice(
  db: Db,
  propertyId: string,
  to: string,
  content: NoticeContent,
): Promise<{ token: string } | { problem: string }> {
  const name = to.trim();
  if (name === '' || name.length > 120)
    return { problem: `For: ${name.length} characters; 1 to 120 are allowed.` };
  const text = JSON.stringify(content);
  const { token, tokenHash } = newToken();
  await db.rows(sql.ADD_NOTICE, [randomUUID(), propertyId, tokenHash, name, text, hashOf(text)]);
  return { token };
}

/** The notices of a property, newest first. */
export const noticesOf = (db: Db, propertyId: string): Promise<NoticeHead[]> =>
  db.rows<NoticeHead>(sql.NOTICES_OF, [propertyId]);

/** Closes a link that nobody has answered; false where there is none open. */
export const revokeNotice = async (db: Db, id: string): Promise<boolean> =>
  (await db.row(sql.REVOKE_NOTICE, [id])) !== undefined;

interface ShownRow {
  content: string;
  sha256: string;
  to: string;
  revoked: boolean;
  received: string | null;
  by: string | null;
}

/** What a link shows; one that was received stays readable. */
export async function noticeShown(token: string): Promise<NoticeShown> {
  const row = await withoutFirm((db) => db.row<ShownRow>(sql.SHOWN_NOTICE, [hashToken(token)]));
  if (!row) return { state: 'unknown' };
  if (row.revoked && row.received === null) return { state: 'revoked' };
  return {
    state: row.received === null ? 'open' : 'received',
    to: row.to,
    content: JSON.parse(row.content) as NoticeContent,
    sha256: row.sha256,
    ...(row.received !== null && { received: { name: row.by!, on: row.received } }),
  };
}

const REFUSALS: Record<string, string> = {
  unknown: 'This link is not one of ours; check that it was copied whole.',
  revoked: 'The firm has withdrawn this notice; ask for a new link.',
  'received before': 'This notice was received already; nothing was changed.',
  altered: 'What you sign is not what this link shows; open the link again.',
};

/** Takes the receipt of what a link shows, once. @returns why not, or undefined */
export async function receiveNotice(
  token: string,
  given: { sha256: string; name: string },
): Promise<string | undefined> {
  const name = given.name.trim();
  if (name.length < 2 || name.length > 120)
    return `Your name: ${name.length} characters; 2 to 120 are needed.`;
  const row = await withoutFirm((db) =>
    db.row<{ answer: string }>(sql.RECEIVE, [hashToken(token), given.sha256, name]),
  );
  const answer = row?.answer ?? 'unknown';
  return answer === 'received' ? undefined : (REFUSALS[answer] ?? answer);
}
