import { keepSame } from '../protocol/keepSame';

type Fields = Readonly<Record<string, unknown>>;

const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** By what the members of a list are told apart, where each of them is a record. */
const TOLD_BY = ['id', 'label', 'distance', 'bearing', 'year', 'part'];

const alike = (a: unknown, b: unknown): boolean => keepSame(a, b) === a;

/** Whether places along a line follow one another; names that are words have no order. */
const inOrder = (names: readonly unknown[]): boolean =>
  names.every((name, i) => typeof name !== 'number' || i === 0 || name > (names[i - 1] as number));

/**
 * Members of lists by what tells all of them apart; undefined where nothing does, and where numbers stand in an order of their
 * own, as along a root that turns back.
 */
function byName(lists: readonly (readonly unknown[])[]): Map<unknown, Fields>[] | undefined {
  if (!lists.every((list) => list.every(isFields))) return undefined;
  for (const name of TOLD_BY) {
    const named = lists.map((list) => new Map((list as readonly Fields[]).map((one) => [one[name], one])));
    const apart = (map: Map<unknown, Fields>, i: number) =>
      map.size === lists[i]!.length && !map.has(undefined) && inOrder([...map.keys()]);
    if (named.every(apart)) return named;
  }
  return undefined;
}

/** The same for lists: each member by itself, where they can be told apart; by number where they are, else new ones last. */
function listsLaidOver(was: unknown, mine: readonly unknown[], now: readonly unknown[]): unknown {
  const named = byName([Array.isArray(was) ? was : [], mine, now]);
  if (!named) return mine;
  const [before, own, there] = named as [Map<unknown, Fields>, Map<unknown, Fields>, Map<unknown, Fields>];
  const names = [...new Set([...there.keys(), ...own.keys()])];
  if (names.every((name) => typeof name === 'number')) names.sort((a, b) => a - b);
  return names.flatMap((name) => {
    const one = laidOver(before.get(name), own.get(name), there.get(name));
    return one === undefined ? [] : [one];
  });
}

/**
 * What was entered while an older state was shown, laid over what that has become by now: whatever of it was changed is as it
 * was entered, the rest as it is now. Where both changed the same, what was entered stands. For plain values, lists and objects.
 *
 * @param was what was shown
 * @param mine what was made of it
 * @param now what it has become
 */
export function laidOver(was: unknown, mine: unknown, now: unknown): unknown {
  if (alike(was, mine)) return now;
  if (alike(was, now)) return mine;
  if (Array.isArray(mine) && Array.isArray(now)) return listsLaidOver(was, mine, now);
  if (!isFields(mine) || !isFields(now)) return mine;
  const before = isFields(was) ? was : {};
  const fields = [...new Set([...Object.keys(now), ...Object.keys(mine)])].map(
    (name) => [name, laidOver(before[name], mine[name], now[name])] as const,
  );
  return Object.fromEntries(fields.filter(([, value]) => value !== undefined));
}
