import { megabytes } from '../megabytes';

const HOUR = 3_600_000;
/** From here on a device's clock gives a visit another day than it was made on. */
const MOST_OFF = 2 * HOUR;
/** Room for the application and a property of some hundred trees with their pictures, bytes. Judgement. */
const ROOM_NEEDED = 40e6;

/** By how much a device's clock is ahead of the server's, ms; 0 where the server does not say. @param date header of its answer */
export function aheadOf(date: string | null, now = Date.now()): number {
  const there = date === null ? NaN : Date.parse(date);
  return Number.isNaN(there) ? 0 : now - there;
}

/** What is to be known of a device’s clock before one leaves; undefined where it is right enough. */
export function clockWords(ahead: number): string | undefined {
  const off = Math.abs(ahead);
  if (off < MOST_OFF) return undefined;
  const hours = Math.round(off / HOUR);
  const days = Math.round(hours / 24);
  const by = hours < 36 ? `${hours} hours` : `${days} days`;
  return `The clock of this device is ${by} ${ahead > 0 ? 'ahead' : 'behind'}: visits begun without signal will carry its date. Set it before you go.`;
}

/** What is to be known of the room that is left on a device; undefined where there is enough, or the browser does not say. */
export function roomWords({ usage, quota }: { usage?: number; quota?: number }): string | undefined {
  if (usage === undefined || quota === undefined) return undefined;
  const left = Math.max(0, quota - usage);
  return left >= ROOM_NEEDED
    ? undefined
    : `Storage is nearly full: ${megabytes(left)} are left for Undrel on this device. Free some before you take this along.`;
}
