'use client';

import type { ReactNode } from 'react';
import { PageLink } from '@/ui/PageLink';
import { Said } from '../../ui/Said';
import { useKeptForm } from '../../ui/useKeptForm';
import { signInByPasskey, type PasskeySignIn } from './passkey';

interface State {
  email: string;
  problem?: string;
}

/** Sign in, and on a demo the one click that goes straight in. */
export function SignInScreen(props: {
  signIn: (state: State, form: FormData) => Promise<State>;
  /** Said on coming here, until the form says something else. */
  told: string | undefined;
  passkey: PasskeySignIn;
  enterDemo: (() => Promise<void>) | undefined;
  picture: ReactNode;
}) {
  const [state, act, busy] = useKeptForm(props.signIn, { email: '' });
  const [key, useKey, asking] = useKeptForm<{ problem?: string }>(() => signInByPasskey(props.passkey), {});
  return (
    <main className="min-h-dvh grid lg:grid-cols-[minmax(0,1fr)_480px]">
      <div className="bg-paper border-b-2 lg:border-b-0 lg:border-r-2 border-ink relative overflow-hidden min-h-[34dvh]">
        <div aria-hidden="true" className="absolute inset-0 [&>svg]:w-full [&>svg]:h-full">
          {props.picture}
        </div>
        <div className="relative p-6 lg:p-10 max-w-[17.5rem]">
          <p className="text-3xl font-bold">Undrel</p>
          <p className="text-lg mt-2">
            What the rod and the tape say about a failing tree, drawn to scale, with the reasons.
          </p>
        </div>
      </div>
      <div className="bg-sheet p-6 lg:p-10 flex flex-col justify-center">
        <h1 className="mb-4">Sign in</h1>
        <form action={act} className="space-y-3">
          <label className="block">
            <span className="block text-sm">E-mail</span>
            <input
              className="w-full"
              type="email"
              name="email"
              autoComplete="username"
              required
              defaultValue={state.email}
            />
          </label>
          <label className="block">
            <span className="block text-sm">Password</span>
            <input
              className="w-full"
              type="password"
              name="password"
              autoComplete="current-password"
              required
            />
          </label>
          <button className="act w-full" disabled={busy}>
            {busy ? 'Signing in…' : 'Sign in'}
          </button>
          <Said problem={state.problem} told={props.told} />
        </form>
        <form action={useKey} className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1">
          <button className="quiet" disabled={asking}>
            Sign in with a passkey
          </button>
          <PageLink href="/sign-in/forgotten" className="link inline-flex items-center">
            Forgotten password?
          </PageLink>
          <Said problem={key.problem} className="w-full" lines={1} />
        </form>
        {props.enterDemo && (
          <form action={props.enterDemo} className="mt-3 pt-5 border-t border-hair">
            <p className="mb-2">This is the demo of Quillrow Tree Advisory; everything in it is made up.</p>
            <button className="quiet w-full">Enter as the consultant</button>
          </form>
        )}
      </div>
    </main>
  );
}
