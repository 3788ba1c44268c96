import type { Waiting } from './pending';

/** What waits on this device, and how it goes. */
export interface Outbox {
  trees: readonly Waiting[];
  /** Looks of walk-rounds. */
  looks: number;
  pictures: number;
  /** `unknown` until it was looked at. */
  state: 'unknown' | 'rest' | 'sending' | 'away' | 'signed out';
}

const NOTHING: Outbox = { trees: [], looks: 0, pictures: 0, state: 'unknown' };
let now: Outbox = NOTHING;
const listeners = new Set<() => void>();

export const tellOutbox = (next: Outbox): void => {
  if (JSON.stringify(next) === JSON.stringify(now)) return;
  now = next;
  for (const listener of listeners) listener();
};

export const outboxNow = (): Outbox => now;
export const NO_OUTBOX = NOTHING;
export function onOutbox(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}
