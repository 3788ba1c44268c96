'use server';

import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { PERSON_COOKIE } from '@/protocol/personCookie';
import { changePassword } from '@/server/accounts/password';
import { isSecure, sessionCookie } from '@/server/accounts/session';
import { CLOSE_SESSION, CLOSE_SESSIONS_OF } from '@/server/accounts/sql';
import { origin, signedIn } from '@/server/accounts/viewer';
import { takingForm } from '@/server/taking';
import type { PasswordState } from '@/screens/account/AccountScreen';

export const changePasswordAction = takingForm(async (_: PasswordState, form): Promise<PasswordState> => {
  const viewer = await signedIn(async (_db, person) => person);
  const problem = await changePassword(
    viewer,
    String(form.get('current') ?? ''),
    String(form.get('next') ?? ''),
    await origin(),
  );
  return problem ? { problem } : { told: 'Changed. Other devices are signed out.' };
});

async function leave(): Promise<never> {
  // A cookie bound to the host is taken back as it was set.
  const secure = isSecure(await headers());
  const jar = await cookies();
  jar.set(sessionCookie(secure), '', { secure, path: '/', maxAge: 0 });
  jar.set(PERSON_COOKIE, '', { secure, path: '/', maxAge: 0 });
  redirect('/sign-in');
}

export async function signOut(): Promise<void> {
  await signedIn((db, viewer) => db.rows(CLOSE_SESSION, [viewer.sessionId]));
  await leave();
}

export async function signOutEverywhere(): Promise<void> {
  await signedIn((db, viewer) => db.rows(CLOSE_SESSIONS_OF, [viewer.userId, null]));
  await leave();
}
