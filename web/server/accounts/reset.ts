import { asUser, withoutFirm } from '../database/transaction';
import type { SendMail } from '../mail/mailer';
import { PAUSED, tried, type Origin } from './attempts';
import { passwordProblem } from './password';
import { hashPassword } from './secrets';
import type { Viewer } from './session';
import * as sql from './sql';
import { openStep, seeStep, takeStep } from './steps';

/** How long a link of an owner stands, s. */
const OWNERS_LINK = 86_400;

/** Where a link to choose a new password leads. */
export const resetLink = (base: URL, token: string): string => new URL(`/reset/${token}`, base).toString();

/**
 * Sends a link to choose a new password to an address that has an account. What is answered, and how soon, does not tell
 * whether it has.
 *
 * @returns why it is refused, or undefined
 */
export async function mailReset(
  email: string,
  base: URL,
  from: Origin,
  send: SendMail,
): Promise<string | undefined> {
  const account = email.trim().toLowerCase().slice(0, 320);
  // Each request counts as an attempt: nobody's mailbox is filled.
  if ((await tried(`mail to ${account}`, from, async () => false)) === 'paused') return PAUSED;
  const found = await withoutFirm((db) =>
    db.row<{ firm_id: string; user_id: string }>(sql.FIND_ACCOUNT, [account]),
  );
  if (!found) {
    // A step that nobody holds takes as long; one of a reset would be written down with a firm.
    await openStep('passkey', {});
    return undefined;
  }
  const token = await openStep('reset', { firmId: found.firm_id, userId: found.user_id });
  void send({
    to: account,
    subject: 'Choose a new password for Undrel',
    text: `Somebody, most likely you, asked to choose a new password for this address.

${resetLink(base, token)}

The link works once, within an hour. If it was not you, do nothing: your password stays as it is.`,
  }).catch((error: Error) => console.error(`mail to reset a password was not sent: ${error.message}`));
  return undefined;
}

/** A link with which a person of the owner's firm chooses a new password; it ends with the owner who made it. */
export const ownersReset = (viewer: Viewer, userId: string): Promise<string> =>
  openStep('reset', { firmId: viewer.firmId, userId, maker: viewer.userId, stands: OWNERS_LINK });

/** A link for somebody whom no owner can help, made by who runs the server; undefined without such an account. */
export async function operatorsReset(
  email: string,
): Promise<{ token: string; firmId: string; userId: string } | undefined> {
  const found = await withoutFirm((db) =>
    db.row<{ firm_id: string; user_id: string }>(sql.FIND_ACCOUNT, [email.trim().toLowerCase()]),
  );
  if (!found) return undefined;
  const [firmId, userId] = [found.firm_id, found.user_id];
  return { firmId, userId, token: await openStep('reset', { firmId, userId, stands: OWNERS_LINK }) };
}

/** Whose password a link is for, or undefined when it has been used or has lapsed. */
export async function resetOf(token: string): Promise<{ email: string; firmName: string } | undefined> {
  const step = await seeStep(token, 'reset');
  return step?.email && step.firm_name ? { email: step.email, firmName: step.firm_name } : undefined;
}

/**
 * Takes a link: sets the new password and signs the person out everywhere. The second step, if there is one, is still
 * asked for at the next sign-in.
 *
 * @returns why it is refused, or undefined
 */
export async function resetPassword(token: string, next: string): Promise<string | undefined> {
  const step = await seeStep(token, 'reset');
  const problem = passwordProblem(next, [step?.email ?? '', step?.name ?? '', step?.firm_name ?? '']);
  if (problem) return problem;
  const hash = await hashPassword(next);
  if (!step?.firm_id || !step.user_id || !(await takeStep(token, 'reset')))
    return 'This link has been used or has lapsed; ask for a new one.';
  const userId = step.user_id;
  await asUser(step.firm_id, userId, async (db) => {
    await db.rows(sql.CHANGE_PASSWORD, [userId, hash]);
    await db.rows(sql.CLOSE_SESSIONS_OF, [userId, null]);
    await db.rows(sql.DROP_RESETS, [userId]);
  });
  return undefined;
}
