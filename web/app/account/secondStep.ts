'use server';

import type {
  PublicKeyCredentialCreationOptionsJSON,
  RegistrationResponseJSON,
} from '@simplewebauthn/server';
import { revalidatePath } from 'next/cache';
import QRCode from 'qrcode';
import * as z from 'zod';
import { beginPasskey, keepPasskey } from '@/server/accounts/passkeys';
import { provesItself } from '@/server/accounts/password';
import { beginApp, confirmApp, dropApp, dropPasskey, newCodes } from '@/server/accounts/secondStep';
import type { Viewer } from '@/server/accounts/session';
import { origin, signedIn } from '@/server/accounts/viewer';
import { ownAddress } from '@/server/accounts/address';
import { ID, taking, takingForm } from '@/server/taking';
import type { SecondState } from '@/screens/account/SecondStep';

const me = (): Promise<Viewer> => signedIn(async (_, viewer) => viewer);

/** Does what the pressed button names, when the present password is right. */
export const secondStepAction = takingForm(async (_: SecondState, form): Promise<SecondState> => {
  const viewer = await me();
  const wanted = String(form.get('do') ?? '');
  const problem = await provesItself(viewer, String(form.get('password') ?? ''), await origin());
  if (problem) return { problem };
  try {
    if (wanted === 'app') {
      const made = await signedIn((db, v) => beginApp(db, v));
      if (!made) return { problem: 'An authenticator app is set up already; turn it off first.' };
      return {
        key: { secret: made.secret, picture: await QRCode.toDataURL(made.uri, { margin: 2, width: 220 }) },
      };
    }
    if (wanted === 'codes')
      return { codes: await newCodes(viewer), told: 'The codes there were no longer work.' };
    if (wanted === 'drop app') {
      await dropApp(viewer);
      return { told: 'The authenticator app is turned off.' };
    }
    if (wanted.startsWith('drop passkey ')) {
      await dropPasskey(viewer, wanted.slice('drop passkey '.length));
      return { told: 'The passkey is removed.' };
    }
    return { problem: 'Choose what to do.' };
  } finally {
    revalidatePath('/account');
  }
});

export const confirmAppAction = takingForm(async (state: SecondState, form): Promise<SecondState> => {
  const answer = await confirmApp(await me(), String(form.get('code') ?? ''), await origin());
  if ('problem' in answer) return { ...state, problem: answer.problem };
  revalidatePath('/account');
  return { codes: answer.codes, told: 'On. The next sign-in asks for a code.' };
});

export async function askNewPasskeyAction(
  password: string,
): Promise<{ step: string; options: PublicKeyCredentialCreationOptionsJSON } | { problem: string }> {
  const viewer = await me();
  const problem = await provesItself(viewer, String(password), await origin());
  return problem ? { problem } : beginPasskey(viewer, await ownAddress());
}

export const keepPasskeyAction = taking(
  [
    ID,
    z.string(),
    z.custom<RegistrationResponseJSON>((response) => typeof response === 'object' && response !== null),
  ],
  async (step, name, response): Promise<SecondState> => {
    const called = name.trim();
    if (called.length < 1 || called.length > 60)
      return { problem: `Name of the passkey: ${called.length} characters; 1 to 60 are allowed.` };
    const answer = await keepPasskey(await me(), await ownAddress(), step, called, response);
    if ('problem' in answer) return answer;
    revalidatePath('/account');
    return { codes: answer.codes, told: 'Kept. The next sign-in asks for it.' };
  },
);
