import { parentPort, type TransferListItem } from 'node:worker_threads';

/** What a thread is asked, and what it says; an answer names the question it is to. */
export interface Asked<Given> {
  id: number;
  given: Given;
}
export type Said<Answer> = { id: number; answer: Answer } | { id: number; problem: string };

/**
 * Answers questions in this thread, as they come.
 *
 * @param moved what of an answer is handed over in place of being copied
 */
export function answering<Given, Answer>(
  work: (given: Given) => Promise<Answer>,
  moved: (answer: Answer) => TransferListItem[] = () => [],
): void {
  const port = parentPort!;
  const say = (said: Said<Answer>, list?: TransferListItem[]) => port.postMessage(said, list);
  port.on('message', ({ id, given }: Asked<Given>) => {
    work(given).then(
      (answer) => say({ id, answer }, moved(answer)),
      (error: unknown) => say({ id, problem: error instanceof Error ? error.message : String(error) }),
    );
  });
}
