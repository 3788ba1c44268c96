import { alongOf } from './kept';
import { keepAgain } from './take';

/** How long nothing more is saved before the kept page is had anew, ms: it costs a weak connection as much as the tree. */
const PAUSE_MS = 5_000;
let waiting: ReturnType<typeof setTimeout> | undefined;
const trees = new Set<string>();

/** Something of a tree was saved: where its pages are kept on this device, they are had anew once entering rests. */
export function keepSoon(person: string, treeId: string): void {
  trees.add(treeId);
  clearTimeout(waiting);
  waiting = setTimeout(() => {
    const changed = [...trees].flatMap((id) => [`/trees/${id}`, `/trees/${id}/order`]);
    trees.clear();
    void alongOf(person).then((along) => (along.length > 0 ? keepAgain(person, changed) : undefined));
  }, PAUSE_MS);
}
