'use client';

import type { Language } from '../../language/languages';
import { LanguageChoice } from '../report/LanguageChoice';
import { useState, useTransition } from 'react';
import type { LargeTree } from '../../protocol/heavy';
import type { NoticeContent, NoticeHead, RelapseYear } from '../../protocol/notice';
import { Entry } from '../../ui/controls/Entry';
import { ShownOnce } from '../../ui/ShownOnce';
import { LargeTrees } from '../../ui/LargeTrees';
import { Said } from '../../ui/Said';
import { PropertyBar } from '../property/PropertyBar';
import { NoticeBody } from './NoticeBody';

const STATE_WORDS: Record<NoticeHead['state'], string> = {
  open: 'sent, not received yet',
  received: 'received',
  revoked: 'withdrawn',
};
const AWAY = { problem: 'The server could not be reached; nothing was changed. Try again.' };

interface NoticeScreenProps {
  property: { id: string; name: string };
  content: NoticeContent;
  /** Visited trees whose treatment is not looked at here. */
  large: readonly LargeTree[];
  notices: readonly NoticeHead[];
  relapses: readonly RelapseYear[];
  make:
    | ((
        to: string,
        language: Language,
      ) => Promise<{ link: string; notices: NoticeHead[] } | { problem: string }>)
    | undefined;
  revoke: (id: string) => Promise<{ notices?: NoticeHead[]; problem?: string }>;
}

/** The notice of a property as whoever mows and mulches gets it, who had it, and where the cone came back. */
export function NoticeScreen({
  property,
  content,
  large,
  notices: begun,
  relapses,
  make,
  revoke,
}: NoticeScreenProps) {
  const [notices, setNotices] = useState(begun);
  const [to, setTo] = useState('');
  const [language, setLanguage] = useState<Language>('en');
  const [made, setMade] = useState<{ link: string } | { problem: string }>();
  const [busy, start] = useTransition();
  const send = () =>
    start(async () => {
      const answer = await make!(to, language).catch(() => AWAY);
      setMade(answer);
      if ('notices' in answer) setNotices(answer.notices);
    });
  const takeBack = (id: string) =>
    start(async () => {
      const answer = await revoke(id).catch(() => AWAY);
      if ('notices' in answer && answer.notices) setNotices(answer.notices);
      setMade(answer.problem ? { problem: answer.problem } : undefined);
    });
  return (
    <div className="min-h-dvh flex flex-col">
      <PropertyBar property={property} part="notice" />
      <main className="grid lg:grid-cols-[minmax(0,1fr)_400px] flex-1">
        <section className="px-4 lg:px-8 py-5">
          <LargeTrees trees={large} />
          <NoticeBody content={content} />
        </section>
        <aside
          className="no-print p-4 lg:p-6 border-t-2 lg:border-t-0 lg:border-l-2 border-ink bg-sheet"
          aria-label="For the contractor"
        >
          <Entry>
            <h2>For the contractor</h2>
            <p className="my-2">A page to read on a phone, without an account, and to sign with a name.</p>
            {make ? (
              <MakeNotice
                to={to}
                setTo={setTo}
                language={language}
                busy={busy}
                setLanguage={setLanguage}
                send={send}
              />
            ) : (
              <p className="told">Owners and consultants make links.</p>
            )}
            <div className="h-[5rem] mt-2">
              {made && 'problem' in made && <Said problem={made.problem} />}
              {made && 'link' in made && (
                <ShownOnce label="Send this; it is shown only now" link={made.link} />
              )}
            </div>
            {notices.length > 0 && (
              <NoticesMade notices={notices} make={make} busy={busy} takeBack={takeBack} />
            )}
            <h2 className="mt-5">The cone came back</h2>
            {relapses.length === 0 && <p className="told my-2">Nowhere, as far as anybody looked.</p>}
            <Relapses relapses={relapses} />
          </Entry>
        </aside>
      </main>
    </div>
  );
}

function NoticesMade({
  notices,
  make,
  busy,
  takeBack,
}: {
  notices: readonly NoticeHead[];
  make:
    | ((
        to: string,
        language: Language,
      ) => Promise<{ link: string; notices: NoticeHead[] } | { problem: string }>)
    | undefined;
  busy: boolean;
  takeBack: (id: string) => void;
}) {
  return (
    <ul aria-label="Notices made" className="border-t border-ink">
      {notices.map((n) => (
        <li key={n.id} className="border-b border-hair py-2">
          <strong>{n.to}</strong>, {n.made}:{' '}
          <span className={n.state === 'received' ? 'font-bold text-todo' : ''}>{STATE_WORDS[n.state]}</span>
          {n.received && ` by ${n.by} on ${n.received}`}
          {n.state === 'open' && make && (
            <button type="button" className="quiet mt-1 block" disabled={busy} onClick={() => takeBack(n.id)}>
              Withdraw the notice for {n.to}
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}

function Relapses({ relapses }: { relapses: readonly RelapseYear[] }) {
  return (
    <ul>
      {relapses.map((r) => (
        <li key={r.year} className="border-b border-hair py-2">
          <span className="num font-bold">{r.year}</span> at {r.trees.join(', ')}
          <span className="block text-sm text-muted">
            {r.contractors.length > 0
              ? `The notice was received by ${r.contractors.join(', ')}.`
              : 'Nobody had received a notice then.'}
          </span>
        </li>
      ))}
    </ul>
  );
}

function MakeNotice({
  to,
  setTo,
  language,
  busy,
  setLanguage,
  send,
}: {
  to: string;
  setTo: (next: string) => void;
  language: 'en' | 'de';
  busy: boolean;
  setLanguage: (next: 'en' | 'de') => void;
  send: () => void;
}) {
  return (
    <>
      <label className="block">
        <span className="block text-sm">Who mows and mulches here</span>
        <input className="w-full" maxLength={120} value={to} onChange={({ target }) => setTo(target.value)} />
      </label>
      <LanguageChoice of="page" language={language} disabled={busy} onChange={setLanguage} />
      <button type="button" className="act mt-2" disabled={busy} onClick={send}>
        Make a link
      </button>
    </>
  );
}
