import type { Change } from '../protocol/item';
import { keepChanges, ownChanges, tabName } from './pending';
import { personOfCookie } from './person';

/**
 * Keeps a change that the server cannot be told of now; it is sent when there is signal, whichever page is open then.
 *
 * @returns false where this device does not know who is signed in, or keeps nothing
 */
export async function keepForLater(treeId: string, change: Change): Promise<boolean> {
  const person = personOfCookie();
  if (!person) return false;
  await tabName();
  const whose = { person, treeId };
  const others = ownChanges(whose).filter((c) => c.id !== change.id);
  // What the server never heard of and is taken back needs no word.
  return keepChanges(whose, change.base === 0 && change.values === null ? others : [...others, change]);
}
