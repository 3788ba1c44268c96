import type { Waiting } from './pending';
import { telling } from './told';

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

/** What waits, for whoever shows it. */
export const outboxTold = telling(NOTHING);

/** Tells what waits by now, where that is anything else. */
export function tellOutbox(next: Outbox): void {
  if (JSON.stringify(next) !== JSON.stringify(outboxTold.now())) outboxTold.tell(next);
}
