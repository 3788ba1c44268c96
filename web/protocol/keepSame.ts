const isPlain = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && Object.getPrototypeOf(value) === Object.prototype;

/** The list of before where it has the same members. */
const sameList = (was: unknown, now: readonly unknown[]): unknown =>
  Array.isArray(was) && was.length === now.length && was.every((one, i) => Object.is(one, now[i]))
    ? was
    : now;

/**
 * What holds lists of records, and what in it does: each list that has the same records is the same list as before, and
 * the whole is where all in it are. Records themselves stay the very objects that they are.
 */
export function keepLists<T extends object>(was: object | undefined, now: T): T {
  if (!was) return now;
  const before = was as Record<string, unknown>;
  const next = Object.fromEntries(
    Object.entries(now).map(([name, one]) => [
      name,
      Array.isArray(one)
        ? sameList(before[name], one)
        : isPlain(one) && isPlain(before[name])
          ? keepLists(before[name], one)
          : one,
    ]),
  );
  const names = Object.keys(next);
  const same =
    names.length === Object.keys(before).length &&
    names.every((name) => Object.hasOwn(before, name) && Object.is(next[name], before[name]));
  return (same ? before : next) as T;
}

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
