import type { Fix } from '@undrel/core/geometry';
import { FIX_WITHIN } from '@undrel/core/records';
import { longMark } from '@undrel/core/units';

/** Good enough to stop waiting for better, m. */
const GOOD = 4;
/** How long a better one is waited for, and the first one at most, ms. */
const SETTLES = 10_000;
const FIRST = 30_000;

const PROBLEMS: Record<number, string> = {
  1: 'The position of this phone is not allowed for this page: allow it in the browser’s settings for this site.',
  2: 'This device does not know its position.',
  3: 'No position within 30 s: step into the open and try again.',
};

/**
 * This device's position, the best of some seconds. The Geolocation API (W3C) gives its accuracy as the radius of 95 in 100.
 *
 * @param onBetter the best so far, m
 * @throws Error in words, lengths marked for `writeLengths`
 */
export function readPosition(onBetter: (accuracy: number) => void, signal: AbortSignal): Promise<Fix> {
  const { geolocation } = navigator;
  if (!geolocation) return Promise.reject(new Error(PROBLEMS[2]));
  return new Promise<Fix>((give, refuse) => {
    let best: Fix | undefined;
    let settles: ReturnType<typeof setTimeout> | undefined;
    const leave = () => {
      geolocation.clearWatch(watch);
      clearTimeout(settles);
      clearTimeout(first);
      signal.removeEventListener('abort', stopped);
    };
    const done = () => {
      leave();
      if (!best) return refuse(new Error(PROBLEMS[3]));
      if (best.accuracy > FIX_WITHIN)
        return refuse(
          new Error(
            `This device knows its position to ${longMark(best.accuracy)} only; ${longMark(FIX_WITHIN)} or better places a tree. Wait in the open and try again.`,
          ),
        );
      give(best);
    };
    const stopped = () => {
      leave();
      refuse(new Error('Stopped.'));
    };
    const watch = geolocation.watchPosition(
      ({ coords: { latitude, longitude, accuracy } }) => {
        if (best && best.accuracy <= accuracy) return;
        best = { latitude, longitude, accuracy: Math.round(accuracy * 10) / 10 };
        onBetter(best.accuracy);
        if (accuracy <= GOOD) return done();
        settles ??= setTimeout(done, SETTLES);
      },
      ({ code }) => {
        // What was heard before stands, unless it is no longer allowed.
        if (best && code !== 1) return;
        leave();
        refuse(new Error(PROBLEMS[code] ?? PROBLEMS[2]));
      },
      { enableHighAccuracy: true, maximumAge: 0, timeout: FIRST },
    );
    const first = setTimeout(done, FIRST);
    signal.addEventListener('abort', stopped);
  });
}
