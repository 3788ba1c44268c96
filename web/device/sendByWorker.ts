import { leftFor, takeAnswered } from './leftToWorker';
import { batchOf, send } from './sending';

/**
 * Sends what was left for a person, in its order, and takes away what was answered, whatever the answer: its page asks again
 * and shows it.
 *
 * @returns false where the server was not reached, and it is to be tried again
 */
export async function sendByWorker(person: string): Promise<boolean> {
  for (;;) {
    const left = await leftFor(person);
    const batch = batchOf(left.map((l) => l.change));
    if (batch.length === 0) return true;
    const results = await send(batch, person, false);
    if (results === 'away') return false;
    if (results === 'signed out') return true;
    // An answer that names nothing would be asked for without end.
    if (results.length === 0) return true;
    await takeAnswered(left, new Set(results.map((r) => r.id)));
  }
}
