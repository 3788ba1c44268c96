import type { Change, Item } from '../protocol/item';
import { browserStores, type Stores } from '../tests/browserStores';
import { keepChanges, keptChanges, rememberSaved, savedItems, tabName } from './pending';

const WHOSE = { person: 'p', treeId: 't' };
const change = (id: string, depth = 0.1): Change => ({
  kind: 'probe',
  id,
  parent: 'v',
  base: 0,
  values: { bearing: 0, distance: 0.1, depth, found: 'root', from: 'grade' },
});
let stores: Stores;
beforeEach(() => (stores = browserStores()));

/** Entries as another tab of the same browser left them. */
const leftBy = (tab: string, changes: Change[], person = 'p', treeId = 't') =>
  stores.local.set(`undrel.pending.${person}.${treeId}.${tab}`, JSON.stringify(changes));

test('what waits is kept for this tab, and goes when all of it is saved', async () => {
  const tab = await tabName();
  expect(await tabName()).toBe(tab);
  expect(keepChanges(WHOSE, [change('a'), change('b')])).toBe(true);
  expect(await keptChanges(WHOSE)).toEqual([change('a'), change('b')]);
  expect(keepChanges(WHOSE, [])).toBe(true);
  expect(stores.local.size).toBe(0);
  expect(await keptChanges(WHOSE)).toEqual([]);
});

test('a tab that is gone leaves its changes to this one; of one item the own stands', async () => {
  keepChanges(WHOSE, [change('a', 0.2)]);
  leftBy('gone', [change('a', 0.1), change('c')]);
  expect(await keptChanges(WHOSE)).toEqual([change('a', 0.2), change('c')]);
  expect([...stores.local.keys()].filter((k) => k.endsWith('.gone'))).toEqual([]);
  // Taken over for good: asked again they are still there.
  expect((await keptChanges(WHOSE)).map((c) => c.id)).toEqual(['a', 'c']);
});

test('an open tab, another person and another tree keep theirs to themselves', async () => {
  stores.openTabs.add('undrel.tab.open');
  leftBy('open', [change('o')]);
  leftBy('gone', [change('x')], 'q');
  leftBy('gone', [change('y')], 'p', 'u');
  expect(await keptChanges(WHOSE)).toEqual([]);
  expect(stores.local.size).toBe(3);
});

test('where the device takes no more it says so, and what was there stays', async () => {
  keepChanges(WHOSE, [change('a')]);
  const before = new Map(stores.local);
  stores.room = 300;
  expect(
    keepChanges(
      WHOSE,
      Array.from({ length: 50 }, (_, i) => change(`n${i}`)),
    ),
  ).toBe(false);
  expect(stores.local).toEqual(before);
  // Too full to take over what another tab left: nothing of either is lost.
  leftBy(
    'gone',
    Array.from({ length: 20 }, (_, i) => change(`g${i}`)),
  );
  expect(await keptChanges(WHOSE)).toHaveLength(21);
  expect([...stores.local.keys()].some((k) => k.endsWith('.gone'))).toBe(true);
});

test('entries that cannot be read, or no storage at all, count as none', async () => {
  stores.local.set('undrel.pending.p.t.gone', '{"torn');
  expect(await keptChanges(WHOSE)).toEqual([]);
  stores.local.set('undrel.pending.p.t.gone', '"no list"');
  expect(await keptChanges(WHOSE)).toEqual([]);
  Object.defineProperty(globalThis, 'localStorage', {
    configurable: true,
    get: () => {
      throw new DOMException('forbidden', 'SecurityError');
    },
  });
  expect(await keptChanges(WHOSE)).toEqual([]);
  expect(keepChanges(WHOSE, [change('a')])).toBe(false);
});

test('of what was saved the newest stands, item by item', () => {
  const item = (id: string, version: number): Item => ({
    kind: 'visit',
    id,
    parent: 't',
    version,
    values: { date: '2026-05-01' },
  });
  rememberSaved('t', [item('a', 1), item('b', 1)]);
  rememberSaved('t', [item('a', 2)]);
  expect(savedItems('t').map((i) => [i.id, i.version])).toEqual([
    ['a', 2],
    ['b', 1],
  ]);
  expect(savedItems('u')).toEqual([]);
});
