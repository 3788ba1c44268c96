import type { Change, Item } from '../protocol/item';

/** What was sent for an item and not answered: the server takes no more of it. */
export const DOUBTS_KEPT = 20;

function read<T>(store: () => Storage, name: string): T[] {
  try {
    const kept: unknown = JSON.parse(store().getItem(name) ?? '[]');
    return Array.isArray(kept) ? (kept as T[]) : [];
  } catch {
    return [];
  }
}

/** Writes entries; false where the store is full or forbidden, and then nothing there has changed. */
function write(store: () => Storage, name: string, entries: readonly unknown[]): boolean {
  try {
    if (entries.length === 0) store().removeItem(name);
    else store().setItem(name, JSON.stringify(entries));
    return true;
  } catch {
    return false;
  }
}

const PENDING = 'undrel.pending';
const sinceName = (person: string, treeId: string) => `undrel.since.${person}.${treeId}`;
const savedName = (treeId: string) => `undrel.saved.${treeId}`;
/** Entries of one tab of one person: neither another tab nor whoever signs in next touches them. */
const nameOf = ({ person, treeId }: Whose, tab: string) => `${PENDING}.${person}.${treeId}.${tab}`;

/** Whose entries, and about which tree. */
export interface Whose {
  person: string;
  treeId: string;
}

/** A change that the server did not take as it is: it waits for somebody to settle it where it was made. */
export type KeptChange = Change & { unsettled?: true };

/** Trees whose entries the page of this tab sends by itself. */
const shown = new Set<string>();

/** Says that a page shows a tree and sends what is entered there. @returns ends it */
export function show(treeId: string): () => void {
  shown.add(treeId);
  return () => shown.delete(treeId);
}

/** Runs work that no other tab does at the same time; at once where the browser has no locks. */
export const alone = <T>(name: string, work: () => Promise<T>): Promise<T> =>
  typeof navigator !== 'undefined' && navigator.locks
    ? (navigator.locks.request(name, work) as Promise<T>)
    : work();

/** This tab by name, the same after a reload; a tab that is duplicated gets another. */
let ownTab: string | undefined;

/**
 * Names this tab and holds the name for as long as it is open, so that other tabs see which entries are left behind.
 * Where the browser has no locks every entry counts as left behind.
 */
export async function tabName(): Promise<string> {
  if (ownTab !== undefined) return ownTab;
  const fresh = () => Math.random().toString(36).slice(2, 12);
  const [kept] = read<string>(() => sessionStorage, 'undrel.tab');
  let name = kept ?? fresh();
  if ((await openTabs()).has(name)) name = fresh();
  write(() => sessionStorage, 'undrel.tab', [name]);
  if (typeof navigator !== 'undefined' && navigator.locks)
    void navigator.locks.request(lockOf(name), () => new Promise(() => undefined));
  return (ownTab = name);
}

const lockOf = (tab: string) => `undrel.tab.${tab}`;

async function openTabs(): Promise<ReadonlySet<string>> {
  if (typeof navigator === 'undefined' || !navigator.locks) return new Set();
  const { held = [] } = await navigator.locks.query();
  return new Set(held.flatMap(({ name }) => (name?.startsWith('undrel.tab.') ? [name.slice(11)] : [])));
}

/**
 * Changes not yet known to be saved, kept on this device until the server has them: a reload, a dead battery or a
 * server that is away loses nothing. Those of tabs that are no longer open are taken over; the newest of an item stands.
 */
export const keptChanges = (whose: Whose): Promise<Change[]> => alone(SENDING_LEFT, () => takenOver(whose));

/** Held by whoever takes over or sends what was left behind. */
export const SENDING_LEFT = 'undrel.left';

async function takenOver(whose: Whose): Promise<Change[]> {
  const tab = await tabName();
  const open = await openTabs();
  const begin = nameOf(whose, '');
  const left = namesIn(() => localStorage).filter(
    (name) => name.startsWith(begin) && name !== nameOf(whose, tab) && !open.has(name.slice(begin.length)),
  );
  const byItem = new Map<string, Change>();
  for (const name of [...left, nameOf(whose, tab)])
    for (const change of read<Change>(() => localStorage, name)) byItem.set(change.id, change);
  const all = [...byItem.values()];
  // Only once they are this tab's own are the others' taken away.
  if (left.length > 0 && write(() => localStorage, nameOf(whose, tab), all))
    for (const name of left) write(() => localStorage, name, []);
  return all;
}

function namesIn(store: () => Storage): string[] {
  try {
    return Object.keys(store());
  } catch {
    return [];
  }
}

/** What of a tree waits on this device, in whichever tab it was entered. */
export interface Waiting {
  treeId: string;
  changes: KeptChange[];
  /** Since when, epoch milliseconds, where that is known. */
  since?: number;
  /** Names of its entries that nobody sends by themselves: of tabs that are gone, or of pages that were left. */
  left: string[];
}

/** Everything of a person that waits on this device, tree by tree. */
export async function waitingOf(person: string): Promise<Waiting[]> {
  const tab = await tabName();
  const open = await openTabs();
  const begin = `${PENDING}.${person}.`;
  const trees = new Map<string, Waiting>();
  for (const name of namesIn(() => localStorage).filter((n) => n.startsWith(begin))) {
    const at = name.lastIndexOf('.');
    const [treeId, of] = [name.slice(begin.length, at), name.slice(at + 1)];
    const since = Number(read<number>(() => localStorage, sinceName(person, treeId))[0]);
    const waiting = trees.get(treeId) ?? { treeId, changes: [], ...(since > 0 && { since }), left: [] };
    waiting.changes.push(...read<KeptChange>(() => localStorage, name));
    if (of === tab ? !shown.has(treeId) : !open.has(of)) waiting.left.push(name);
    trees.set(treeId, waiting);
  }
  return [...trees.values()].filter((w) => w.changes.length > 0);
}

export const readLeft = (name: string): KeptChange[] => read<KeptChange>(() => localStorage, name);
export const writeLeft = (name: string, changes: readonly KeptChange[]): boolean =>
  write(() => localStorage, name, changes);
/** Nothing of a tree waits any more. */
export const noneSince = (person: string, treeId: string): boolean =>
  write(() => localStorage, sinceName(person, treeId), []);

/** What of a tree this tab keeps. */
export const ownChanges = (whose: Whose): Change[] =>
  ownTab === undefined ? [] : read<Change>(() => localStorage, nameOf(whose, ownTab));

/** Keeps changes of this tab; false where the device does not take them: they are in this page alone. */
export function keepChanges(whose: Whose, changes: readonly Change[]): boolean {
  const since = sinceName(whose.person, whose.treeId);
  if (changes.length === 0) write(() => localStorage, since, []);
  else if (read(() => localStorage, since).length === 0) write(() => localStorage, since, [Date.now()]);
  return ownTab !== undefined && write(() => localStorage, nameOf(whose, ownTab), changes);
}

const LATER = 'undrel.later.';
const laterName = (person: string, treeId: string) => `${LATER}${person}.${treeId}`;

/** Takes off the device what was remembered for pages that were kept on it, but for those of a person. */
export function forgetLater(but: string | undefined): void {
  for (const name of namesIn(() => localStorage))
    if (name.startsWith(LATER) && (but === undefined || !name.startsWith(`${LATER}${but}.`)))
      write(() => localStorage, name, []);
}
interface Later {
  at: number;
  item: Item;
}

/**
 * Items that were saved after a page was kept on this device: it shows what was before. Without such a page there are none.
 *
 * @param since when the page was kept, epoch milliseconds; undefined where it came from the server and knows all of them
 */
export function savedLater({ person, treeId }: Whose, since: number | undefined): Item[] {
  const name = laterName(person, treeId);
  if (since === undefined) {
    write(() => localStorage, name, []);
    return [];
  }
  return read<Later>(() => localStorage, name)
    .filter(({ at }) => at >= since)
    .map(({ item }) => item);
}

/** Remembers items that were saved, for a page that is kept on this device and is older. */
export function rememberLater({ person, treeId }: Whose, items: readonly Item[], now = Date.now()): void {
  if (items.length === 0) return;
  const name = laterName(person, treeId);
  const known = new Map(read<Later>(() => localStorage, name).map((l) => [l.item.id, l]));
  for (const item of items) known.set(item.id, { at: now, item });
  write(() => localStorage, name, [...known.values()]);
}

/**
 * Items as this tab last saved them: a page that was made before the save (an answer that crossed a reload, the
 * browser's Back) is older than they are.
 */
export const savedItems = (treeId: string) => read<Item>(() => sessionStorage, savedName(treeId));

export function rememberSaved(treeId: string, items: readonly Item[]): void {
  const known = new Map(savedItems(treeId).map((item) => [item.id, item]));
  for (const item of items) known.set(item.id, item);
  write(() => sessionStorage, savedName(treeId), [...known.values()]);
}
