import type { AlongList } from '../../protocol/along';
import { pageKey } from './addresses';
import { aheadOf } from './ready';
import { alongOf, cacheOf, forgetAlong, keepAlong, type Along } from './kept';

/** When a page was kept, epoch milliseconds by this device. */
export const KEPT_AT = 'x-undrel-kept';

/** An answer as it is kept, with the time of it. */
export function asKept(answer: Response, now = Date.now()): Response {
  const headers = new Headers(answer.headers);
  headers.set(KEPT_AT, String(now));
  // Unpacked already: what is kept is what it says.
  headers.delete('content-encoding');
  headers.delete('content-length');
  return new Response(answer.body, { status: answer.status, headers });
}

/** How many addresses are fetched at once: a phone on a thin line finishes some before it begins others. */
const AT_ONCE = 3;

/** What was taken, and by how much this device's clock is ahead of the server's, ms. */
export type Taken = { along: Along; ahead: number } | { problem: string };

/** Under this nothing is ever opened: the worker there only fetches. */
const NOWHERE = '/sw-files/';

/**
 * Fetches the application's own files, by a worker whose installation is over once all of them are here: files kept in this way
 * are kept compiled where the browser does so.
 *
 * @returns whether all of them are here
 */
async function files(signal: AbortSignal): Promise<boolean> {
  // Where none was registered none can be: what is taken along would never be shown.
  if (!(await navigator.serviceWorker.getRegistration())) return false;
  const made = await navigator.serviceWorker.register('/sw.js?files', {
    scope: NOWHERE,
    updateViaCache: 'none',
  });
  const worker = made.installing ?? made.waiting ?? made.active;
  const over = (): boolean => worker === null || worker.state !== 'installing';
  try {
    await new Promise<void>((done, reject) => {
      if (over()) return done();
      worker!.addEventListener('statechange', () => over() && done());
      signal.addEventListener('abort', () => reject(new DOMException('stopped', 'AbortError')));
    });
    return worker !== null && worker.state !== 'redundant';
  } finally {
    await made.unregister().catch(() => undefined);
  }
}

/**
 * Takes a property along: its pages and pictures, and the application itself, are kept on this device. What was taken
 * before stays until the new is there.
 *
 * @param step is told how much is done, from 0 to 1
 */
export async function takeAlong(
  property: string,
  person: string,
  signal: AbortSignal,
  step: (share: number) => void,
): Promise<Taken> {
  if (!('serviceWorker' in navigator) || typeof caches === 'undefined')
    return {
      problem: 'This browser keeps nothing for places without signal. Over https, current browsers do.',
    };
  const before = (await alongOf(person)).some((a) => a.property === property);
  try {
    const answer = await fetch(`/api/properties/${property}/along`, { signal });
    if (!answer.ok) return { problem: 'The list of what to take along could not be had; try again.' };
    const ahead = aheadOf(answer.headers.get('date'));
    const list = (await answer.json()) as AlongList;
    await navigator.storage?.persist?.();
    if (!(await files(signal)))
      return { problem: 'Some files of the application did not arrive; try again.' };
    const all = [...list.pages, ...list.pictures];
    const store = await caches.open(cacheOf({ person, property }));
    let [bytes, done, next] = [0, 0, 0];
    const one = async (): Promise<void> => {
      for (;;) {
        const address = all[next++];
        if (address === undefined) return;
        bytes += await keep(store, address, signal);
        step(++done / all.length);
      }
    };
    await Promise.all(Array.from({ length: AT_ONCE }, one));
    // Trees that were removed meanwhile go from here too.
    const listed = new Set(all.map(keyOf));
    for (const { url } of await store.keys()) if (!listed.has(url)) await store.delete(url);
    const along: Along = {
      property,
      person,
      name: list.name,
      trees: list.trees,
      pages: list.pages.length,
      pictures: list.pictures.length,
      bytes,
      taken: Date.now(),
      labels: list.labels,
      names: list.names,
    };
    await tellHeld(property, true);
    if (!(await keepAlong(along)))
      return { problem: 'This device keeps nothing: its storage is full or shut.' };
    return { along, ahead };
  } catch (error) {
    // Half of a property is of no use, and nobody would know that it is here.
    if (!before) await forgetAlong(person, property);
    if (signal.aborted)
      return {
        problem: before ? 'Stopped; what was taken before is still here.' : 'Stopped; nothing was kept.',
      };
    if (error instanceof Refused) return { problem: error.message };
    if (error instanceof DOMException && error.name === 'QuotaExceededError')
      return { problem: 'This device is full: free some space, or take fewer properties along.' };
    return { problem: 'The signal was lost on the way. Try again.' };
  }
}

/** Tells the server what this device holds, for the owner who ends the session of a lost one; without signal it is not told. */
export const tellHeld = (property: string, here: boolean): Promise<unknown> =>
  fetch(`/api/properties/${property}/along`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ here }),
  }).catch(() => undefined);

class Refused extends Error {}

const isPicture = (address: string): boolean => address.startsWith('/pictures/');
/** Under which address something of the list is kept. */
const keyOf = (address: string): string => pageKey(new URL(address, location.origin));

/** Keeps one address. @returns its bytes */
async function keep(store: Cache, address: string, signal: AbortSignal): Promise<number> {
  const key = keyOf(address);
  // A picture is never another under the same address.
  const here = isPicture(address) ? await store.match(key) : undefined;
  if (here) return (await here.blob()).size;
  const answer = await fetch(address, { signal });
  if (answer.redirected) throw new Refused('You are signed out; sign in again and take it along then.');
  // A picture that is gone, or a page that cannot be made now, does not hold up the others.
  if (!answer.ok) return 0;
  const kept = asKept(answer);
  const size = (await kept.clone().blob()).size;
  await store.put(key, kept);
  return size;
}

/** Keeps pages anew that were kept before, since what they show was changed; the others are left. */
export async function keepAgain(person: string, addresses: readonly string[]): Promise<void> {
  if (typeof caches === 'undefined') return;
  for (const along of await alongOf(person)) {
    const store = await caches.open(cacheOf(along));
    for (const address of new Set(addresses))
      for (const { url } of await store.keys(new URL(address, location.origin).href, {
        ignoreSearch: true,
      })) {
        const answer = await fetch(url).catch(() => undefined);
        if (answer?.ok && !answer.redirected) await store.put(url, asKept(answer));
      }
  }
}
