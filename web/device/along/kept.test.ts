import { DAYS_ALONG } from '../../protocol/along';
import { alongOf, cacheOf, forgetAlong, isOver, keepAlong, personHere, setPerson, type Along } from './kept';

const DAY = 86_400_000;
const along = (property: string, person: string, daysAgo = 0): Along => ({
  property,
  person,
  name: property,
  trees: 3,
  pages: 5,
  pictures: 2,
  bytes: 1000,
  taken: Date.now() - daysAgo * DAY,
  labels: {},
  names: {},
});

/** Caches by their names, as a browser has them. */
let names: Set<string>;
beforeEach(async () => {
  names = new Set();
  Object.defineProperty(globalThis, 'caches', {
    configurable: true,
    value: { keys: async () => [...names], delete: async (name: string) => names.delete(name) },
  });
  await setPerson(undefined);
});

test('what one person took along is shown to them alone, the newest first, and for its days', async () => {
  await setPerson('a');
  for (const a of [along('old', 'a', DAYS_ALONG + 1), along('far', 'a', 3), along('near', 'a')])
    expect(await keepAlong(a)).toBe(true);
  expect((await alongOf('a')).map((a) => a.property)).toEqual(['near', 'far']);
  expect(await alongOf('b')).toEqual([]);
  expect([isOver(along('x', 'a', DAYS_ALONG - 1)), isOver(along('x', 'a', DAYS_ALONG + 1))]).toEqual([
    false,
    true,
  ]);
});

test('whoever signs in next finds nothing of it, and nobody signed in leaves nothing', async () => {
  await setPerson('a');
  await keepAlong(along('near', 'a'));
  names = new Set([cacheOf(along('near', 'a')), 'undrel.static']);
  await setPerson('b');
  expect([await personHere(), await alongOf('a'), [...names]]).toEqual(['b', [], ['undrel.static']]);
  await keepAlong(along('far', 'b'));
  names.add(cacheOf(along('far', 'b')));
  await setPerson('b');
  expect([(await alongOf('b')).length, [...names]]).toEqual([
    1,
    ['undrel.static', cacheOf(along('far', 'b'))],
  ]);
  await setPerson(undefined);
  expect([await personHere(), await alongOf('b'), [...names]]).toEqual([undefined, [], ['undrel.static']]);
});

test('what is kept of a property goes with it, taken off or over its days; the others stay', async () => {
  await setPerson('a');
  const [one, two, old] = [along('one', 'a'), along('two', 'a'), along('old', 'a', DAYS_ALONG + 2)];
  for (const a of [one, two, old]) await keepAlong(a);
  names = new Set([one, two, old].map(cacheOf));
  expect((await alongOf('a')).length).toBe(2);
  expect([...names].sort()).toEqual([one, two].map(cacheOf).sort());
  await forgetAlong('a', 'one');
  expect([...names]).toEqual([cacheOf(two)]);
});
