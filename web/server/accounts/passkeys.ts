import {
  generateAuthenticationOptions,
  generateRegistrationOptions,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
  type AuthenticationResponseJSON,
  type AuthenticatorTransport,
  type PublicKeyCredentialCreationOptionsJSON,
  type PublicKeyCredentialRequestOptionsJSON,
  type RegistrationResponseJSON,
} from '@simplewebauthn/server';
import { asUser, withoutFirm } from '../database/transaction';
import { firstCodes, secondStepOf } from './secondStep';
import type { Viewer } from './session';
import * as sql from './sql';
import { openStep, seeStep, takeStep } from './steps';

/** Where the application is reached: passkeys are bound to it. */
export type Site = Pick<URL, 'origin' | 'hostname'>;

const transportsOf = (names: readonly string[]) => names as AuthenticatorTransport[];
const OVER = 'The passkey was not used in time; try again.';

/** What the browser needs to make a passkey, and the step that waits for it. */
export async function beginPasskey(
  viewer: Viewer,
  site: Site,
): Promise<{ step: string; options: PublicKeyCredentialCreationOptionsJSON }> {
  const { firmId, userId, email, name } = viewer;
  const { passkeys } = await asUser(firmId, userId, (db) => secondStepOf(db, userId));
  const options = await generateRegistrationOptions({
    rpName: 'Undrel',
    rpID: site.hostname,
    userName: email,
    userDisplayName: name,
    userID: new TextEncoder().encode(userId),
    attestationType: 'none',
    excludeCredentials: passkeys.map(({ id, transports }) => ({ id, transports: transportsOf(transports) })),
    authenticatorSelection: { residentKey: 'preferred', userVerification: 'preferred' },
  });
  return { options, step: await openStep('new passkey', { firmId, userId, challenge: options.challenge }) };
}

/** Keeps the passkey that the browser made. */
export async function keepPasskey(
  viewer: Viewer,
  site: Site,
  step: string,
  name: string,
  response: RegistrationResponseJSON,
): Promise<{ codes: string[] | undefined } | { problem: string }> {
  const { firmId, userId } = viewer;
  const asked = await seeStep(step, 'new passkey');
  if (!asked?.challenge || asked.user_id !== userId || !(await takeStep(step, 'new passkey')))
    return { problem: OVER };
  const verified = await verifyRegistrationResponse({
    response,
    expectedChallenge: asked.challenge,
    expectedOrigin: site.origin,
    expectedRPID: site.hostname,
    requireUserVerification: false,
  }).catch((error: Error) => error);
  if (verified instanceof Error || !verified.verified)
    return { problem: 'This passkey could not be checked; nothing was changed. Try again.' };
  const { id, publicKey, counter, transports = [] } = verified.registrationInfo.credential;
  return asUser(firmId, userId, async (db) => {
    await db.rows(sql.ADD_PASSKEY, [id, name, Buffer.from(publicKey), counter, transports]);
    return { codes: await firstCodes(db, userId) };
  });
}

/**
 * What the browser needs to use a passkey, and the step that waits for it.
 *
 * @param person who is signing in, where the password has told; otherwise the passkey tells, and must check who holds it
 */
export async function askPasskey(
  site: Site,
  person?: { firmId: string; userId: string },
): Promise<{ step: string; options: PublicKeyCredentialRequestOptionsJSON }> {
  const keys =
    person && (await asUser(person.firmId, person.userId, (db) => secondStepOf(db, person.userId)));
  const options = await generateAuthenticationOptions({
    rpID: site.hostname,
    userVerification: person ? 'preferred' : 'required',
    allowCredentials: keys?.passkeys.map(({ id, transports }) => ({
      id,
      transports: transportsOf(transports),
    })),
  });
  return { options, step: await openStep('passkey', { ...person, challenge: options.challenge }) };
}

/**
 * Whose passkey answered a step, or undefined where it does not fit.
 *
 * @param told whom the password has told, null where it was not asked for
 */
export async function passkeyFits(
  site: Site,
  step: string,
  response: AuthenticationResponseJSON,
  told: string | null,
): Promise<{ firmId: string; userId: string } | undefined> {
  const asked = await seeStep(step, 'passkey');
  if (!asked?.challenge || asked.user_id !== told || !(await takeStep(step, 'passkey'))) return undefined;
  const key = await withoutFirm((db) =>
    db.row<{ firm_id: string; user_id: string; public_key: Buffer; counter: string; transports: string[] }>(
      sql.FIND_PASSKEY,
      [response.id],
    ),
  );
  if (!key || (told !== null && told !== key.user_id)) return undefined;
  const verified = await verifyAuthenticationResponse({
    response,
    expectedChallenge: asked.challenge,
    expectedOrigin: site.origin,
    expectedRPID: site.hostname,
    requireUserVerification: told === null,
    credential: {
      id: response.id,
      publicKey: new Uint8Array(key.public_key),
      counter: Number(key.counter),
      transports: transportsOf(key.transports),
    },
  }).catch((error: Error) => error);
  if (verified instanceof Error || !verified.verified) return undefined;
  const person = { firmId: key.firm_id, userId: key.user_id };
  await asUser(person.firmId, person.userId, (db) =>
    db.rows(sql.USE_PASSKEY, [response.id, verified.authenticationInfo.newCounter]),
  );
  return person;
}
