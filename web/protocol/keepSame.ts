const isPlain = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && Object.getPrototypeOf(value) === Object.prototype;

type Make = (was: unknown, now: unknown) => unknown;

/** What is now, each by itself: records stay the very objects that they are. */
const itself: Make = (_, now) => now;

/** The list that is now with each member made by `make` of what it was; the list of before where all of them are its own. */
function listOf(was: readonly unknown[], now: readonly unknown[], make: Make): readonly unknown[] {
  let same = was.length === now.length;
  let made: unknown[] | undefined;
  for (let i = 0; i < now.length; i++) {
    const one = make(was[i], now[i]);
    same &&= Object.is(one, was[i]);
    if (!Object.is(one, now[i])) (made ??= [...now])[i] = one;
  }
  return same ? was : (made ?? now);
}

/** What is now with each member made by `make` of what it was; the object of before where all of them are its own. */
function membersOf(was: Record<string, unknown>, now: Record<string, unknown>, make: Make): object {
  const names = Object.keys(now);
  let same = names.length === Object.keys(was).length;
  // A drawing has thousands of numbers, nearly all as before: nothing new is made before it must be.
  let made: Map<string, unknown> | undefined;
  for (const name of names) {
    const one = make(was[name], now[name]);
    same &&= Object.is(one, was[name]) && Object.hasOwn(was, name);
    if (!Object.is(one, now[name])) (made ??= new Map(Object.entries(now))).set(name, one);
  }
  return same ? was : made ? Object.fromEntries(made) : now;
}

/**
 * What holds lists of records, and what in it does: each list that has the same records is the same list as before, and
 * the whole is where all in it are. Records themselves stay the very objects that they are.
 */
export function keepLists<T extends object>(was: object | undefined, now: T): T {
  if (!was) return now;
  return membersOf(was as Record<string, unknown>, now as Record<string, unknown>, (before, one) =>
    Array.isArray(before) && Array.isArray(one)
      ? listOf(before, one, itself)
      : isPlain(before) && isPlain(one)
        ? keepLists(before, one)
        : one,
  ) as T;
}

/**
 * What is now, made of what was wherever both say the same: a part that did not change is the same object as before, so
 * that whoever works from that part alone need not begin anew. For plain values, lists and objects, without rings.
 */
export function keepSame<T>(was: unknown, now: T): T {
  if (typeof now !== 'object' || Object.is(was, now)) return now;
  if (Array.isArray(was) && Array.isArray(now)) return listOf(was, now, keepSame) as T;
  if (isPlain(was) && isPlain(now)) return membersOf(was, now, keepSame) as T;
  return now;
}
