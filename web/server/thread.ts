import { Worker } from 'node:worker_threads';
import type { Said } from '../thread/answering';
import { projectFile } from './projectFile';

interface Waiting<Answer> {
  done: (answer: Answer) => void;
  failed: (error: Error) => void;
}

const stopped = () => new Error('Stopped before it was done.');

/**
 * Work that is done in a thread of its own, so that other requests go on. The thread is made when it is first needed,
 * kept for the next piece of work, and does not keep the server from ending.
 *
 * @param file of `web/dist`, built from `web/thread`
 * @returns asks the thread. Its signal gives up waiting; the thread itself is ended once nobody waits for it, since it
 *   does not give way before it is done.
 */
export function threadOf<Given, Answer>(
  file: string,
): (given: Given, signal?: AbortSignal) => Promise<Answer> {
  let thread: Worker | undefined;
  let newest = 0;
  const waiting = new Map<number, Waiting<Answer>>();
  const running = (): Worker => {
    if (thread) return thread;
    const made = new Worker(projectFile('web', 'dist', file));
    made.on('message', (said: Said<Answer>) => {
      const asked = waiting.get(said.id);
      waiting.delete(said.id);
      if ('answer' in said) asked?.done(said.answer);
      else asked?.failed(new Error(said.problem));
    });
    made.on('error', (error) => {
      if (thread !== made) return;
      thread = undefined;
      const reason = error instanceof Error ? error : new Error(String(error));
      for (const { failed } of waiting.values()) failed(reason);
      waiting.clear();
    });
    made.unref();
    return (thread = made);
  };
  return (given, signal) =>
    new Promise<Answer>((done, failed) => {
      if (signal?.aborted) return failed(stopped());
      const id = ++newest;
      const stop = () => {
        if (!waiting.delete(id)) return;
        failed(stopped());
        if (waiting.size > 0) return;
        void thread?.terminate();
        thread = undefined;
      };
      const ended = () => signal?.removeEventListener('abort', stop);
      signal?.addEventListener('abort', stop);
      waiting.set(id, {
        done: (answer) => {
          ended();
          done(answer);
        },
        failed: (error) => {
          ended();
          failed(error);
        },
      });
      running().postMessage({ id, given });
    });
}
