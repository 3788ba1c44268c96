import { useEffect } from 'react';

/** Keeps the screen on while something is open on it, where the browser can: hands in the soil do not wake a phone. */
export function useAwake(): void {
  useEffect(() => {
    let held: WakeLockSentinel | undefined;
    let here = true;
    // The browser lets go whenever the page is hidden; it is asked again when it is seen.
    const hold = () => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
      void navigator.wakeLock
        .request('screen')
        .then((lock) => (here ? void (held = lock) : void lock.release()))
        .catch(() => undefined);
    };
    hold();
    document.addEventListener('visibilitychange', hold);
    return () => {
      here = false;
      document.removeEventListener('visibilitychange', hold);
      void held?.release().catch(() => undefined);
    };
  }, []);
}
