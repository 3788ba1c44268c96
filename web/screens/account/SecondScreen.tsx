'use client';

import { PageLink } from '@/ui/PageLink';
import { Said } from '../../ui/Said';
import { useKeptForm } from '../../ui/useKeptForm';
import { signInByPasskey, type PasskeySignIn } from './passkey';

interface State {
  code: string;
  problem?: string;
}

/** The second step of a sign-in: a code, a recovery code or a passkey. */
export function SecondScreen(props: {
  email: string;
  app: boolean;
  passkeys: string[];
  code: (state: State, form: FormData) => Promise<State>;
  passkey: PasskeySignIn;
}) {
  const [state, act, busy] = useKeptForm(props.code, { code: '' });
  const [key, useKey, asking] = useKeptForm<{ problem?: string }>(() => signInByPasskey(props.passkey), {});
  return (
    <main className="p-6 max-w-md space-y-6">
      <div>
        <p className="text-2xl font-bold mb-4">Undrel</p>
        <h1>Second step</h1>
        <p className="text-muted">{props.email}</p>
      </div>
      {props.passkeys.length > 0 && (
        <form action={useKey}>
          <button className="act w-full" disabled={asking}>
            Use a passkey
          </button>
          <p className="text-sm text-muted mt-1">{props.passkeys.join(', ')}</p>
          <Said problem={key.problem} />
        </form>
      )}
      <form action={act} className="space-y-3">
        <label className="block">
          <span className="block text-sm">
            {props.app ? 'Six digits from your authenticator app, or a recovery code' : 'Recovery code'}
          </span>
          <input
            className="w-full num"
            name="code"
            required
            autoFocus={props.app}
            autoComplete="one-time-code"
            autoCapitalize="none"
            spellCheck={false}
            defaultValue={state.code}
          />
        </label>
        <button className={`w-full ${props.passkeys.length > 0 ? 'quiet' : 'act'}`} disabled={busy}>
          Sign in
        </button>
        <Said problem={state.problem} />
      </form>
      <p className="text-sm">
        Lost them? The owner of your firm can take the second step off.{' '}
        <PageLink href="/sign-in">Begin again</PageLink>
      </p>
    </main>
  );
}
