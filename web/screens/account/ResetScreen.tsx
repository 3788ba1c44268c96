'use client';

import { Said } from '../../ui/Said';
import { useKeptForm } from '../../ui/useKeptForm';

/** Choosing a new password by a link. */
export function ResetScreen(props: {
  email: string;
  firm: string;
  reset: (state: { problem?: string }, form: FormData) => Promise<{ problem?: string }>;
}) {
  const [state, act, busy] = useKeptForm(props.reset, {});
  return (
    <main className="p-6 max-w-md">
      <p className="text-2xl font-bold mb-4">Undrel</p>
      <h1>Choose a new password</h1>
      <p className="my-2">
        For {props.email}, {props.firm}. You will be signed out everywhere.
      </p>
      <form action={act} className="space-y-3">
        <input type="hidden" name="email" autoComplete="username" value={props.email} readOnly />
        <label className="block">
          <span className="block text-sm">New password, at least 10 characters</span>
          <input className="w-full" type="password" name="password" required autoComplete="new-password" />
        </label>
        <button className="act w-full" disabled={busy}>
          Change password
        </button>
        <Said problem={state.problem} />
      </form>
    </main>
  );
}
