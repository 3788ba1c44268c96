/**
 * How a thread begins: it stands back first, so that reading its program, a second of the processor, holds up nobody who
 * waits for a page; and it is given work only once it has read it.
 */
import { workerData } from 'piscina';
import type * as Work from './work';
import { stepBack } from './stepBack';

const { back = 0, ready } = (workerData ?? {}) as {
  back?: number;
  ready?: 'readyForPages' | 'readyForPapers';
};
stepBack(back);
const work = (await import('./work')) as typeof Work;
// None is the first to be asked for a page or a document. A thread that does not get ready works all the same: what fails
// is told to whoever asks for it.
if (ready)
  Promise.resolve()
    .then(() => work[ready]())
    .catch((error: unknown) => console.error(error));

/** Does one kind of work by its name. */
export default <T extends keyof typeof Work>({
  task,
  given,
}: {
  task: T;
  given: Parameters<(typeof Work)[T]>[0];
}): unknown => (work[task] as (given: Parameters<(typeof Work)[T]>[0]) => unknown)(given);
