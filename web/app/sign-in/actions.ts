'use server';

import type {
  AuthenticationResponseJSON,
  PublicKeyCredentialRequestOptionsJSON,
} from '@simplewebauthn/server';
import { redirect } from 'next/navigation';
import * as z from 'zod';
import { ownAddress } from '@/server/accounts/address';
import { askPasskey } from '@/server/accounts/passkeys';
import { mailReset } from '@/server/accounts/reset';
import { signIn, signInByCode, signInByPasskey } from '@/server/accounts/signIn';
import type { SignIn } from '@/server/accounts/session';
import { dropStep, keepStep, presentStep } from '@/server/accounts/stepCookie';
import { seeStep } from '@/server/accounts/steps';
import { keepSession, origin, present } from '@/server/accounts/viewer';
import { ID, taking, takingForm } from '@/server/taking';
import { mailer } from '@/server/mail/mailer';

export interface SignInState {
  email: string;
  problem?: string;
}

export interface CodeState {
  code: string;
  problem?: string;
}

export interface ForgottenState {
  email: string;
  told?: string;
  problem?: string;
}

/** Goes on where a sign-in leads: into the grounds, to the second step, or nowhere, with the reason. */
async function goOn(answer: SignIn): Promise<string> {
  if (answer.ok) {
    await keepSession(answer);
    await dropStep();
    redirect('/grounds');
  }
  if (answer.second !== undefined) {
    await keepStep(answer.second);
    redirect('/sign-in/second');
  }
  return answer.reason;
}

export const signInAction = takingForm(async (_: SignInState, form): Promise<SignInState> => {
  const email = String(form.get('email') ?? '');
  const answer = await signIn(email, String(form.get('password') ?? ''), await origin(), await present());
  return { email, problem: await goOn(answer) };
});

/** The one shown click of the demo; does nothing where the application does not serve the demo. */
export async function enterDemo(): Promise<void> {
  if (process.env.UNDREL_DEMO !== '1') return;
  await goOn(
    await signIn('consultant@quillrow.example', 'kelpworth-linden', await origin(), await present()),
  );
}

export const codeAction = takingForm(async (_: CodeState, form): Promise<CodeState> => {
  const code = String(form.get('code') ?? '').slice(0, 100);
  const step = (await presentStep()) ?? '';
  return { code, problem: await goOn(await signInByCode(step, code, await origin(), await present())) };
});

/** What the browser needs to sign in by a passkey; as the second step where a sign-in is at one. */
export async function askPasskeyAction(
  second: boolean,
): Promise<{ step: string; options: PublicKeyCredentialRequestOptionsJSON } | { problem: string }> {
  const site = await ownAddress();
  if (!second) return askPasskey(site);
  const seen = await seeStep((await presentStep()) ?? '', 'second');
  if (!seen?.firm_id || !seen.user_id) return { problem: 'This sign-in took too long; begin again.' };
  return askPasskey(site, { firmId: seen.firm_id, userId: seen.user_id });
}

export const passkeyAction = taking(
  [
    z.boolean(),
    ID,
    z.custom<AuthenticationResponseJSON>((response) => typeof response === 'object' && response !== null),
  ],
  async (second, step, response): Promise<{ problem: string }> => {
    const given = {
      site: await ownAddress(),
      step,
      second: second ? ((await presentStep()) ?? '') : undefined,
      response,
    };
    return { problem: await goOn(await signInByPasskey(given, await origin(), await present())) };
  },
);

export const forgottenAction = takingForm(async (_: ForgottenState, form): Promise<ForgottenState> => {
  const email = String(form.get('email') ?? '');
  const send = mailer();
  if (!send) return { email, problem: 'This server sends no mail; ask the owner of your firm for a link.' };
  const problem = await mailReset(email, await ownAddress(), await origin(), send);
  if (problem) return { email, problem };
  return {
    email,
    told: 'If there is an account with this address, a link is on its way to it. It works once, within an hour.',
  };
});
