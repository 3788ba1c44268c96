import { watchHand } from './hand';

/** A page that never comes to rest is not waited for longer, ms. */
const BUSY = 1000;

/** Comes back when the page has nothing to do; where the browser does not say so, a little later. */
export const idle = (): Promise<void> =>
  new Promise((done) =>
    'requestIdleCallback' in window
      ? requestIdleCallback(() => done(), { timeout: BUSY })
      : setTimeout(done, BUSY / 5),
  );

const hand = typeof document === 'undefined' ? undefined : watchHand(document);

/** A hand is waited for no longer than this, ms: the signal may go. Judgement. */
const LATEST_MS = 10_000;

/** Comes back when no hand is at the page and it has nothing to do. @param latest as of `watchHand` */
const restful = async (latest: number): Promise<void> => {
  await hand?.atRest(latest);
  await idle();
};

/** Comes back when the page is at rest, at the latest after ten seconds: what takes long and nobody asked for holds up no press. */
export const atRest = (): Promise<void> => restful(performance.now() + LATEST_MS);

let before: Promise<unknown> = Promise.resolve();

/** One beginning may take a slow phone 100 ms: so long it is left alone before the next, ms. Judgement. */
const BETWEEN_MS = 250;

/**
 * Begins to fetch, when the page has nothing to do, no hand is at it, and a while after whatever was to be begun before: what
 * is pressed meanwhile waits for one beginning at most, and mostly for none. What cannot be had is asked for again by whoever
 * needs it.
 */
export function beginInTurn(load: () => Promise<unknown>): void {
  const latest = performance.now() + LATEST_MS;
  before = before
    .then(() => restful(latest))
    .then(() => void load().catch(() => undefined))
    .then(() => new Promise((go) => setTimeout(go, BETWEEN_MS)));
}
