'use client';

import { useState, type RefCallback } from 'react';

/** For the element that is measured, whenever it comes; and that element while it is there. */
export type MeasuredRef<T extends HTMLElement> = RefCallback<T> & { current: T | null };

/**
 * Size of an element in CSS pixels, followed as it changes; `first` until it is known, which the third tells. What is
 * large to draw is drawn once it is known: at another size it is work that nobody sees, on the server and on the device.
 */
export function useMeasured<T extends HTMLElement>(first: { width: number; height: number }) {
  const [size, setSize] = useState(first);
  const [known, setKnown] = useState(false);
  const [ref] = useState((): MeasuredRef<T> => {
    const measure = (element: T | null) => {
      made.current = element;
      if (!element) return;
      const watch = new ResizeObserver(([entry]) => {
        const { width, height } = entry!.contentRect;
        if (width <= 0 || height <= 0) return;
        setSize({ width: Math.round(width), height: Math.round(height) });
        setKnown(true);
      });
      watch.observe(element);
      return () => {
        watch.disconnect();
        made.current = null;
      };
    };
    const made: MeasuredRef<T> = Object.assign(measure, { current: null });
    return made;
  });
  return [ref, size, known] as const;
}
