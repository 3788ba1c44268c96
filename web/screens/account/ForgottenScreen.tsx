'use client';

import { PageLink } from '@/ui/PageLink';
import { Said } from '../../ui/Said';
import { useKeptForm } from '../../ui/useKeptForm';

interface State {
  email: string;
  told?: string;
  problem?: string;
}

/** Asking for a link to choose a new password. */
export function ForgottenScreen(props: {
  send: ((state: State, form: FormData) => Promise<State>) | undefined;
  mailbox: boolean;
}) {
  const [state, act, busy] = useKeptForm(props.send ?? (async (s: State) => s), { email: '' });
  return (
    <main className="p-6 max-w-md">
      <p className="text-2xl font-bold mb-4">Undrel</p>
      <h1>Forgotten password</h1>
      {props.send ? (
        <form action={act} className="space-y-3 mt-2">
          <label className="block">
            <span className="block text-sm">E-mail of your account</span>
            <input
              className="w-full"
              type="email"
              name="email"
              autoComplete="username"
              required
              defaultValue={state.email}
            />
          </label>
          <button className="act w-full" disabled={busy}>
            Send a link
          </button>
          <Said problem={state.problem} told={state.told} lines={3} />
        </form>
      ) : (
        <p className="my-3">
          This server sends no mail. Ask the owner of your firm: under Firm they can make a link with which
          you choose a new password.
        </p>
      )}
      <p className="flex gap-4 mt-4">
        <PageLink href="/sign-in">Back to sign in</PageLink>
        {props.mailbox && <PageLink href="/mailbox">Open the demo’s mailbox</PageLink>}
      </p>
    </main>
  );
}
