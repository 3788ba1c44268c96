import { randomUUID } from 'node:crypto';
import { asUser, withoutFirm, type Db } from '../database/transaction';
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

/** Failures within the window after which sign-in pauses, for one account and for one address. */
export const THROTTLE = { window: '15 minutes', account: 6, address: 40 };

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

/** Signs in by e-mail and password; pauses an account or an address after repeated failures. */
export async function signIn(email: string, password: string, from: Origin): Promise<SignIn> {
  const account = email.trim().toLowerCase();
  const found = await withoutFirm(async (db) => {
    const failures = await db.row<{ by_account: number; by_address: number }>(sql.COUNT_FAILURES, [
      account,
      from.address,
      THROTTLE.window,
    ]);
    if (failures && (failures.by_account >= THROTTLE.account || failures.by_address >= THROTTLE.address))
      return 'paused';
    return db.row<{ firm_id: string; user_id: string; password_hash: string }>(sql.FIND_ACCOUNT, [account]);
  });
  if (found === 'paused') {
    return { ok: false, reason: `Too many failed sign-ins; wait ${THROTTLE.window} and try again.` };
  }
  const fits = await passwordFits(found?.password_hash, password);
  await withoutFirm((db) => db.rows(sql.NOTE_ATTEMPT, [account, from.address, fits]));
  if (!found || !fits) return { ok: false, reason: 'E-mail and password do not belong together.' };
  return openSession(found.firm_id, found.user_id, from);
}

/** Why a new password is not taken, or undefined. */
export function passwordProblem(password: string): string | undefined {
  if (password.length < MIN_PASSWORD)
    return `Password: ${password.length} characters; at least ${MIN_PASSWORD} are needed.`;
  if (password.length > 200) return 'Password: longer than 200 characters.';
  return undefined;
}

/** Changes a password and ends every other session of the person. */
export async function changePassword(
  db: Db,
  viewer: Viewer,
  current: string,
  next: string,
): Promise<string | undefined> {
  const problem = passwordProblem(next);
  if (problem) return problem;
  const row = await db.row<{ password_hash: string }>(sql.PASSWORD_OF_USER, [viewer.userId]);
  if (!(await passwordFits(row?.password_hash, current))) return 'Present password: does not fit.';
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
  const problem = passwordProblem(password);
  if (problem) return { ok: false, reason: problem };
  const invitation = await findInvitation(token);
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
