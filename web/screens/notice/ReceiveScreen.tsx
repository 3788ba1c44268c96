'use client';

import type { NoticeShown } from '../../protocol/notice';
import type { NOTICE_WORDS } from '../../language/clientWords';
import { speaker } from '../../language/clientWords';
import { localeOf, type Messages } from '../../language/languages';
import { longDaysIn } from '../../documents/dates';
import { Said } from '../../ui/Said';
import { useKeptForm } from '../../ui/useKeptForm';
import { NoticeBody } from './NoticeBody';

export interface ReceiveState {
  name: string;
  sha256: string;
  problem?: string;
}

const OVER = {
  revoked: ['This notice has been withdrawn', 'Ask the firm for a new link.'],
  unknown: ['There is nothing behind this link', 'Check that it was copied whole, to its last letter.'],
} as const;

/** What whoever mows and mulches reads on a phone, without an account, and signs that they had it. */
export function ReceiveScreen(props: {
  shown: NoticeShown;
  /** Of the page, where it is not English. */
  words: Messages | undefined;
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
  const t = speaker<(typeof NOTICE_WORDS)[number]>(props.words);
  const locale = localeOf(shown.content.language ?? 'en', 'A4');
  return (
    <main className="px-4 py-6 max-w-2xl mx-auto" lang={shown.content.language}>
      <p>{t('For {name}.', { name: shown.to })}</p>
      <NoticeBody content={shown.content} words={props.words} />
      {shown.received ? (
        <p className="told text-lg my-4" role="status">
          <strong>{t('Received')}</strong>{' '}
          {t('by {name} on {at}.', { name: shown.received.name, at: longDaysIn(shown.received.on, locale) })}
        </p>
      ) : (
        <form action={act} className="my-5 space-y-3 no-print">
          <input type="hidden" name="sha256" value={shown.sha256} />
          <label className="block">
            <span className="block text-sm">{t('Your name')}</span>
            <input
              className="w-full"
              name="name"
              maxLength={120}
              defaultValue={state.name}
              autoComplete="name"
            />
          </label>
          <button className="act" disabled={busy}>
            {t('I have read it')}
          </button>
          <Said problem={state.problem} />
        </form>
      )}
    </main>
  );
}
