import * as z from 'zod';
import type { Penetrometer, PenetrometerEvent } from './penetrometer';
import type { Wire } from './wire';

/** Longest that the cone may rest between two readings, ms. */
export const SILENCE_MS = 15_000;
/** A line longer than this is no line of the device's, characters. */
const LINE = 400;

const told = z.union([
  z.strictObject({ push: z.int() }),
  z.strictObject({ depth: z.number().min(0).max(1.5), pressure: z.number().min(0).max(2e7) }),
  z.strictObject({ stopped: z.number().min(0).max(1.5).nullable() }),
]);

const SILENT = 'The penetrometer does not answer; nothing was kept of this push. Try again.';
const UNREADABLE = 'The penetrometer sent what cannot be read; nothing was kept of this push. Push again.';
const GONE = 'The penetrometer was disconnected; nothing was kept of this push.';

/**
 * The driver of a device that is told `push NUMBER PLACE` and `stop NUMBER` and answers in lines of JSON: `{"push": number}` as it
 * begins, `{"depth": m, "pressure": Pa}` for each reading and `{"stopped": m or null}` at the end. What it still tells of a push
 * that was broken off comes before the next one begins, and is passed over. A penetrometer of another maker is another file
 * like this one.
 */
export function lineDriver(name: string, wire: Wire): Penetrometer {
  const lines = linesOf(wire.readable);
  let pushes = 0;
  return {
    name,
    async *push(place, signal): AsyncGenerator<PenetrometerEvent> {
      const own = ++pushes;
      await wire.write(`push ${own} ${place.replace(/\s+/g, ' ')}\n`);
      let state: 'waiting' | 'going' | 'over' = 'waiting';
      let depth = -1;
      try {
        while (state !== 'over') {
          const line = await within(lines.next(), signal);
          // Nobody wants it any more, or another push has begun.
          if (line === 'ended' || own !== pushes) return;
          lines.took();
          if (line === undefined) throw new Error(GONE);
          const read = told.safeParse(parsed(line));
          if (state === 'waiting') {
            if (read.success && 'push' in read.data && read.data.push === own) state = 'going';
          } else if (!read.success || 'push' in read.data) {
            throw new Error(UNREADABLE);
          } else if ('stopped' in read.data) {
            state = 'over';
            yield { kind: 'end', stopped: read.data.stopped ?? undefined };
          } else if (read.data.depth > depth) {
            depth = read.data.depth;
            yield { kind: 'reading', reading: read.data };
          }
        }
      } finally {
        if (state !== 'over') await wire.write(`stop ${own}\n`).catch(() => undefined);
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

/** An answer, unless nobody wants it any more. @throws Error where it does not come in time */
async function within<T>(answer: Promise<T>, signal: AbortSignal): Promise<T | 'ended'> {
  if (signal.aborted) return 'ended';
  return new Promise((give, refuse) => {
    const timer = setTimeout(() => refuse(new Error(SILENT)), SILENCE_MS);
    const ended = () => give('ended');
    signal.addEventListener('abort', ended);
    answer.then(give, refuse).finally(() => {
      clearTimeout(timer);
      signal.removeEventListener('abort', ended);
    });
  });
}

/** Lines from bytes that break anywhere; one that nobody took is still there for who asks next. */
function linesOf(readable: ReadableStream<Uint8Array>) {
  const reader = readable.getReader();
  const text = new TextDecoder();
  let rest = '';
  let asked: Promise<string | undefined> | undefined;
  async function line(): Promise<string | undefined> {
    for (;;) {
      const end = rest.indexOf('\n');
      if (end >= 0) {
        const whole = rest.slice(0, end).trim();
        rest = rest.slice(end + 1);
        if (whole) return whole;
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
    next: (): Promise<string | undefined> => (asked ??= line()),
    took: () => void (asked = undefined),
    async close() {
      await reader.cancel().catch(() => undefined);
      reader.releaseLock();
    },
  };
}
