import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Change } from '../protocol/item';

/** What the browser calls the service worker by once there is signal again, whether a page is open or not. */
export const SYNC_TAG = 'undrel.changes';

/** Changes left to the worker at most: what is beyond waits for a page, as all of it does. */
const MOST = 2_000;

/** A change that was sent and did not arrive. */
export interface Left {
  person: string;
  id: string;
  /** Its turn: what belongs to another item comes after it. */
  turn: number;
  change: Change;
}
interface Stores extends DBSchema {
  changes: { key: [string, string]; value: Left; indexes: { turn: number } };
}

let made: Promise<IDBPDatabase<Stores>> | undefined;
function store(): Promise<IDBPDatabase<Stores>> {
  made ??= openDB<Stores>('undrel.left', 1, {
    upgrade(db) {
      db.createObjectStore('changes', { keyPath: ['person', 'id'] }).createIndex('turn', 'turn');
    },
    terminated: () => (made = undefined),
  });
  made.catch(() => (made = undefined));
  return made;
}

/** Opens the store while there is signal, so that it is there when there is none. */
export const ready = (): Promise<void> =>
  store().then(
    () => undefined,
    () => undefined,
  );

/**
 * Leaves changes that did not arrive to the service worker as well, which sends them when the browser finds signal, though
 * no page is open. They still wait for their page: it learns there what became of them. A worker writes only on the version
 * that a change was made on, so that it never comes after anything.
 */
export async function leave(changes: readonly Change[], person: string): Promise<void> {
  try {
    const db = await store();
    const all = db.transaction('changes', 'readwrite');
    const last = await all.store.index('turn').openCursor(null, 'prev');
    let turn = last?.value.turn ?? 0;
    let room = MOST - (await all.store.count());
    for (const { inDoubt: _, ...change } of changes) {
      const before = await all.store.get([person, change.id]);
      if (!before && room-- <= 0) continue;
      await all.store.put({ person, id: change.id, turn: before?.turn ?? ++turn, change });
    }
    await all.done;
    await askForSync();
  } catch {
    // A device that keeps nothing, or knows no such thing: the page sends by itself when it can.
    return;
  }
}

/** Asks the browser to tell the worker when there is signal; pictures that wait on the device are sent then too. */
export async function askForSync(): Promise<void> {
  try {
    const registration = await navigator.serviceWorker?.getRegistration();
    await (registration as { sync?: { register(tag: string): Promise<void> } } | undefined)?.sync?.register(
      SYNC_TAG,
    );
  } catch {
    // A browser that knows no such thing, or lets none do it: the page sends by itself when it can.
    return;
  }
}

/** What was left for a person, in its order. */
export const leftFor = async (person: string): Promise<Left[]> =>
  (await (await store()).getAllFromIndex('changes', 'turn')).filter((l) => l.person === person);

/** Takes away what was answered; what was entered meanwhile stays for the next time. */
export async function takeAnswered(sent: readonly Left[], answered: ReadonlySet<string>): Promise<void> {
  const all = (await store()).transaction('changes', 'readwrite');
  for (const { person, id, change } of sent) {
    if (!answered.has(id)) continue;
    const now = await all.store.get([person, id]);
    if (JSON.stringify(now?.change) === JSON.stringify(change)) await all.store.delete([person, id]);
  }
  await all.done;
}
