'use client';

import { usePathname } from 'next/navigation';
import { useEffect, useState } from 'react';
import { alongOf, setPerson } from '../../device/along/kept';
import { forgetLater } from '../../device/pending';
import { personOfCookie } from '../../device/person';
import { leftToWorker } from '../../device/sending';

/** What a page has no need of at first is had this much later, ms. */
const READY_MS = 4_000;

/** Sends what waits, from when the code for it is here; where it cannot be had there is no signal, and it is asked for again with it. */
function keepSending(person: string): () => void {
  let stop: (() => void) | undefined;
  let over = false;
  const begin = () =>
    void import('../../device/outbox').then(
      (outbox) => (stop = over ? undefined : outbox.keepSending(person)),
      () => over || window.addEventListener('online', begin, { once: true }),
    );
  begin();
  return () => {
    over = true;
    stop?.();
    window.removeEventListener('online', begin);
  };
}

/**
 * Keeps this device in order while any page is open: it knows who is signed in, holds nothing of anybody else, sends what
 * waits, and answers without signal.
 */
export function DeviceKeeper() {
  const pathname = usePathname();
  const [who, setWho] = useState<{ person: string | undefined } | undefined>(undefined);
  useEffect(() => {
    // Signing in leads from page to page without a new document.
    const person = personOfCookie();
    setWho((before) => (before && before.person === person ? before : { person }));
  }, [pathname]);
  useEffect(() => {
    if (!who) return;
    const { person } = who;
    forgetLater(person);
    // What is over its days is taken off when it is asked for.
    void setPerson(person).then(() => (person ? alongOf(person) : undefined));
    if (!person) return;
    if ('serviceWorker' in navigator && process.env.NODE_ENV === 'production')
      void navigator.serviceWorker.register('/sw.js', { updateViaCache: 'none' }).catch(() => undefined);
    // Had while there is signal, so that it is there when there is none.
    const timer = setTimeout(() => void leftToWorker().then((worker) => worker?.ready()), READY_MS);
    const stop = keepSending(person);
    return () => {
      clearTimeout(timer);
      stop();
    };
  }, [who]);
  return null;
}
