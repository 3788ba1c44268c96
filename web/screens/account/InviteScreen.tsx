'use client';

import { Said } from '../../ui/Said';
import { useKeptForm } from '../../ui/useKeptForm';

export interface AcceptState {
  name: string;
  problem?: string;
}

/** Taking up an invitation: a name, a password, in. */
export function InviteScreen(props: {
  firm: string;
  email: string;
  role: string;
  accept: (state: AcceptState, form: FormData) => Promise<AcceptState>;
}) {
  const [state, act, busy] = useKeptForm(props.accept, { name: '' });
  return (
    <main className="p-6 max-w-md">
      <p className="text-2xl font-bold mb-4">Undrel</p>
      <h1>Join {props.firm}</h1>
      <p className="my-2">
        As {props.role}, with {props.email}.
      </p>
      <form action={act} className="space-y-3">
        <label className="block">
          <span className="block text-sm">Your name</span>
          <input
            className="w-full"
            name="name"
            required
            maxLength={120}
            autoComplete="name"
            defaultValue={state.name}
          />
        </label>
        <label className="block">
          <span className="block text-sm">Password, at least 10 characters</span>
          <input className="w-full" type="password" name="password" required autoComplete="new-password" />
        </label>
        <button className="act" disabled={busy}>
          Join
        </button>
        <Said problem={state.problem} />
      </form>
    </main>
  );
}
