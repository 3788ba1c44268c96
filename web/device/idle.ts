/** A page that never comes to rest is not waited for longer, ms. */
const BUSY = 1000;

/** Comes back when the page has nothing to do; where the browser does not say so, a little later. */
export const idle = (): Promise<void> =>
  new Promise((done) =>
    'requestIdleCallback' in window
      ? requestIdleCallback(() => done(), { timeout: BUSY })
      : setTimeout(done, BUSY / 5),
  );

let before: Promise<unknown> = Promise.resolve();

/**
 * Begins to fetch, when the page has nothing to do and after whatever was to be begun before: what is pressed meanwhile
 * waits for one beginning at most. What cannot be had is asked for again by whoever needs it.
 */
export function beginInTurn(load: () => Promise<unknown>): void {
  before = before.then(idle).then(() => void load().catch(() => undefined));
}
