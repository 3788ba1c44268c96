import { asUser } from '../database/transaction';
import { PAUSED, tried, type Origin } from './attempts';
import { COMMON_PASSWORDS } from './commonPasswords';
import { hashPassword, MIN_PASSWORD, passwordFits } from './secrets';
import type { Viewer } from './session';
import * as sql from './sql';

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

/**
 * Asks a person who is signed in for their password again, before something that opens the account to others.
 *
 * @returns why it is refused, or undefined
 */
export async function provesItself(
  viewer: Pick<Viewer, 'firmId' | 'userId'>,
  password: string,
  from: Origin,
): Promise<string | undefined> {
  const row = await asUser(viewer.firmId, viewer.userId, (db) =>
    db.row<{ password_hash: string }>(sql.PASSWORD_OF_USER, [viewer.userId]),
  );
  const fits = await tried(`password of ${viewer.userId}`, from, () =>
    passwordFits(row?.password_hash, password.slice(0, 1000)),
  );
  if (fits === 'paused') return PAUSED;
  return fits ? undefined : 'Present password: does not fit.';
}

/** Changes a password and ends every other session of the person. Holds no connection while passwords are looked at. */
export async function changePassword(
  viewer: Viewer,
  current: string,
  next: string,
  from: Origin,
): Promise<string | undefined> {
  const problem =
    passwordProblem(next, [viewer.email, viewer.name, viewer.firmName]) ??
    (await provesItself(viewer, current, from));
  if (problem) return problem;
  const hash = await hashPassword(next);
  await asUser(viewer.firmId, viewer.userId, async (db) => {
    await db.rows(sql.CHANGE_PASSWORD, [viewer.userId, hash]);
    await db.rows(sql.CLOSE_SESSIONS_OF, [viewer.userId, viewer.sessionId]);
    await db.rows(sql.DROP_RESETS, [viewer.userId]);
  });
  return undefined;
}
