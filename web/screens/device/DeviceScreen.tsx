'use client';

import { useEffect, useState } from 'react';
import { calledOf } from '../../protocol/kinds';
import { alongOf, forgetAlong, lastDay, type Along } from '../../device/along/kept';
import { tellHeld } from '../../device/along/take';
import { runOutbox } from '../../device/outbox';
import type { Outbox } from '../../device/outboxNow';
import type { Waiting } from '../../device/pending';
import { personOfCookie } from '../../device/person';
import { useOutbox, waitingIn } from '../shell/DeviceState';
import { TopBar } from '../shell/TopBar';
import { megabytes } from '../../device/megabytes';
import { treeHref } from '../../protocol/treeHref';

const day = (at: number): string =>
  new Date(at).toLocaleDateString(undefined, { day: 'numeric', month: 'long' });
const clock = (at: number): string =>
  new Date(at).toLocaleString(undefined, {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });

const MOST_NAMES = 4;
/** What waits of a tree, each once. */
function namesOf({ changes }: Waiting): string {
  const names = [...new Set(changes.map((c) => calledOf(c.kind, c.values ?? {})))];
  return names.length <= MOST_NAMES
    ? names.join('; ')
    : `${names.slice(0, MOST_NAMES).join('; ')} and ${names.length - MOST_NAMES} more`;
}

/** Name of a tree that waits, where it is among what waits. */
const labelOf = ({ treeId, changes }: Waiting): string | undefined => {
  const tree = changes.find((c) => c.kind === 'tree' && c.id === treeId);
  return (tree?.values as { label?: string } | null | undefined)?.label;
};

/** Where a tree that waits is opened: a new one has no page of its own yet. */
const addressOf = ({ treeId, changes }: Waiting): string => {
  const made = changes.find((c) => c.kind === 'tree' && c.id === treeId && c.base === 0);
  return treeHref(treeId, { alone: made?.parent });
};

/** What is on this device: properties that were taken along, and what waits to be sent. Also shown in place of a page that is not here. */
export function DeviceScreen() {
  const [person, setPerson] = useState<string | undefined>(undefined);
  const [along, setAlong] = useState<Along[] | undefined>(undefined);
  const [room, setRoom] = useState<{ used: number; of: number } | undefined>(undefined);
  const [missed, setMissed] = useState(false);
  const outbox = useOutbox();
  useEffect(() => {
    const who = personOfCookie();
    setPerson(who);
    setMissed(location.pathname !== '/device');
    void (who ? alongOf(who) : Promise.resolve([])).then(setAlong);
    void navigator.storage
      ?.estimate?.()
      .then(({ usage, quota }) => usage !== undefined && quota && setRoom({ used: usage, of: quota }))
      .catch(() => undefined);
  }, []);
  const remove = async (a: Along) => {
    void tellHeld(a.property, false);
    await forgetAlong(a.person, a.property);
    setAlong(await alongOf(a.person));
  };
  const waiting = waitingIn(outbox) > 0;
  return (
    <div className="min-h-dvh">
      <TopBar>
        <strong>This device</strong>
      </TopBar>
      <main className="px-4 lg:px-8 py-4 max-w-[760px] mx-auto space-y-6">
        {missed && (
          <p role="status" className="told">
            No signal, and this page is not on this device. What was taken along is below.
          </p>
        )}
        <section>
          <h1>Taken along</h1>
          {along?.length === 0 && (
            <p className="my-2">
              Nothing yet. With signal, open a property and press <strong>Take along</strong>: its trees,
              orders and pictures are then here without any.
            </p>
          )}
          <ul>
            {along?.map((a) => (
              <TakenAlong key={a.property} a={a} remove={remove} />
            ))}
          </ul>
        </section>
        <Waiting waiting={waiting} along={along} person={person} outbox={outbox} />
        {room && (
          <p className="text-sm text-muted">
            {megabytes(room.used)} used of {megabytes(room.of)} that this browser lets the application keep.
          </p>
        )}
      </main>
    </div>
  );
}

function TakenAlong({ a, remove }: { a: Along; remove: (a: Along) => Promise<void> }) {
  return (
    <li className="border-b border-hair py-2 flex items-center gap-3">
      <span className="flex-1 min-w-0">
        <a className="font-semibold inline-flex items-center min-h-[44px]" href={`/grounds/${a.property}`}>
          {a.name}
        </a>
        <span className="block text-sm text-muted">
          {a.trees} {a.trees === 1 ? 'tree' : 'trees'}, {megabytes(a.bytes)}, from {clock(a.taken)}; here
          until {day(lastDay(a))}
        </span>
      </span>
      <button
        type="button"
        className="quiet"
        aria-label={`Remove ${a.name} from this device`}
        onClick={() => void remove(a)}
      >
        Remove
      </button>
    </li>
  );
}

function Waiting({
  waiting,
  along,
  person,
  outbox,
}: {
  waiting: boolean;
  along: Along[] | undefined;
  person: string | undefined;
  outbox: Outbox;
}) {
  return (
    <section>
      <h2>Waiting to be sent</h2>
      {!waiting && (
        <p className="my-2">
          {along === undefined || (person && outbox.state === 'unknown')
            ? 'Looking…'
            : 'Nothing waits: everything entered here has been sent.'}
        </p>
      )}
      <ul>
        {outbox.trees.map((w) => (
          <li key={w.treeId} className="border-b border-hair py-2">
            <a className="font-semibold inline-flex items-center min-h-[44px]" href={addressOf(w)}>
              {labelOf(w) ?? along?.map((a) => a.names[w.treeId]).find(Boolean) ?? 'A tree'}
            </a>
            : {namesOf(w)}
            {w.since !== undefined && <span className="text-muted">, since {clock(w.since)}</span>}
            {w.changes.some((c) => c.unsettled) && (
              <span className="block text-harm">
                Someone else changed the same, or it was refused: open the tree to settle it.
              </span>
            )}
          </li>
        ))}
        {outbox.pictures > 0 && (
          <li className="border-b border-hair py-2">
            <span className="num">{outbox.pictures}</span> {outbox.pictures === 1 ? 'picture' : 'pictures'}
          </li>
        )}
        {outbox.looks > 0 && (
          <li className="border-b border-hair py-2">
            Walk-round: <span className="num">{outbox.looks}</span> trees checked
          </li>
        )}
      </ul>
      {waiting && (
        <p className="flex items-center gap-3 mt-3">
          <button
            type="button"
            className="act whitespace-nowrap"
            disabled={!person || outbox.state === 'sending'}
            onClick={() => person && void runOutbox(person)}
          >
            {outbox.state === 'sending' ? 'Sending…' : 'Send now'}
          </button>
          <span role="status" className="text-muted">
            {outbox.state === 'away' && 'The server could not be reached; it is tried again by itself.'}
            {outbox.state === 'signed out' &&
              'You are signed out; sign in as the same person and it is sent.'}
          </span>
        </p>
      )}
    </section>
  );
}
