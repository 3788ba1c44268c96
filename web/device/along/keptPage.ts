'use client';

import { useEffect, useState } from 'react';
import type { CaseNow, Item } from '../../protocol/item';

let asked: Promise<number | undefined> | undefined;
const opened = typeof location === 'undefined' ? '' : location.pathname;

/**
 * Since when the page that was opened has been on this device; undefined where it came from the server. The service worker
 * knows, since it gave it.
 */
export function keptSince(): Promise<number | undefined> {
  // A page that was reached from the one that was opened came from the server.
  if (location.pathname !== opened) return Promise.resolve(undefined);
  return (asked ??= new Promise((resolve) => {
    const worker = 'serviceWorker' in navigator ? navigator.serviceWorker.controller : null;
    if (!worker) return resolve(undefined);
    const channel = new MessageChannel();
    channel.port1.onmessage = ({ data }: MessageEvent<number | null>) => resolve(data ?? undefined);
    worker.postMessage('kept since', [channel.port2]);
    setTimeout(() => resolve(undefined), 2000);
  }));
}

/** The same for a component: undefined until it is known, and where the page came from the server. */
export function useKeptSince(): number | undefined {
  const [since, setSince] = useState<number | undefined>(undefined);
  useEffect(() => {
    let here = true;
    void keptSince().then((at) => here && setSince(at));
    return () => {
      here = false;
    };
  }, []);
  return since;
}

const asking = new Map<string, Promise<CaseNow | 'gone' | 'signed out' | undefined>>();

/** What the server has of a tree whose page was kept here; undefined where it cannot be asked. Asked once a page. */
export function caseNow(treeId: string): Promise<CaseNow | 'gone' | 'signed out' | undefined> {
  const asked =
    asking.get(treeId) ??
    fetch(`/api/trees/${treeId}/items`).then(
      async (answer) =>
        answer.ok
          ? ((await answer.json()) as CaseNow)
          : answer.status === 404
            ? ('gone' as const)
            : answer.status === 401
              ? ('signed out' as const)
              : undefined,
      () => undefined,
    );
  asking.set(treeId, asked);
  return asked;
}

const two = (n: number): string => String(n).padStart(2, '0');
/** A day by this device’s clock, ISO. */
export const dayOf = (at: Date): string =>
  `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;

/**
 * Today: as the server says, whose clock is right; by the device’s own where the page was kept on it, perhaps days ago, and
 * the server cannot be asked.
 *
 * @param said ISO day of the server when it made the page
 * @param treeId whose page it is, where it is a tree’s
 */
export function useToday(said: string, treeId?: string): string {
  const since = useKeptSince();
  const [server, setServer] = useState<string | undefined>(undefined);
  useEffect(() => {
    if (since === undefined || treeId === undefined) return;
    let here = true;
    void caseNow(treeId).then((now) => here && typeof now === 'object' && setServer(now.today));
    return () => {
      here = false;
    };
  }, [since, treeId]);
  return since === undefined ? said : (server ?? dayOf(new Date()));
}

/** What the address of this page asks for under a name; undefined until the page runs, and where it asks for nothing. */
export function useAsked(name: string, given: string): string | undefined {
  const [asked, setAsked] = useState<string | undefined>(undefined);
  // The page that is given may be another one than is asked for, and says nothing of when the address changes.
  useEffect(() => setAsked(new URLSearchParams(location.search).get(name) ?? undefined), [name, given]);
  return asked;
}

/**
 * The visit that a page is for: the one that its address asks for, where a page of another visit was kept in its place, as it
 * is of a visit that was begun on this device.
 *
 * @param given visit that the page was made for
 * @param items of the tree, with those that wait on this device
 */
export function useVisitAsked(given: string, items: readonly Item[]): string {
  const asked = useAsked('visit', given);
  return asked !== undefined && items.some((i) => i.kind === 'visit' && i.id === asked && i.values !== null)
    ? asked
    : given;
}
