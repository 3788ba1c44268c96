import type { Change, Item } from '../../../protocol/item';

function read<T>(store: () => Storage, name: string): T[] {
  try {
    const kept: unknown = JSON.parse(store().getItem(name) ?? '[]');
    return Array.isArray(kept) ? (kept as T[]) : [];
  } catch {
    return [];
  }
}

function write(store: () => Storage, name: string, entries: readonly unknown[]): void {
  try {
    if (entries.length === 0) store().removeItem(name);
    else store().setItem(name, JSON.stringify(entries));
  } catch {
    // A full or forbidden store: the changes stay in memory and are still sent.
  }
}

const pendingName = (treeId: string) => `undrel.pending.${treeId}`;
const savedName = (treeId: string) => `undrel.saved.${treeId}`;

/**
 * Changes not yet known to be saved, kept on this device until the server has them: a reload, a dead battery or a
 * server that is away loses nothing.
 */
export const keptChanges = (treeId: string) => read<Change>(() => localStorage, pendingName(treeId));

export const keepChanges = (treeId: string, changes: readonly Change[]) =>
  write(() => localStorage, pendingName(treeId), changes);

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
