import { useLayoutEffect, useState, useSyncExternalStore } from 'react';

/**
 * A value that is told to those who ask for it. Unlike a context that changes it leaves alone what stands between: nothing there
 * is drawn anew, and a part of the page whose code is still coming keeps what the server sent of it.
 */
export interface Told<T> {
  /** As the server drew it: what comes alive later begins with the same. */
  first(): T;
  now(): T;
  heard(listener: () => void): () => void;
}

/** A value that is told, and the way to tell another. @param first until then */
export function telling<T>(first: T): Told<T> & { tell(next: T): void } {
  let value = first;
  const listeners = new Set<() => void>();
  return {
    first: () => first,
    now: () => value,
    heard: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    tell: (next) => {
      if (Object.is(next, value)) return;
      value = next;
      for (const listener of listeners) listener();
    },
  };
}

/** Tells a value, as it is at each drawing; the same object for as long as the component is there. */
export function useTelling<T>(value: T): Told<T> {
  const [told] = useState(() => telling(value));
  useLayoutEffect(() => told.tell(value), [told, value]);
  return told;
}

/** The value that is told by now. */
export const useTold = <T>({ heard, now, first }: Told<T>): T => useSyncExternalStore(heard, now, first);
