'use client';

import {
  startAuthentication,
  startRegistration,
  type AuthenticationResponseJSON,
  type PublicKeyCredentialCreationOptionsJSON,
  type PublicKeyCredentialRequestOptionsJSON,
  type RegistrationResponseJSON,
} from '@simplewebauthn/browser';

type Asked<Options> = { step: string; options: Options } | { problem: string };

/** How a page signs in by a passkey: what to ask the browser for, and what it answered. */
export interface PasskeySignIn {
  ask: () => Promise<Asked<PublicKeyCredentialRequestOptionsJSON>>;
  answer: (step: string, response: AuthenticationResponseJSON) => Promise<{ problem: string }>;
}

export interface PasskeySetUp<Kept> {
  ask: (password: string) => Promise<Asked<PublicKeyCredentialCreationOptionsJSON>>;
  keep: (
    step: string,
    name: string,
    response: RegistrationResponseJSON,
  ) => Promise<Kept | { problem: string }>;
}

/** Why the browser did not give a passkey, in plain words. */
function reasonOf(error: unknown): string {
  const name = (error as { name?: string } | undefined)?.name;
  if (name === 'InvalidStateError') return 'This device holds a passkey of yours already.';
  if (name === 'NotAllowedError') return 'No passkey was used.';
  if (name === 'SecurityError') return 'Passkeys need an address with a name and https.';
  return 'This browser could not use a passkey.';
}

/** Signs in by a passkey; answers only when that did not work. */
export async function signInByPasskey({ ask, answer }: PasskeySignIn): Promise<{ problem: string }> {
  const asked = await ask();
  if ('problem' in asked) return asked;
  let response: AuthenticationResponseJSON;
  try {
    response = await startAuthentication({ optionsJSON: asked.options });
  } catch (error) {
    return { problem: reasonOf(error) };
  }
  return answer(asked.step, response);
}

/** Makes a passkey on this device and has it kept. */
export async function addPasskey<Kept>(
  { ask, keep }: PasskeySetUp<Kept>,
  password: string,
  name: string,
): Promise<Kept | { problem: string }> {
  const asked = await ask(password);
  if ('problem' in asked) return asked;
  let response: RegistrationResponseJSON;
  try {
    response = await startRegistration({ optionsJSON: asked.options });
  } catch (error) {
    return { problem: reasonOf(error) };
  }
  return keep(asked.step, name, response);
}
