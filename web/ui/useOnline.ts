import { useSyncExternalStore } from 'react';

function onChange(tell: () => void): () => void {
  window.addEventListener('online', tell);
  window.addEventListener('offline', tell);
  return () => {
    window.removeEventListener('online', tell);
    window.removeEventListener('offline', tell);
  };
}

/** Whether the device has a network, as far as its browser knows. */
export const useOnline = (): boolean =>
  useSyncExternalStore(
    onChange,
    () => navigator.onLine,
    () => true,
  );
