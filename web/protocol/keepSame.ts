const isPlain = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && Object.getPrototypeOf(value) === Object.prototype;

/**
 * What is now, made of what was wherever both say the same: a part that did not change is the same object as before, so
 * that whoever works from that part alone need not begin anew. For plain values, lists and objects, without rings.
 */
export function keepSame<T>(was: unknown, now: T): T {
  if (Object.is(was, now)) return now;
  if (Array.isArray(was) && Array.isArray(now)) {
    const next = now.map((one, i) => keepSame(was[i], one));
    return (was.length === next.length && next.every((one, i) => Object.is(one, was[i])) ? was : next) as T;
  }
  if (isPlain(was) && isPlain(now)) {
    const next = Object.fromEntries(
      Object.entries(now).map(([name, one]) => [name, keepSame(was[name], one)]),
    );
    const names = Object.keys(next);
    const same =
      names.length === Object.keys(was).length &&
      names.every((name) => Object.hasOwn(was, name) && Object.is(next[name], was[name]));
    return (same ? was : next) as T;
  }
  return now;
}
