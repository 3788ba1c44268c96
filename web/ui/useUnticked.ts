import { useCallback, useState } from 'react';

/** Which of a list are unticked; everything is ticked at first. */
export function useUnticked(): [left: ReadonlySet<string>, toggle: (id: string) => void] {
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const toggle = useCallback(
    (id: string) =>
      setLeft((now) => {
        const next = new Set(now);
        if (!next.delete(id)) next.add(id);
        return next;
      }),
    [],
  );
  return [left, toggle];
}
