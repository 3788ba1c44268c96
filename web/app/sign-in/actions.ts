'use server';

import { redirect } from 'next/navigation';
import { signIn } from '@/server/accounts/session';
import { keepSession, origin, present } from '@/server/accounts/viewer';

export interface SignInState {
  email: string;
  problem?: string;
}

export async function signInAction(_: SignInState, form: FormData): Promise<SignInState> {
  const email = String(form.get('email') ?? '');
  const session = await signIn(email, String(form.get('password') ?? ''), await origin(), await present());
  if (!session.ok) return { email, problem: session.reason };
  await keepSession(session);
  redirect('/grounds');
}

/** The one shown click of the demo; does nothing where the application does not serve the demo. */
export async function enterDemo(): Promise<void> {
  if (process.env.UNDREL_DEMO !== '1') return;
  const session = await signIn(
    'consultant@quillrow.example',
    'kelpworth-linden',
    await origin(),
    await present(),
  );
  if (session.ok) {
    await keepSession(session);
    redirect('/grounds');
  }
}
