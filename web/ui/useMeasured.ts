'use client';

import { useEffect, useRef, useState } from 'react';

/** Size of an element in CSS pixels, followed as it changes; `first` until it is known. */
export function useMeasured<T extends HTMLElement>(first: { width: number; height: number }) {
  const ref = useRef<T>(null);
  const [size, setSize] = useState(first);
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    const watch = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      if (width > 0 && height > 0) setSize({ width: Math.round(width), height: Math.round(height) });
    });
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  return [ref, size] as const;
}
