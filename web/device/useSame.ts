import { useRef } from 'react';

/** The list of before where its members are the same. @param same when two members are; by identity if not said */
export function useSame<T>(list: readonly T[], same: (a: T, b: T) => boolean = Object.is): readonly T[] {
  const kept = useRef(list);
  if (list.length !== kept.current.length || !list.every((one, i) => same(one, kept.current[i]!)))
    kept.current = list;
  return kept.current;
}
