import type { Change, ChangeResult, Item } from '../protocol/item';
import { PERSON_HEADER } from '../protocol/person';

/** Changes and characters of one batch; the rest follows in the next. */
const MOST = { changes: 200, characters: 1_000_000 };

/** The first changes of a list that make a batch: at least one. */
export function batchOf(changes: readonly Change[], most = MOST.changes): Change[] {
  const batch: Change[] = [];
  let characters = 0;
  for (const change of changes) {
    characters += JSON.stringify(change).length;
    if (batch.length > 0 && (batch.length >= most || characters > MOST.characters)) break;
    batch.push(change);
  }
  return batch;
}

/** What leaves changes to the service worker; undefined where it cannot be had. */
export const leftToWorker = () => import('./leftToWorker').catch(() => undefined);

export type Sent = ChangeResult[] | 'away' | 'signed out';

/**
 * Sends a batch and gives what came of each change. A batch that the server will not take as a whole is sent again in
 * halves, so that a change that cannot be is refused alone and holds nothing else up.
 *
 * @param person who made the changes; the server takes them from nobody else
 * @param leaves whether what does not arrive is left to the service worker too
 */
export async function send(changes: readonly Change[], person: string, leaves = true): Promise<Sent> {
  let answer: Response;
  try {
    answer = await fetch('/api/changes', {
      method: 'POST',
      headers: { 'content-type': 'application/json', [PERSON_HEADER]: person },
      body: JSON.stringify({ changes }),
    });
    if (answer.ok) return ((await answer.json()) as { results: ChangeResult[] }).results;
  } catch {
    if (leaves) void leftToWorker().then((worker) => worker?.leave(changes, person));
    return 'away';
  }
  if (answer.status === 401) return 'signed out';
  if (![400, 413, 422].includes(answer.status)) return 'away';
  if (changes.length === 1) {
    const told = (await answer.json().catch(() => ({}))) as { problem?: string };
    return [{ id: changes[0]!.id, status: 'refused', problem: told.problem ?? `refused (${answer.status})` }];
  }
  const middle = Math.ceil(changes.length / 2);
  const first = await send(changes.slice(0, middle), person, leaves);
  if (typeof first === 'string') return first;
  const second = await send(changes.slice(middle), person, leaves);
  // What is saved is saved: the second half is sent again with the next batch.
  return typeof second === 'string' ? first : [...first, ...second];
}

/** Items as they stand once changes were saved. */
export const savedOf = (sent: readonly Change[], results: readonly ChangeResult[]): Item[] =>
  results.flatMap((result, i) => {
    const { kind, id, parent, values } = sent[i]!;
    return result.status === 'saved' ? [{ kind, id, parent, values, version: result.version } as Item] : [];
  });
