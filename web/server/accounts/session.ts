import { randomUUID } from 'node:crypto';
import { asUser, withoutFirm, type Db } from '../database/transaction';
import { FairQueue } from '../fairQueue';
import type { Origin } from './attempts';
import { hashPassword, hashToken, newToken } from './secrets';
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
 * Turns of sessions: one that asks for much at once waits behind its own work, not others behind it. What follows from
 * rows, a page above all, is written on the thread that answers everybody.
 */
const TURNS = { atOnce: 30, each: 2, waiting: 200 };

// Kept by the process, so that a module that is loaded twice shares its turns.
const shared = globalThis as typeof globalThis & { undrelTurns?: FairQueue };

/** What ends the wait for a turn, and what the turn lasts beyond the work in it. */
export interface Turn {
  signal?: AbortSignal;
  /** Begins when the work is done; the turn is over when it ends. */
  until?: () => Promise<void>;
  /** The work is part of another turn, and waits for none. */
  within?: boolean;
}

/**
 * Runs work as the person of a session token, in one transaction that has entered their firm, when it is the session's
 * turn. What begins another within it says so: it would wait for itself.
 *
 * @returns undefined when the token has no live session
 * @throws Busy where the session has too much waiting; an AbortError where the signal ends the wait
 */
export function asSession<T>(
  token: string,
  work: (db: Db, viewer: Viewer) => Promise<T>,
  { signal, until, within }: Turn = {},
): Promise<T | undefined> {
  const tokenHash = hashToken(token);
  const inside = async (db: Db): Promise<T | undefined> => {
    const row = await db.row<EnterRow>(sql.ENTER, [tokenHash]);
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
  };
  if (within) return withoutFirm(inside);
  const turns = (shared.undrelTurns ??= new FairQueue(TURNS));
  return new Promise((done, failed) => {
    const turn = async () => {
      const made = withoutFirm(inside);
      made.then(done, failed);
      await made.then(until, until);
    };
    turns.run(tokenHash.toString('hex'), turn, signal).catch(failed);
  });
}

/** What a sign-in comes to. `second` names the step that the person is at when the password alone does not do. */
export type SignIn =
  | { ok: true; token: string; expires: Date }
  | { ok: false; reason: string; second?: string };

/**
 * Opens a session of a person.
 *
 * @param before token of the session that this device has now; it ends
 */
export async function openSession(
  firmId: string,
  userId: string,
  from: Origin,
  before?: string,
): Promise<SignIn & { ok: true }> {
  if (before !== undefined) await asSession(before, (db) => db.rows(sql.CLOSE_TOKEN, [hashToken(before)]));
  const { token, tokenHash } = newToken();
  const expires = new Date(Date.now() + SESSION_DAYS * 86_400_000);
  await asUser(firmId, userId, (db) =>
    db.rows(sql.OPEN_SESSION, [randomUUID(), tokenHash, expires, from.address, from.agent.slice(0, 300)]),
  );
  return { ok: true, token, expires };
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
