import { randomUUID } from 'node:crypto';
import { asUser, withoutFirm, type Db } from '../database/transaction';
import { COMMON_PASSWORDS } from './commonPasswords';
import { hashPassword, hashToken, MIN_PASSWORD, newToken, passwordFits } from './secrets';
import * as sql from './sql';
import type { Role } from '../../protocol/roles';

/** Behind TLS the cookie is bound to this very host, so that no other host of the domain can set it. */
export const sessionCookie = (secure: boolean): string =>
  secure ? '__Host-undrel_session' : 'undrel_session';

/** Whether the browser speaks TLS to the proxy before us. */
export const isSecure = (list: Pick<Headers, 'get'>): boolean => list.get('x-forwarded-proto') === 'https';

/** The token of the session in the cookies of a request. */
export const sessionToken = (
  jar: { get(name: string): { value: string } | undefined },
  list: Pick<Headers, 'get'>,
): string | undefined => jar.get(sessionCookie(isSecure(list)))?.value;

const SESSION_DAYS = 30;
const INVITATION_DAYS = 7;

/**
 * Failures within the window after which a sign-in pauses: of one account from one address, of one account from
 * anywhere, of one address. The second is high, so that nobody shuts a known person out by a few guesses.
 */
export const THROTTLE = { window: '15 minutes', pair: 6, account: 60, address: 40 };

/** The person behind a request. */
export interface Viewer {
  firmId: string;
  userId: string;
  sessionId: string;
  name: string;
  email: string;
  role: Role;
  firmName: string;
  units: 'metric' | 'us';
}

export interface Origin {
  address: string;
  agent: string;
}

interface EnterRow {
  firm_id: string;
  user_id: string;
  session_id: string;
  name: string;
  email: string;
  role: Role;
  firm_name: string;
  units: 'metric' | 'us';
}

/**
 * Runs work as the person of a session token, in one transaction that has entered their firm.
 *
 * @returns undefined when the token has no live session
 */
export function asSession<T>(
  token: string,
  work: (db: Db, viewer: Viewer) => Promise<T>,
): Promise<T | undefined> {
  return withoutFirm(async (db) => {
    const row = await db.row<EnterRow>(sql.ENTER, [hashToken(token)]);
    if (!row) return undefined;
    return work(db, {
      firmId: row.firm_id,
      userId: row.user_id,
      sessionId: row.session_id,
      name: row.name,
      email: row.email,
      role: row.role,
      firmName: row.firm_name,
      units: row.units,
    });
  });
}

export type SignIn = { ok: true; token: string; expires: Date } | { ok: false; reason: string };

async function openSession(firmId: string, userId: string, from: Origin): Promise<SignIn & { ok: true }> {
  const { token, tokenHash } = newToken();
  const expires = new Date(Date.now() + SESSION_DAYS * 86_400_000);
  await asUser(firmId, userId, (db) =>
    db.rows(sql.OPEN_SESSION, [randomUUID(), tokenHash, expires, from.address, from.agent.slice(0, 300)]),
  );
  return { ok: true, token, expires };
}

const PAUSED = `Too many failed attempts; wait ${THROTTLE.window} and try again.`;

/**
 * Looks at a password when the account and the address have attempts left. The attempt is counted first, so that many
 * at once are not all looked at.
 *
 * @param account what the attempts are counted by
 */
async function tried(
  account: string,
  from: Origin,
  look: () => Promise<boolean>,
): Promise<boolean | 'paused'> {
  const { window, pair, account: most, address } = THROTTLE;
  const row = await withoutFirm((db) =>
    db.row<{ attempt: string | null }>(sql.TRY, [account, from.address, window, pair, most, address]),
  );
  const attempt = row?.attempt;
  if (!attempt) return 'paused';
  const fits = await look();
  if (fits) await withoutFirm((db) => db.rows(sql.TRIED, [attempt]));
  return fits;
}

/**
 * Signs in by e-mail and password; pauses an account or an address after repeated failures.
 *
 * @param before token of the session that this device has now; it ends
 */
export async function signIn(
  email: string,
  password: string,
  from: Origin,
  before?: string,
): Promise<SignIn> {
  const account = email.trim().toLowerCase().slice(0, 320);
  const found = await withoutFirm((db) =>
    db.row<{ firm_id: string; user_id: string; password_hash: string }>(sql.FIND_ACCOUNT, [account]),
  );
  const fits = await tried(account, from, () => passwordFits(found?.password_hash, password.slice(0, 1000)));
  if (fits === 'paused') return { ok: false, reason: PAUSED };
  if (!found || !fits) return { ok: false, reason: 'E-mail and password do not belong together.' };
  if (before !== undefined) await asSession(before, (db) => db.rows(sql.CLOSE_TOKEN, [hashToken(before)]));
  return openSession(found.firm_id, found.user_id, from);
}

/** Why a new password is not taken, or undefined. @param about what everybody knows of the person */
export function passwordProblem(password: string, about: readonly string[] = []): string | undefined {
  if (password.length < MIN_PASSWORD)
    return `Password: ${password.length} characters; at least ${MIN_PASSWORD} are needed.`;
  if (password.length > 200) return 'Password: longer than 200 characters.';
  const plain = password.toLowerCase();
  const known = about.some((word) => word.length > 3 && plain === word.toLowerCase());
  if (COMMON_PASSWORDS.has(plain) || known || new Set(plain).size < 4)
    return 'Password: one of those that are tried first; choose another, three words for example.';
  return undefined;
}

/** Changes a password and ends every other session of the person. */
export async function changePassword(
  db: Db,
  viewer: Viewer,
  current: string,
  next: string,
  from: Origin,
): Promise<string | undefined> {
  const problem = passwordProblem(next, [viewer.email, viewer.name, viewer.firmName]);
  if (problem) return problem;
  const row = await db.row<{ password_hash: string }>(sql.PASSWORD_OF_USER, [viewer.userId]);
  const fits = await tried(`password of ${viewer.userId}`, from, () =>
    passwordFits(row?.password_hash, current.slice(0, 1000)),
  );
  if (fits === 'paused') return PAUSED;
  if (!fits) return 'Present password: does not fit.';
  await db.rows(sql.CHANGE_PASSWORD, [viewer.userId, await hashPassword(next)]);
  await db.rows(sql.CLOSE_SESSIONS_OF, [viewer.userId, viewer.sessionId]);
  return undefined;
}

/** Invites by link; the link's token is shown once and stored only hashed. */
export async function invite(db: Db, email: string, role: Role): Promise<string> {
  const { token, tokenHash } = newToken();
  await db.rows(sql.ADD_INVITATION, [
    randomUUID(),
    email.trim().toLowerCase(),
    role,
    tokenHash,
    new Date(Date.now() + INVITATION_DAYS * 86_400_000),
  ]);
  return token;
}

export interface Invitation {
  firm_id: string;
  firm_name: string;
  email: string;
  role: Role;
}

export const findInvitation = (token: string): Promise<Invitation | undefined> =>
  withoutFirm((db) => db.row<Invitation>(sql.FIND_INVITATION, [hashToken(token)]));

/** Takes up an invitation: makes the account and signs it in. A second use of the link is refused. */
export async function acceptInvitation(
  token: string,
  name: string,
  password: string,
  from: Origin,
): Promise<SignIn> {
  const invitation = await findInvitation(token);
  const problem = passwordProblem(password, [name, invitation?.email ?? '', invitation?.firm_name ?? '']);
  if (problem) return { ok: false, reason: problem };
  if (!invitation)
    return { ok: false, reason: 'This invitation has been used or has lapsed; ask for a new one.' };
  const userId = randomUUID();
  const passwordHash = await hashPassword(password);
  const taken = await asUser(invitation.firm_id, userId, async (db) => {
    const row = await db.row<{ email: string; role: Role }>(sql.ACCEPT_INVITATION, [hashToken(token)]);
    if (row) await db.rows(sql.ADD_USER, [userId, row.email, name.trim(), row.role, passwordHash]);
    return row !== undefined;
  }).catch((error: { code?: string }) => {
    if (error.code === '23505') return 'known' as const;
    throw error;
  });
  if (taken === 'known')
    return { ok: false, reason: 'There is already an account with this e-mail; sign in instead.' };
  if (!taken) return { ok: false, reason: 'This invitation has just been used.' };
  return openSession(invitation.firm_id, userId, from);
}

/** Makes a firm with its first owner; for set-up scripts, which have no session. */
export async function foundFirm(
  firm: { id: string; name: string; units: 'metric' | 'us'; prefix: string },
  owner: { id: string; email: string; name: string; password: string },
): Promise<void> {
  const passwordHash = await hashPassword(owner.password);
  await asUser(firm.id, owner.id, async (db) => {
    await db.rows(sql.ADD_FIRM, [firm.id, firm.name, firm.units, firm.prefix]);
    await db.rows(sql.ADD_USER, [owner.id, owner.email.toLowerCase(), owner.name, 'owner', passwordHash]);
  });
}
