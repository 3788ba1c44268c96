import type { Item } from '../../protocol/item';
import { rememberLater } from '../pending';
import { alongOf } from './kept';

/** How long nothing more is saved before the kept page is had anew, ms: it costs a weak connection as much as the tree. */
const PAUSE_MS = 5_000;
let waiting: ReturnType<typeof setTimeout> | undefined;
const trees = new Set<string>();

/** Pages that show what is entered at a tree. */
export const pagesWith = (treeId: string): string[] =>
  ['', '/order', '/pictures', '/crew', '/crew/trenches'].map((page) => `/trees/${treeId}${page}`);

/** Items were saved: a device that took something along remembers them for its kept pages, which are older. */
export async function rememberSavedHere(
  person: string,
  treeId: string,
  items: readonly Item[],
): Promise<boolean> {
  if ((await alongOf(person)).length === 0) return false;
  rememberLater({ person, treeId }, items);
  return true;
}

/** The same on the tree's own page, whose kept pages are had anew once entering rests. */
export async function keepSoon(person: string, treeId: string, items: readonly Item[]): Promise<void> {
  if (!(await rememberSavedHere(person, treeId, items))) return;
  trees.add(treeId);
  clearTimeout(waiting);
  waiting = setTimeout(() => {
    const changed = [...trees].flatMap(pagesWith);
    trees.clear();
    void import('./take').then(({ keepAgain }) => keepAgain(person, changed)).catch(() => undefined);
  }, PAUSE_MS);
}
