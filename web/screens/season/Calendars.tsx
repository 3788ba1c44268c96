'use client';

import { memo, useState, useTransition } from 'react';
import { ROLES, type WhoDoes } from '@undrel/core/schedule';
import type { FeedHead } from '../../protocol/season';
import { ShownOnce } from '../../ui/ShownOnce';
import { Said } from '../../ui/Said';
import { WHO_WORDS } from './words';
import { ServerButton, ServerFile } from '../../ui/FromServer';
import { Select } from '../../ui/controls/Select';

export interface FeedActions {
  make: (given: {
    name: string;
    who: WhoDoes | '';
    property: string;
  }) => Promise<{ link: string; feeds: FeedHead[] } | { problem: string }>;
  revoke: (id: string) => Promise<{ feeds?: FeedHead[]; problem?: string }>;
}

const AWAY = { problem: 'The server could not be reached; nothing was changed. Try again.' };

/** The calendar for other programs: as a file, or as an address that they read. */
export const Calendars = memo(function Calendars({
  feeds: begun,
  actions,
  properties,
}: {
  feeds: readonly FeedHead[];
  actions: FeedActions | undefined;
  properties: ReadonlyMap<string, string>;
}) {
  const [feeds, setFeeds] = useState(begun);
  const [name, setName] = useState('');
  const [who, setWho] = useState<WhoDoes | ''>('');
  const [property, setProperty] = useState('');
  const [made, setMade] = useState<{ link: string } | { problem: string }>();
  const [busy, start] = useTransition();
  const make = () =>
    start(async () => {
      const answer = await actions!.make({ name, who, property }).catch(() => AWAY);
      setMade(answer);
      if ('feeds' in answer) {
        setFeeds(answer.feeds);
        setName('');
      }
    });
  const revoke = (id: string) =>
    start(async () => {
      const answer = await actions!.revoke(id).catch(() => AWAY);
      if ('feeds' in answer && answer.feeds) setFeeds(answer.feeds);
      setMade(answer.problem ? { problem: answer.problem } : undefined);
    });
  const asked = new URLSearchParams({ ...(who && { who }), ...(property && { property }) });
  return (
    <details className="mb-4 border-y border-hair no-print">
      <summary className="font-bold min-h-[44px] flex items-center cursor-pointer">
        In your own calendar (iCalendar)
      </summary>
      <div className="grid gap-3 sm:grid-cols-3 items-end max-w-[60rem]">
        <Select
          label="Tasks"
          options={ROLES.map((key) => ({ key, label: `of the ${WHO_WORDS[key].toLowerCase()}` }))}
          empty="of everyone"
          value={who}
          onChange={(role) => setWho(role ?? '')}
        />
        <Select
          label="On"
          options={[...properties].map(([key, label]) => ({ key, label }))}
          empty="all properties"
          value={property}
          onChange={(id) => setProperty(id ?? '')}
        />
        <ServerFile
          className="quiet inline-flex items-center justify-center"
          href={`/api/season/calendar?${asked}`}
          download
        >
          Keep as a file
        </ServerFile>
        {actions && <NewAddress name={name} setName={setName} busy={busy} make={make} />}
      </div>
      <div className="h-[5.5rem] max-w-[60rem] mt-2">
        {made && 'problem' in made && <Said problem={made.problem} />}
        {made && 'link' in made && (
          <ShownOnce
            label="Give this to the calendar; it is shown only now, and whoever has it reads these tasks"
            link={made.link}
          />
        )}
      </div>
      {feeds.length > 0 && <AddressesMade feeds={feeds} actions={actions} busy={busy} revoke={revoke} />}
    </details>
  );
});

function NewAddress({
  name,
  setName,
  busy,
  make,
}: {
  name: string;
  setName: (next: string) => void;
  busy: boolean;
  make: () => void;
}) {
  return (
    <>
      <label className="block sm:col-span-2">
        <span className="block text-sm">Address for (name of a person or a program)</span>
        <input
          className="w-full"
          value={name}
          maxLength={120}
          onChange={({ target }) => setName(target.value)}
        />
      </label>
      <ServerButton type="button" className="act" disabled={busy} onClick={make}>
        Make an address
      </ServerButton>
    </>
  );
}

function AddressesMade({
  feeds,
  actions,
  busy,
  revoke,
}: {
  feeds: readonly FeedHead[];
  actions: FeedActions | undefined;
  busy: boolean;
  revoke: (id: string) => void;
}) {
  return (
    <ul aria-label="Addresses made" className="border-t border-ink max-w-[60rem]">
      {feeds.map((f) => (
        <li key={f.id} className="border-b border-hair py-2 flex flex-wrap items-center gap-x-4">
          <span className="flex-1 min-w-[14rem]">
            <strong>{f.name}</strong>
            <span className="text-muted">
              {f.who && `, tasks of the ${WHO_WORDS[f.who].toLowerCase()}`}
              {f.property && `, ${f.property}`}. Made {f.made},{' '}
              {f.read ? `read last ${f.read}` : 'not read yet'}.
            </span>
          </span>
          {actions && (
            <ServerButton type="button" className="quiet" disabled={busy} onClick={() => revoke(f.id)}>
              Withdraw {f.name}
            </ServerButton>
          )}
        </li>
      ))}
    </ul>
  );
}
