/**
 * What answers in place of the network where there is none: the application's own files, and the pages and pictures of
 * properties that whoever is signed in took along.
 */
import { CacheFirst, Serwist, Strategy, type StrategyHandler } from 'serwist';
import {
  asksAnew,
  asksItself,
  asksOf,
  isOfNewTree,
  pageKey,
  pageOf,
  wanted,
  type Wanted,
} from './along/addresses';
import { contentIn } from './along/content';
import { asKept, KEPT_AT } from './along/take';
import { afterBuild, notedFrom, type FilesNoted } from './along/filesHere';
import { alongOf, keptOf, keptPage, personHere, setPerson } from './along/kept';
import { SYNC_TAG } from './leftToWorker';
import { sendByWorker } from './sendByWorker';
import { sendPicturesByWorker } from './picturesByWorker';

declare const self: ServiceWorkerGlobalScope & { undrelFiles?: readonly string[] };

const STATIC = 'undrel.static';
const SHELL = 'undrel.shell';
/** Shown in place of a page that is not here: it says what is. */
const OFFLINE = '/device';
/** How long a page that is kept waits for the network, ms; less once it was found to be slow. Judgement. */
const PATIENCE = { usual: 3000, slow: 700 };
/** For how long a network counts as slow after it was, ms. */
const SLOW_FOR = 60_000;
let slowSince = -Infinity;

/** How many files are fetched at once: on a thin line the way there and back is most of the time. */
const AT_ONCE = 6;

/** Where the note of the files stands, among them. */
const PREPARED = '/undrel-prepared';

/** What is kept of the application, and what is noted of it. */
async function filesHere(cache: Cache): Promise<{ here: string[]; noted: FilesNoted }> {
  const noted = notedFrom(await (await cache.match(PREPARED))?.json().catch(() => undefined));
  const here = (await cache.keys()).map(({ url }) => new URL(url).pathname).filter((f) => f !== PREPARED);
  return { here, noted };
}

/**
 * A build comes: files of earlier ones are noted, and those that have been left for long enough go. Pages that were made with
 * them are in use for days.
 *
 * @param prepared those of this build that were put there while a worker was installed
 */
async function tidy(cache: Cache, prepared?: ReadonlySet<string>): Promise<void> {
  const { here, noted } = await filesHere(cache);
  const all = self.undrelFiles ?? [];
  const { left, gone } = afterBuild(here, all, noted.left, Date.now());
  await Promise.all(gone.map((file) => cache.delete(file)));
  const known = prepared ?? new Set(noted.prepared);
  const note: FilesNoted = { prepared: all.filter((file) => known.has(file)), left };
  await cache.put(PREPARED, Response.json(note));
}

/**
 * Keeps the files of this build. Called while a worker is installed: what is put into a cache then, a browser may compile as a
 * whole and keep so (Chromium does), and a page opens sooner by it. What was kept otherwise before is put there once more.
 *
 * @throws Error where some could not be had
 */
async function prepare(): Promise<void> {
  const cache = await caches.open(STATIC);
  const { here, noted } = await filesHere(cache);
  const prepared = new Set(noted.prepared.filter((file) => here.includes(file)));
  let missing = 0;
  const all = self.undrelFiles ?? [];
  const files = all.filter((file) => !prepared.has(file));
  const some = async (): Promise<void> => {
    for (let file = files.pop(); file !== undefined; file = files.pop()) {
      const answer = (await cache.match(file)) ?? (await fetch(file).catch(() => undefined));
      if (answer?.ok) {
        await cache.put(file, answer);
        prepared.add(file);
      } else missing++;
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, some));
  await tidy(cache, prepared);
  const shell = await fetch(OFFLINE).catch(() => undefined);
  if (shell?.ok) await (await caches.open(SHELL)).put(OFFLINE, shell);
  if (missing > 0) throw new Error(`${missing} files could not be had.`);
}

const offline = async (): Promise<Response> =>
  (await caches.match(OFFLINE)) ??
  new Response('There is no signal, and this page is not on this device.', {
    status: 503,
    headers: { 'content-type': 'text/plain; charset=utf-8' },
  });

/** A page that was kept and leads elsewhere now: its session has ended. A new tree leads to its own page once it has one. */
const ended = (answer: Response, url: string): boolean =>
  (answer.type === 'opaqueredirect' || answer.redirected) && !isOfNewTree(new URL(url).pathname);

/** Since when a page has been kept that was given to a window, by the window and the path of the page. */
const given = new Map<string, number>();
const givenTo = (window: string, path: string): string => `${window} ${path}`;

type Found = NonNullable<Awaited<ReturnType<typeof keptPage>>>;

/** A page that is kept, for whoever is signed in. */
async function foundPage(url: string): Promise<Found | undefined> {
  const person = await personHere();
  return person === undefined ? undefined : keptPage(person, url);
}

/** An answer of the network takes the place of a page that is kept, where it is one. */
async function keepNewer(answer: Response, url: string, { cache }: Found): Promise<void> {
  if (ended(answer, url)) await setPerson(undefined);
  const pages = (await caches.has(cache)) && (await caches.open(cache));
  if (pages && answer.ok && !answer.redirected) await pages.put(pageKey(url), asKept(answer));
  else if (pages && answer.status === 404) await pages.delete(pageKey(url));
}

/** Asks the network. Whatever answers ends what was known of its being slow. */
const ask = (request: Request | string): Promise<Response> =>
  fetch(request).then((answer) => {
    slowSince = -Infinity;
    return answer;
  });

/** Has what the network answers take the place of a page that is kept; what fails changes nothing. */
const renewed = (asked: Promise<Response>, url: string, found: Found): Promise<void> =>
  asked.then((answer) => keepNewer(answer, url, found)).catch(() => undefined);

/** An answer of the network where it comes in time and is one; undefined otherwise. How long that takes is remembered. */
async function inTime(asked: Promise<Response>): Promise<Response | undefined> {
  const patience = Date.now() - slowSince < SLOW_FOR ? PATIENCE.slow : PATIENCE.usual;
  const late = new Promise<'late'>((resolve) => setTimeout(() => resolve('late'), patience));
  const first = await Promise.race([asked.catch(() => 'failed' as const), late]);
  if (first === 'late') slowSince = Date.now();
  return typeof first !== 'string' && first.status < 500 ? first : undefined;
}

/** Notes since when the page has been kept that a window is given. */
const note = (window: string, { kept }: Found): void =>
  void given.set(window, Number(kept.headers.get(KEPT_AT)));

/** A page from the network; the kept one where that does not answer in time, or fails. */
class Pages extends Strategy {
  protected override async _handle(request: Request, handler: StrategyHandler): Promise<Response> {
    const { url } = request;
    const found = await foundPage(url);
    const asked = ask(request);
    if (!found) return asked.catch(offline);
    handler.waitUntil(
      renewed(
        asked.then((answer) => answer.clone()),
        url,
        found,
      ),
    );
    const first = asksItself(url) ? undefined : await inTime(asked);
    if (first) return first;
    const { resultingClientId } = handler.event as FetchEvent;
    note(givenTo(resultingClientId, new URL(url).pathname), found);
    return found.kept;
  }
}

/**
 * The content of a page that a link asks for, by the same rules: out of the page as it is kept, so that nothing of the
 * application is started again, and none of it waits for the network.
 */
class Contents extends Strategy {
  protected override async _handle(request: Request, handler: StrategyHandler): Promise<Response> {
    const url = pageOf(request.url);
    const window = givenTo((handler.event as FetchEvent).clientId, new URL(url).pathname);
    given.delete(window);
    const found = await foundPage(url);
    if (!found) return fetch(request);
    const content = contentIn(await found.kept.text());
    if (content === undefined) return fetch(request);
    if (asksItself(url) && !asksAnew(request)) handler.waitUntil(renewed(ask(url), url, found));
    else {
      const asked = ask(request);
      handler.waitUntil(asked.catch(() => undefined));
      const first = await inTime(asked);
      if (first) return first;
    }
    note(window, found);
    return new Response(content, { headers: { 'content-type': 'text/x-component' } });
  }
}

/** The application's own files, which never change under one address. */
class Files extends CacheFirst {
  override async _handle(request: Request, handler: StrategyHandler): Promise<Response> {
    const file = await super._handle(request, handler);
    // A worker is told what to do behind the # of its address, which an answer with an address of its own would take away.
    return request.destination === 'worker'
      ? new Response(file.body, { status: file.status, headers: file.headers })
      : file;
  }
}

/** A picture that was taken along, which never changes. */
class Pictures extends Strategy {
  protected override async _handle(request: Request): Promise<Response> {
    const person = await personHere();
    const found = person && (await keptOf(person, (cache) => cache.match(request.url)));
    return found ? found.kept : fetch(request);
  }
}

/** The page of the tree that a label names. */
class Labels extends Strategy {
  protected override async _handle(request: Request): Promise<Response> {
    const person = await personHere();
    const code = new URL(request.url).pathname.slice('/t/'.length);
    const tree = person && (await alongOf(person)).map((a) => a.labels[code]).find(Boolean);
    if (!tree) return fetch(request).catch(offline);
    return Response.redirect(new URL(`/trees/${tree}`, request.url).href, 302);
  }
}

const is =
  (kind: Wanted) =>
  ({ url, request, sameOrigin }: { url: URL; request: Request; sameOrigin: boolean }): boolean =>
    sameOrigin && request.method === 'GET' && wanted(url, asksOf(request)) === kind;

const serwist = new Serwist({
  skipWaiting: true,
  clientsClaim: true,
  runtimeCaching: [
    {
      matcher: is('static'),
      handler: new Files({ cacheName: STATIC }),
    },
    { matcher: is('picture'), handler: new Pictures() },
    { matcher: is('label'), handler: new Labels() },
    { matcher: is('page'), handler: new Pages() },
    { matcher: is('content'), handler: new Contents() },
  ],
});
serwist.addEventListeners();

/**
 * A new build comes with its files to a device that took something along; others have no use for them yet. Whoever takes the
 * first property along has this worker installed once more under an address that asks for them.
 */
const asked = (): boolean => new URL(self.location.href).searchParams.has('files');
const prepareIfUsed = async (): Promise<void> => {
  const person = await personHere();
  if (person && (await alongOf(person)).length > 0) await prepare();
  else await tidy(await caches.open(STATIC));
};

interface InstallEvent extends ExtendableEvent {
  addRoutes?: (routes: object[]) => Promise<void>;
}

/**
 * Has the browser take the application's programs out of their store by itself, where it can: each would be handed through the
 * worker otherwise, which takes a slow phone a quarter of a second for a page. One that is not there comes from the network.
 */
const givenAtOnce = (event: InstallEvent): void =>
  void event
    .addRoutes?.([
      {
        condition: { urlPattern: { pathname: '/_next/static/*' }, requestDestination: 'script' },
        source: { cacheName: STATIC },
      },
    ])
    .catch(() => undefined);

self.addEventListener('install', (event) => {
  givenAtOnce(event as InstallEvent);
  event.waitUntil(asked() ? prepare() : prepareIfUsed().catch(() => undefined));
});
self.addEventListener('message', (event) => {
  const { keptSince } = event.data as { keptSince?: string };
  if (keptSince !== undefined)
    event.ports[0]?.postMessage(given.get(givenTo((event.source as Client).id, keptSince)) ?? null);
});

/** Whether a page of the application is looked at; what is under `/api` is a file. */
const isLookedAt = async (): Promise<boolean> =>
  (await self.clients.matchAll({ type: 'window', includeUncontrolled: true })).some(
    ({ url, visibilityState }) => visibilityState === 'visible' && !new URL(url).pathname.startsWith('/api/'),
  );

/** The browser found signal: what did not arrive is sent, though no page is open. Where it fails the browser tries again. */
self.addEventListener('sync', ((event: ExtendableEvent & { tag: string }) => {
  if (event.tag !== SYNC_TAG) return;
  const work = async (): Promise<void> => {
    const person = await personHere();
    if (person === undefined) return;
    // Visits go before the pictures that belong to them. A page that is looked at sends its pictures by itself.
    const arrived =
      (await sendByWorker(person)) && ((await isLookedAt()) || (await sendPicturesByWorker(person)));
    if (!arrived) throw new Error('The server could not be reached.');
  };
  event.waitUntil(work());
}) as EventListener);
