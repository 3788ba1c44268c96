import { cookies, headers } from 'next/headers';
import { isSecure } from './session';

const name = (secure: boolean) => (secure ? '__Host-undrel_step' : 'undrel_step');

/** Keeps the step that a sign-in is at, for the ten minutes it stands. */
export async function keepStep(token: string): Promise<void> {
  const secure = isSecure(await headers());
  (await cookies()).set(name(secure), token, {
    httpOnly: true,
    sameSite: 'lax',
    secure,
    path: '/',
    maxAge: 600,
  });
}

/** The step that this device's sign-in is at. */
export const presentStep = async (): Promise<string | undefined> =>
  (await cookies()).get(name(isSecure(await headers())))?.value;

/** Forgets the step: the sign-in is done or given up. */
export async function dropStep(): Promise<void> {
  const secure = isSecure(await headers());
  (await cookies()).set(name(secure), '', { secure, path: '/', maxAge: 0 });
}
