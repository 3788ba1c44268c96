'use client';

import { useState, useTransition } from 'react';
import type { Language } from '../../language/languages';
import { LanguageChoice } from '../report/LanguageChoice';
import { ShownOnce } from '../../ui/ShownOnce';
import { Said } from '../../ui/Said';
import type { OfferDays, OfferHead } from '../../protocol/offer';
import { useAlive } from '../../ui/controls/Entry';

export type Made = { link: string } | { problem: string };

const STATE_WORDS: Record<OfferHead['state'], string> = {
  open: 'open',
  expired: 'expired',
  revoked: 'withdrawn',
  approved: 'approved',
};

/** The link for the client: made, taken back, and what came of it. */
export function ClientLink(props: {
  offers: readonly OfferHead[];
  days: OfferDays;
  make: ((days: number, language: Language) => Promise<Made>) | undefined;
  revoke: (id: string) => Promise<{ problem?: string }>;
}) {
  const [days, setDays] = useState(String(props.days.usual));
  const [language, setLanguage] = useState<Language>('en');
  const [made, setMade] = useState<Made | undefined>(undefined);
  const [copied, setCopied] = useState(false);
  const [busy, start] = useTransition();
  const alive = useAlive();
  const approved = props.offers.find((o) => o.approved);
  const away = { problem: 'The server could not be reached; nothing was changed. Try again.' };
  const make = () =>
    start(async () => {
      setCopied(false);
      setMade(await props.make!(Number(days), language).catch(() => away));
    });
  const revoke = (id: string) =>
    start(async () => {
      const { problem } = await props.revoke(id).catch(() => away);
      setMade(problem ? { problem } : undefined);
    });
  return (
    <aside
      className="no-print p-4 lg:p-6 border-t-2 lg:border-t-0 lg:border-l-2 border-ink"
      aria-label="For the client"
    >
      <div className="lg:sticky lg:top-4 space-y-3">
        <h2>For the client</h2>
        {approved && (
          <p className="told">
            <strong>Approved:</strong> {approved.approved!.title}, by {approved.approved!.name} on{' '}
            {approved.approved!.on}.{approved.approved!.note && ` “${approved.approved!.note}”`}
          </p>
        )}
        <p>
          A page to read on a phone, without an account: the verdict, the open options, their sums, and a way
          to approve one. What it shows is kept word for word.
        </p>
        {props.make ? (
          <MakeLink
            days={days}
            alive={alive}
            setDays={setDays}
            language={language}
            setLanguage={setLanguage}
            busy={busy}
            make={make}
          />
        ) : (
          <p className="told">Owners and consultants make links.</p>
        )}
        <div className={props.make ? 'h-[8rem]' : ''}>
          {made && 'problem' in made && <Said problem={made.problem} />}
          {made && 'link' in made && (
            <>
              <ShownOnce label="Send this; it is shown only now" link={made.link} />
              <button
                type="button"
                className="quiet mt-2 min-w-[9rem]"
                onClick={() => void navigator.clipboard?.writeText(made.link).then(() => setCopied(true))}
              >
                {copied ? 'Copied' : 'Copy the link'}
              </button>
            </>
          )}
        </div>
        {props.offers.length > 0 && (
          <LinksMade offers={props.offers} make={props.make} busy={busy} revoke={revoke} />
        )}
      </div>
    </aside>
  );
}

function LinksMade({
  offers,
  make,
  busy,
  revoke,
}: {
  offers: readonly OfferHead[];
  make: ((days: number, language: Language) => Promise<Made>) | undefined;
  busy: boolean;
  revoke: (id: string) => void;
}) {
  return (
    <ul aria-label="Links made" className="border-t border-ink">
      {offers.map((o) => (
        <li key={o.id} className="border-b border-hair py-2">
          <span className={o.state === 'approved' ? 'font-bold text-todo' : ''}>{STATE_WORDS[o.state]}</span>,
          made {o.made}
          {o.by && ` by ${o.by}`}
          {o.state === 'open' && `, until ${o.expires}`}
          <span className="block text-sm text-muted">
            SHA-256 <span className="num">{o.sha256.slice(0, 16)}…</span>
          </span>
          {o.state === 'open' && make && (
            <button type="button" className="quiet mt-1" disabled={busy} onClick={() => revoke(o.id)}>
              Withdraw the link of {o.made}
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}

function MakeLink({
  days,
  alive,
  setDays,
  language,
  setLanguage,
  busy,
  make,
}: {
  days: string;
  alive: boolean;
  setDays: (next: string) => void;
  language: 'en' | 'de';
  setLanguage: (next: 'en' | 'de') => void;
  busy: boolean;
  make: () => void;
}) {
  return (
    <>
      <label className="block">
        <span className="block text-sm">Open for, days</span>
        <input
          className="num w-24"
          inputMode="numeric"
          value={days}
          disabled={!alive}
          onChange={(e) => setDays(e.target.value)}
        />
      </label>
      <LanguageChoice of="page" language={language} disabled={!alive} onChange={setLanguage} />
      <button type="button" className="act" disabled={!alive || busy} onClick={make}>
        {busy ? 'Making…' : 'Make a link'}
      </button>
    </>
  );
}
