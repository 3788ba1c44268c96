'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import type { About, CaseNow } from '../../protocol/caseNow';
import type { Item } from '../../protocol/item';
import { keepSame } from '../../protocol/keepSame';

/** What was asked about the page that is open: its path, and the answer. */
let asked: { path: string; since: Promise<number | undefined> } | undefined;
/** What the server has of the trees whose pages were opened since. */
const asking = new Map<string, Promise<CaseNow | 'gone' | 'signed out' | undefined>>();

/** A page is opened, perhaps once more: what was asked about it before is not known of it now. */
export function opened(treeId: string): void {
  asked = undefined;
  asking.delete(treeId);
}

/**
 * Since when the page that is open has been on this device; undefined where it came from the server. The service worker
 * knows, since it gave it.
 */
export function keptSince(): Promise<number | undefined> {
  const path = location.pathname;
  if (asked?.path !== path) asked = { path, since: askWorker(path) };
  return asked.since;
}

const askWorker = (path: string): Promise<number | undefined> =>
  new Promise((resolve) => {
    const worker = 'serviceWorker' in navigator ? navigator.serviceWorker.controller : null;
    if (!worker) return resolve(undefined);
    const channel = new MessageChannel();
    channel.port1.onmessage = ({ data }: MessageEvent<number | null>) => resolve(data ?? undefined);
    worker.postMessage({ keptSince: path }, [channel.port2]);
    setTimeout(() => resolve(undefined), 2000);
  });

/** Called once what the open page shows has come from the server after all. */
const followers = new Set<() => void>();

/** All that the open page shows is as the server has it by now. */
function becomesCurrent(): void {
  asked = { path: location.pathname, since: Promise.resolve(undefined) };
  for (const follow of followers) follow();
}

/** The same for a component: undefined until it is known, and where what the page shows came from the server. */
export function useKeptSince(): number | undefined {
  const [since, setSince] = useState<number | undefined>(undefined);
  useEffect(() => {
    let here = true;
    void keptSince().then((at) => here && setSince(at));
    const follow = () => setSince(undefined);
    followers.add(follow);
    return () => {
      here = false;
      followers.delete(follow);
    };
  }, []);
  return since;
}

/** What the server has of a tree whose page was kept here; undefined where it cannot be asked. Asked once a page. */
export function caseNow(treeId: string): Promise<CaseNow | 'gone' | 'signed out' | undefined> {
  const now = asking.get(treeId) ?? askServer(treeId);
  asking.set(treeId, now);
  return now;
}

const askServer = (treeId: string) =>
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

/** What the server has of the tree whose page was kept here, once it is known. */
function useCaseNow(treeId: string | undefined): CaseNow | undefined {
  const [now, setNow] = useState<CaseNow | undefined>(undefined);
  useEffect(() => {
    if (treeId === undefined) return;
    let here = true;
    void keptSince().then(async (since) => {
      const answer = since === undefined ? undefined : await caseNow(treeId);
      if (here && typeof answer === 'object') setNow(answer);
    });
    return () => {
      here = false;
    };
  }, [treeId]);
  return now;
}

/**
 * What a tree is judged by, as the server has it where the page was kept: what did not change since is the same object.
 *
 * @param said as the page has it; the same object until the page is asked for anew
 */
export function useAbout(said: About, treeId: string): About {
  const now = useCaseNow(treeId)?.about;
  useEffect(() => {
    if (now) becomesCurrent();
  }, [now]);
  const opened = useRef(said);
  const kept = useRef(said);
  return useMemo(() => {
    // Asked for anew it is newer than what was asked when it was opened.
    kept.current = keepSame(kept.current, now && said === opened.current ? now : said);
    return kept.current;
  }, [said, now]);
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
  const now = useCaseNow(treeId);
  return now?.today ?? (since === undefined ? said : dayOf(new Date()));
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
