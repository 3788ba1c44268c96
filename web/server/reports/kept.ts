/** How many results are kept of each computation. */
const MOST_KEPT = 30;

/** Keeps the last results of a computation by what they follow from: a preview opened again is not worked out anew. */
export function keeping<T>(): (from: unknown, make: () => T) => T {
  const kept = new Map<string, T>();
  return (from, make) => {
    const key = JSON.stringify(from);
    const known = kept.get(key);
    if (known !== undefined) return known;
    if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
    const made = make();
    kept.set(key, made);
    return made;
  };
}
