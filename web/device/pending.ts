import type { Change, Item } from '../protocol/item';

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
const savedName = (treeId: string) => `undrel.saved.${treeId}`;
/** Entries of one tab of one person: neither another tab nor whoever signs in next touches them. */
const nameOf = ({ person, treeId }: Whose, tab: string) => `${PENDING}.${person}.${treeId}.${tab}`;

/** Whose entries, and about which tree. */
export interface Whose {
  person: string;
  treeId: string;
}

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
export async function keptChanges(whose: Whose): Promise<Change[]> {
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

/** Keeps changes of this tab; false where the device does not take them: they are in this page alone. */
export const keepChanges = (whose: Whose, changes: readonly Change[]): boolean =>
  ownTab !== undefined && write(() => localStorage, nameOf(whose, ownTab), changes);

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
