'use client';

import type { NoticeShown } from '../../protocol/notice';
import { Said } from '../../ui/Said';
import { useKeptForm } from '../../ui/useKeptForm';
import { NoticeBody } from './NoticeBody';

export interface ReceiveState {
  name: string;
  sha256: string;
  problem?: string;
}

const OVER = {
  revoked: ['This notice was taken back', 'Ask the firm for a new link.'],
  unknown: ['There is nothing behind this link', 'Check that it was copied whole, to its last letter.'],
} as const;

/** What whoever mows and mulches reads on a phone, without an account, and signs that they had it. */
export function ReceiveScreen(props: {
  shown: NoticeShown;
  receive: (state: ReceiveState, form: FormData) => Promise<ReceiveState>;
}) {
  const { shown } = props;
  const [state, act, busy] = useKeptForm(props.receive, { name: '', sha256: '' });
  if (!('content' in shown)) {
    const [title, words] = OVER[shown.state];
    return (
      <main className="p-6 max-w-md">
        <h1>{title}</h1>
        <p className="my-3">{words}</p>
      </main>
    );
  }
  return (
    <main className="px-4 py-6 max-w-2xl mx-auto">
      <p>For {shown.to}.</p>
      <NoticeBody content={shown.content} />
      {shown.received ? (
        <p className="told text-lg my-4" role="status">
          <strong>Received</strong> by {shown.received.name} on {shown.received.on}.
        </p>
      ) : (
        <form action={act} className="my-5 space-y-3 no-print">
          <input type="hidden" name="sha256" value={shown.sha256} />
          <label className="block">
            <span className="block text-sm">Your name</span>
            <input
              className="w-full"
              name="name"
              maxLength={120}
              defaultValue={state.name}
              autoComplete="name"
            />
          </label>
          <button className="act" disabled={busy}>
            I have read it
          </button>
          <Said problem={state.problem} />
        </form>
      )}
    </main>
  );
}
