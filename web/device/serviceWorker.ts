/**
 * What answers in place of the network where there is none: the application's own files, and the pages and pictures of
 * properties that whoever is signed in took along.
 */
import { CacheFirst, ExpirationPlugin, Serwist, Strategy, type StrategyHandler } from 'serwist';
import { asksItself, isOfNewTree, pageKey, wanted, type Wanted } from './along/addresses';
import { asKept, KEPT_AT } from './along/take';
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

/** Noted in the store of files: those that were put there while a worker was installed. */
const PREPARED = '/undrel-prepared';

/**
 * Keeps the files of this build. Called while a worker is installed: what is put into a cache then, a browser may compile as a
 * whole and keep so (Chromium does), and a page opens sooner by it. What was kept otherwise before is put there once more.
 *
 * @throws Error where some could not be had
 */
async function prepare(): Promise<void> {
  const cache = await caches.open(STATIC);
  const known = (await (await cache.match(PREPARED))?.json().catch(() => undefined)) as string[] | undefined;
  const here = new Set((await cache.keys()).map(({ url }) => new URL(url).pathname));
  const prepared = new Set(known?.filter((file) => here.has(file)));
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
  await cache.put(PREPARED, Response.json(all.filter((file) => prepared.has(file))));
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

/** Since when the page of a window was kept, where it was given from here. */
const given = new Map<string, number>();

/** A page from the network; the kept one where that does not answer in time, or fails. */
class Pages extends Strategy {
  protected override async _handle(request: Request, handler: StrategyHandler): Promise<Response> {
    const person = await personHere();
    const found = person ? await keptPage(person, request.url) : undefined;
    const asked = fetch(request).then(async (answer) => {
      slowSince = -Infinity;
      if (!found) return answer;
      if (ended(answer, request.url)) await setPerson(undefined);
      const pages = (await caches.has(found.cache)) && (await caches.open(found.cache));
      if (pages && answer.ok) await pages.put(pageKey(request.url), asKept(answer.clone()));
      else if (pages && answer.status === 404) await pages.delete(pageKey(request.url));
      return answer;
    });
    if (!found) return asked.catch(offline);
    const { kept } = found;
    handler.waitUntil(asked.catch(() => undefined));
    if (asksItself(request.url)) return give(kept, handler);
    const patience = Date.now() - slowSince < SLOW_FOR ? PATIENCE.slow : PATIENCE.usual;
    const late = new Promise<'late'>((resolve) => setTimeout(() => resolve('late'), patience));
    const first = await Promise.race([asked.catch(() => 'failed' as const), late]);
    if (first === 'late') slowSince = Date.now();
    if (typeof first !== 'string' && first.status < 500) return first;
    return give(kept, handler);
  }
}

/** A kept page, with its window told since when it was kept. */
function give(kept: Response, { event }: StrategyHandler): Response {
  given.set((event as FetchEvent).resultingClientId, Number(kept.headers.get(KEPT_AT)));
  return kept;
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
    sameOrigin && request.method === 'GET' && wanted(url, request.mode === 'navigate') === kind;

const serwist = new Serwist({
  skipWaiting: true,
  clientsClaim: true,
  runtimeCaching: [
    {
      matcher: is('static'),
      // Files of earlier builds stay for as long as pages that were made with them are used.
      handler: new Files({
        cacheName: STATIC,
        plugins: [new ExpirationPlugin({ maxAgeSeconds: 60 * 86_400, maxAgeFrom: 'last-used' })],
      }),
    },
    { matcher: is('picture'), handler: new Pictures() },
    { matcher: is('label'), handler: new Labels() },
    { matcher: is('page'), handler: new Pages() },
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
};
self.addEventListener('install', (event) =>
  event.waitUntil(asked() ? prepare() : prepareIfUsed().catch(() => undefined)),
);
self.addEventListener('message', (event) => {
  if ((event.data as unknown) === 'kept since')
    event.ports[0]?.postMessage(given.get((event.source as Client).id) ?? null);
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
