import { LRUCache } from 'lru-cache';

/**
 * Keeps what was worked out, by the text of all it follows from; the longest unused goes first.
 *
 * @param most how much is kept in all: as many results, or as much weight where `weigh` is given
 * @param weigh weight of a result; one that outweighs all is given and not kept
 */
export function keeping<T extends object>(
  most: number,
  weigh?: (result: T, key: string) => number,
): (from: unknown, make: () => T) => T {
  const kept = new LRUCache<string, T>(
    weigh
      ? { maxSize: most, sizeCalculation: (result, key) => Math.max(1, Math.ceil(weigh(result, key))) }
      : { max: most },
  );
  return (from, make) => {
    const key = JSON.stringify(from);
    const known = kept.get(key);
    if (known !== undefined) return known;
    const made = make();
    kept.set(key, made);
    return made;
  };
}
