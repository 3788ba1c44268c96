import { knownOf } from './known';

/**
 * An answer of lines of JSON, each sent as soon as it is there. Closing it stops the work.
 *
 * @param lines begins the work, which ends with the signal
 * @param broken what is told as `problem` where it fails on the way and nobody knows why
 */
export function linesOf<T>(
  asked: AbortSignal,
  lines: (signal: AbortSignal) => AsyncGenerator<T>,
  broken: string,
): Response {
  const stop = new AbortController();
  const signal = AbortSignal.any([asked, stop.signal]);
  const work = lines(signal);
  const encoder = new TextEncoder();
  const line = (value: unknown) => encoder.encode(`${JSON.stringify(value)}\n`);
  const body = new ReadableStream<Uint8Array>({
    async pull(controller) {
      try {
        const { value, done } = await work.next();
        if (done) controller.close();
        else controller.enqueue(line(value));
      } catch (error) {
        if (signal.aborted) return controller.close();
        const known = knownOf(error);
        if (!known) console.error(error);
        controller.enqueue(line({ problem: known?.problem ?? broken }));
        controller.close();
      }
    },
    cancel() {
      stop.abort();
      void work.return(undefined).catch(() => undefined);
    },
  });
  return new Response(body, {
    headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' },
  });
}
