/** What a piece of work has had so far, s: of the clock, and of the processors as far as this process was given any. */
export interface Had {
  clock: number;
  processor: number;
}

/** On a machine that is busy with other things, work may take this many times its seconds by the clock. */
const PATIENCE = 6;

/**
 * Whether work has had its seconds. Where other programs hold the processors, little is done in a second: work is late
 * only when it has had its seconds of them too, or when it has waited far too long for them.
 */
export const isLate = ({ clock, processor }: Had, seconds: number): boolean =>
  clock >= seconds && (processor >= seconds || clock >= PATIENCE * seconds);

const CHECK_MS = 100;

/** A signal that ends work which is late; `done` ends the watching. */
export function lateSignal(seconds: number): { signal: AbortSignal; done: () => void } {
  const late = new AbortController();
  const began = performance.now();
  const before = process.cpuUsage();
  const timer = setInterval(() => {
    const { user, system } = process.cpuUsage(before);
    const had = { clock: (performance.now() - began) / 1000, processor: (user + system) / 1e6 };
    if (isLate(had, seconds)) late.abort();
  }, CHECK_MS);
  return { signal: late.signal, done: () => clearInterval(timer) };
}
