import type { Change } from '../../../protocol/item';

/**
 * Changes not yet known to be saved, kept on this device until the server has them: a reload, a dead battery or a
 * server that is away loses nothing.
 */
const nameOf = (treeId: string) => `undrel.pending.${treeId}`;

export function keptChanges(treeId: string): Change[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(nameOf(treeId)) ?? '[]');
    return Array.isArray(kept) ? (kept as Change[]) : [];
  } catch {
    return [];
  }
}

export function keepChanges(treeId: string, changes: readonly Change[]): void {
  try {
    if (changes.length === 0) localStorage.removeItem(nameOf(treeId));
    else localStorage.setItem(nameOf(treeId), JSON.stringify(changes));
  } catch {
    // A full or forbidden store: the changes stay in memory and are still sent.
  }
}
