import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { DAYS_ALONG } from '../../protocol/along';
import { mayDiffer, pageKey } from './addresses';

/** A property that was taken along: its pages and pictures are on this device. */
export interface Along {
  property: string;
  name: string;
  /** Who took it: shown and served to nobody else. */
  person: string;
  trees: number;
  pages: number;
  pictures: number;
  bytes: number;
  /** Epoch milliseconds. */
  taken: number;
  /** Address on a label by the tree that it belongs to. */
  labels: Record<string, string>;
  /** What each tree is called, by its id. */
  names: Record<string, string>;
}

const DAY_MS = 86_400_000;

export const isOver = ({ taken }: Pick<Along, 'taken'>, now = Date.now()): boolean =>
  now - taken > DAYS_ALONG * DAY_MS;
/** The last day it is here, epoch milliseconds. */
export const lastDay = ({ taken }: Pick<Along, 'taken'>): number => taken + DAYS_ALONG * DAY_MS;

interface Me {
  id: 'me';
  person: string;
}
interface Stores extends DBSchema {
  me: { key: string; value: Me };
  along: { key: string; value: Along };
}

/** The first version that this database had on devices in use. */
const VERSION = 10;
let made: Promise<IDBPDatabase<Stores>> | undefined;
/** The store of this device; made when it is first asked for, and opened again where it was closed. */
function device(): Promise<IDBPDatabase<Stores>> {
  made ??= openDB<Stores>('undrel.device', VERSION, {
    upgrade(db) {
      db.createObjectStore('me', { keyPath: 'id' });
      db.createObjectStore('along', { keyPath: 'property' });
    },
    terminated: () => (made = undefined),
  });
  made.catch(() => (made = undefined));
  return made;
}

/** What one person took along of one property: opened for nobody else, and gone with that property. */
export const cacheOf = ({ person, property }: Pick<Along, 'person' | 'property'>): string =>
  `${cachesOf(person)}${property}`;
const ALL = 'undrel.along.';
const cachesOf = (person: string): string => `${ALL}${person}.`;

async function dropCaches(goes: (name: string) => boolean): Promise<void> {
  if (typeof caches === 'undefined') return;
  for (const name of await caches.keys()) if (name.startsWith(ALL) && goes(name)) await caches.delete(name);
}

/** Work on the device's storage; something else where that is shut or full. */
async function tried<T>(work: () => PromiseLike<T>, otherwise: T): Promise<T> {
  try {
    return await work();
  } catch {
    return otherwise;
  }
}

/** Who is signed in on this device, as far as it knows; undefined where its storage is shut. */
export const personHere = (): Promise<string | undefined> =>
  tried(async () => (await (await device()).get('me', 'me'))?.person, undefined);

/**
 * Notes who is signed in. What others took along is taken off the device; with nobody signed in, all of it is. Changes that
 * wait to be sent are not touched: they are sent when whoever made them signs in again.
 */
export async function setPerson(person: string | undefined): Promise<void> {
  if ((await personHere()) !== person)
    await tried<unknown>(async () => {
      const db = await device();
      await (person ? db.put('me', { id: 'me', person }) : db.delete('me', 'me'));
    }, undefined);
  const others = (await everything()).filter((a) => a.person !== person);
  for (const { property } of others) await noteGone(property);
  await dropCaches((name) => person === undefined || !name.startsWith(cachesOf(person)));
}

const everything = (): Promise<Along[]> => tried(async () => (await device()).getAll('along'), []);
const noteGone = (property: string): Promise<void> =>
  tried(async () => (await device()).delete('along', property), undefined);

/** What a person took along and may still have, the newest first. What is over is taken off the device. */
export async function alongOf(person: string): Promise<Along[]> {
  const all = (await everything()).filter((a) => a.person === person);
  const over = all.filter((a) => isOver(a));
  for (const { property } of over) await forgetAlong(person, property);
  return all.filter((a) => !isOver(a)).sort((a, b) => b.taken - a.taken);
}

/** Notes what was taken along; false where the device keeps nothing. */
export const keepAlong = (along: Along): Promise<boolean> =>
  tried(async () => {
    await (await device()).put('along', along);
    return true;
  }, false);

/** Takes a property off the device, with all that was kept of it. */
export async function forgetAlong(person: string, property: string): Promise<void> {
  await noteGone(property);
  const name = cacheOf({ person, property });
  await dropCaches((other) => other === name);
}

/** What is kept of an address in any property that a person took along; undefined where nothing is. */
export async function keptOf(person: string, look: (cache: Cache) => Promise<Response | undefined>) {
  for (const along of await alongOf(person)) {
    const kept = await look(await caches.open(cacheOf(along)));
    if (kept) return { kept, cache: cacheOf(along) };
  }
  return undefined;
}

/** A page as it is kept, or that of another visit where it has none of its own. */
export const keptPage = (person: string, url: string) =>
  keptOf(
    person,
    async (cache) =>
      (await cache.match(pageKey(url))) ?? (await cache.match(url, { ignoreSearch: mayDiffer(url) })),
  );
