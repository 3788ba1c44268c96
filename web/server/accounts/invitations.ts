import { randomUUID } from 'node:crypto';
import { asUser, withoutFirm, type Db } from '../database/transaction';
import type { Role } from '../../protocol/roles';
import type { Origin } from './attempts';
import { passwordProblem } from './password';
import { hashPassword, hashToken, newToken } from './secrets';
import { openSession, type SignIn } from './session';
import * as sql from './sql';

const INVITATION_DAYS = 7;

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
