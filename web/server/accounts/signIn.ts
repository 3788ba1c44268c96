import type { AuthenticationResponseJSON } from '@simplewebauthn/server';
import { asUser, withoutFirm } from '../database/transaction';
import { PAUSED, tried, type Origin } from './attempts';
import { passkeyFits, type Site } from './passkeys';
import { codeFits, isAsked, secondStepOf } from './secondStep';
import { passwordFits } from './secrets';
import { openSession, type SignIn } from './session';
import * as sql from './sql';
import { openStep, seeStep, takeStep } from './steps';

/**
 * Signs in by e-mail and password; pauses an account or an address after repeated failures. Where the person has set up
 * a second step, the answer names it instead.
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
  const [firmId, userId] = [found.firm_id, found.user_id];
  if (isAsked(await asUser(firmId, userId, (db) => secondStepOf(db, userId))))
    return {
      ok: false,
      reason: 'A second step is needed.',
      second: await openStep('second', { firmId, userId }),
    };
  return openSession(firmId, userId, from, before);
}

const OVER = 'This sign-in took too long; begin again.';

/** The second step of a sign-in, by the code of an authenticator app or a recovery code. */
export async function signInByCode(
  step: string,
  code: string,
  from: Origin,
  before?: string,
): Promise<SignIn> {
  const seen = await seeStep(step, 'second');
  if (!seen?.firm_id || !seen.user_id) return { ok: false, reason: OVER };
  const person = { firmId: seen.firm_id, userId: seen.user_id };
  const fits = await tried(`second step of ${person.userId}`, from, () => codeFits(person, code));
  if (fits === 'paused') return { ok: false, reason: PAUSED };
  if (!fits)
    return {
      ok: false,
      reason: 'Code: does not fit, or was used before. Wait for the next one, or use a recovery code.',
    };
  if (!(await takeStep(step, 'second'))) return { ok: false, reason: OVER };
  return openSession(person.firmId, person.userId, from, before);
}

/**
 * Signs in by a passkey: as the second step where `second` names one, otherwise in place of the password.
 *
 * @param step that was opened with the passkey's challenge
 */
export async function signInByPasskey(
  given: { site: Site; step: string; second?: string; response: AuthenticationResponseJSON },
  from: Origin,
  before?: string,
): Promise<SignIn> {
  const { site, step, second, response } = given;
  const seen = second === undefined ? undefined : await seeStep(second, 'second');
  if (second !== undefined && !seen) return { ok: false, reason: OVER };
  let person: { firmId: string; userId: string } | undefined;
  const fits = await tried(`passkey ${String(response.id).slice(0, 200)}`, from, async () => {
    person = await passkeyFits(site, step, response, seen?.user_id ?? null);
    return person !== undefined;
  });
  if (fits === 'paused') return { ok: false, reason: PAUSED };
  if (!person) return { ok: false, reason: 'This passkey is not known here, or was not used in time.' };
  if (second !== undefined && !(await takeStep(second, 'second'))) return { ok: false, reason: OVER };
  return openSession(person.firmId, person.userId, from, before);
}
