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

/**
 * The same for what takes time. What is being made is waited for in place of being made again; where making it fails,
 * those who waited make it themselves, and nothing is kept.
 *
 * @param weigh weight of a result
 */
export function keepingMade<T extends object>(
  most: number,
  weigh: (result: T) => number,
): (key: string, make: () => Promise<T>) => Promise<T> {
  const kept = new LRUCache<string, T>({
    maxSize: most,
    sizeCalculation: (result) => Math.max(1, Math.ceil(weigh(result))),
  });
  const underway = new Map<string, Promise<T>>();
  return async (key, make) => {
    for (let other = underway.get(key); other; other = underway.get(key)) {
      try {
        return await other;
      } catch {
        if (underway.get(key) === other) underway.delete(key);
      }
    }
    const known = kept.get(key);
    if (known !== undefined) return known;
    const making = make();
    underway.set(key, making);
    try {
      const made = await making;
      kept.set(key, made);
      return made;
    } finally {
      if (underway.get(key) === making) underway.delete(key);
    }
  };
}
