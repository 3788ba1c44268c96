import * as z from 'zod';
import type { Penetrometer, PenetrometerEvent } from './penetrometer';
import type { Wire } from './wire';

/** Longest that the cone may rest between two readings, ms. */
export const SILENCE_MS = 15_000;
/** A line longer than this is no line of the device's, characters. */
const LINE = 400;

const told = z.union([
  z.strictObject({ depth: z.number().min(0).max(1.5), pressure: z.number().min(0).max(2e7) }),
  z.strictObject({ stopped: z.number().min(0).max(1.5).nullable() }),
]);

/**
 * The driver of a device that is told `push PLACE` and `stop` and answers in lines of JSON: `{"depth": m, "pressure": Pa}`
 * for each reading and `{"stopped": m or null}` at the end. A penetrometer of another maker is another file like this one.
 */
export function lineDriver(name: string, wire: Wire): Penetrometer {
  const lines = linesOf(wire.readable);
  return {
    name,
    async *push(place): AsyncGenerator<PenetrometerEvent> {
      await wire.write(`push ${place.replace(/\s+/g, ' ')}\n`);
      let ended = false;
      try {
        let depth = -1;
        while (!ended) {
          const line = await within(lines.next());
          const read = line === undefined ? undefined : told.safeParse(parsed(line));
          if (!read?.success)
            throw new Error(
              line === undefined
                ? 'The penetrometer was disconnected; nothing was kept of this push.'
                : 'The penetrometer sent what cannot be read; nothing was kept of this push. Push again.',
            );
          if ('stopped' in read.data) {
            ended = true;
            yield { kind: 'end', stopped: read.data.stopped ?? undefined };
          } else if (read.data.depth > depth) {
            depth = read.data.depth;
            yield { kind: 'reading', reading: read.data };
          }
        }
      } finally {
        if (!ended) {
          await wire.write('stop\n').catch(() => undefined);
          await lines.until('"stopped"');
        }
      }
    },
    async close() {
      await lines.close();
      await wire.close();
    },
  };
}

function parsed(line: string): unknown {
  try {
    return JSON.parse(line);
  } catch {
    return undefined;
  }
}

async function within<T>(answer: Promise<T>, ms = SILENCE_MS): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const silence = new Promise<never>((_, refuse) => {
    timer = setTimeout(
      () => refuse(new Error('The penetrometer does not answer; nothing was kept of this push. Try again.')),
      ms,
    );
  });
  return Promise.race([answer, silence]).finally(() => clearTimeout(timer));
}

/** Lines from bytes that break anywhere. */
function linesOf(readable: ReadableStream<Uint8Array>) {
  const reader = readable.getReader();
  const text = new TextDecoder();
  let rest = '';
  async function next(): Promise<string | undefined> {
    for (;;) {
      const end = rest.indexOf('\n');
      if (end >= 0) {
        const line = rest.slice(0, end).trim();
        rest = rest.slice(end + 1);
        if (line) return line;
      } else if (rest.length > LINE) {
        rest = '';
        return '';
      } else {
        const { value, done } = await reader.read();
        if (done) return undefined;
        rest += text.decode(value, { stream: true });
      }
    }
  }
  return {
    next,
    /** What still comes of a push that was broken off, so that the next one begins clean. */
    async until(mark: string, ms = 1000): Promise<void> {
      const read = async () => {
        for (let line = await next(); line !== undefined && !line.includes(mark);) line = await next();
      };
      await within(read(), ms).catch(() => undefined);
    },
    async close() {
      await reader.cancel().catch(() => undefined);
      reader.releaseLock();
    },
  };
}
