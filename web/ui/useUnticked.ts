import { useState } from 'react';

/** Which of a list are unticked; everything is ticked at first. */
export function useUnticked(): [left: ReadonlySet<string>, toggle: (id: string) => void] {
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const toggle = (id: string) => {
    const next = new Set(left);
    if (!next.delete(id)) next.add(id);
    setLeft(next);
  };
  return [left, toggle];
}
