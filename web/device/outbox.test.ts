import fc from 'fast-check';
import type { Change, ChangeResult } from '../protocol/item';
import { keepAlong, setPerson } from './along/kept';
import { browserStores, type Stores } from '../tests/browserStores';
import { leftOf, runOutbox, sendLeft } from './outbox';
import { outboxTold } from './outboxNow';
import { forgetLater, keepChanges, savedLater, show, tabName, waitingOf, writeLeft } from './pending';

const PERSON = 'p';
let stores: Stores;
beforeEach(() => (stores = browserStores()));

const probe = (id: string, depth: number, base = 0): Change => ({
  kind: 'probe',
  id,
  parent: 'v',
  base,
  values: { depth },
});

/** A server as the real one answers: by version, and knowing again what it was sent before. */
class Server {
  rows = new Map<string, { version: number; values: Change['values'] }>();
  writes = 0;
  take(changes: readonly Change[]): ChangeResult[] {
    return changes.map(({ id, base, values, inDoubt = [] }): ChangeResult => {
      const row = this.rows.get(id) ?? { version: 0, values: null };
      const same = (a: unknown) => JSON.stringify(a) === JSON.stringify(row.values);
      if (row.version > 0 && same(values)) return { id, status: 'saved', version: row.version };
      if (row.version !== base && !inDoubt.some(same))
        return {
          id,
          status: 'stale',
          theirs: { version: row.version, values: row.values, by: 'Other', at: '2026-11-29' },
        };
      this.rows.set(id, { version: row.version + 1, values });
      this.writes++;
      return { id, status: 'saved', version: row.version + 1 };
    });
  }
}

/** What happens to each request in turn: it arrives, it never leaves, or its answer is lost. */
type Fate = 'arrives' | 'lost' | 'unanswered';

function line(server: Server, fates: Fate[]): void {
  Object.defineProperty(globalThis, 'fetch', {
    configurable: true,
    value: async (_: string, { body }: { body: string }) => {
      const fate = fates.shift() ?? 'arrives';
      if (fate === 'lost') throw new TypeError('no network');
      const results = server.take((JSON.parse(body) as { changes: Change[] }).changes);
      if (fate === 'unanswered') throw new TypeError('no network');
      return { ok: true, json: async () => ({ results }) };
    },
  });
}

const left = (tree: string, changes: Change[]) => writeLeft(`undrel.pending.${PERSON}.${tree}.gone`, changes);

test('what closed pages left is sent from any other, each once, however often the line breaks', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.record({ tree: fc.constantFrom('a', 'b', 'c'), depth: fc.integer({ min: 1, max: 9 }) }), {
        minLength: 1,
        maxLength: 12,
      }),
      fc.array(fc.constantFrom<Fate>('arrives', 'lost', 'unanswered'), { maxLength: 12 }),
      async (typed, fates) => {
        stores = browserStores();
        const server = new Server();
        const byTree = new Map<string, Change[]>();
        typed.forEach(({ tree, depth }, i) =>
          byTree.set(tree, [...(byTree.get(tree) ?? []), probe(`${tree}.${i}`, depth)]),
        );
        for (const [tree, changes] of byTree) left(tree, changes);
        line(server, [...fates]);
        for (let i = 0; i <= fates.length; i++) await sendLeft(PERSON);
        expect(await waitingOf(PERSON)).toEqual([]);
        expect(stores.local.size).toBe(0);
        expect([...server.rows].map(([id, { version, values }]) => [id, version, values]).sort()).toEqual(
          [...byTree.values()]
            .flat()
            .map(({ id, values }) => [id, 1, values])
            .sort(),
        );
        expect(server.writes).toBe(typed.length);
      },
    ),
    { numRuns: 60 },
  );
});

test('a line that breaks thirty times does not fill up what is in doubt', async () => {
  const server = new Server();
  line(
    server,
    Array.from({ length: 30 }, (): Fate => 'lost'),
  );
  left('t', [probe('x', 0.2)]);
  for (let i = 0; i < 30; i++) expect(await sendLeft(PERSON)).toBe('away');
  expect((await waitingOf(PERSON))[0]!.changes[0]!.inDoubt).toEqual([{ depth: 0.2 }]);
  await sendLeft(PERSON);
  expect(server.rows.get('x')).toEqual({ version: 1, values: { depth: 0.2 } });
});

test('what someone else changed meanwhile is neither overwritten nor lost, and holds nothing else up', async () => {
  const server = new Server();
  server.take([probe('x', 0.5)]);
  line(server, []);
  left('t', [probe('x', 0.2), probe('y', 0.3)]);
  expect(await sendLeft(PERSON)).toBe('rest');
  expect([server.rows.get('x')!.values, server.rows.get('y')!.values]).toEqual([
    { depth: 0.5 },
    { depth: 0.3 },
  ]);
  const [waiting] = await waitingOf(PERSON);
  expect(waiting!.changes).toMatchObject([{ id: 'x', values: { depth: 0.2 }, unsettled: true }]);
  // It is not sent again by itself.
  const writes = server.writes;
  await sendLeft(PERSON);
  expect(server.writes).toBe(writes);
});

test('a page that shows a tree sends for it; other tabs that are open do too; nobody else’s entries are touched', async () => {
  const server = new Server();
  line(server, []);
  const tab = await tabName();
  keepChanges({ person: PERSON, treeId: 'shown' }, [probe('s', 0.1)]);
  keepChanges({ person: PERSON, treeId: 'before' }, [probe('b', 0.1)]);
  stores.openTabs.add('undrel.tab.other');
  writeLeft(`undrel.pending.${PERSON}.t.other`, [probe('o', 0.1)]);
  writeLeft('undrel.pending.q.t.gone', [probe('q', 0.1)]);
  const hide = show('shown');
  await sendLeft(PERSON);
  expect([...server.rows.keys()]).toEqual(['b']);
  hide();
  await sendLeft(PERSON);
  expect([...server.rows.keys()].sort()).toEqual(['b', 's']);
  expect((await waitingOf(PERSON)).map((w) => w.treeId)).toEqual(['t']);
  expect(stores.local.has(`undrel.pending.${PERSON}.before.${tab}`)).toBe(false);
});

test('what was saved behind the back of a page that is kept is known to it, until a newer page comes', async () => {
  line(new Server(), []);
  // Where nothing was taken along there is no such page, and nothing to remember.
  left('t', [probe('w', 0.2)]);
  await sendLeft(PERSON);
  expect(savedLater({ person: PERSON, treeId: 't' }, 0)).toEqual([]);
  await setPerson(PERSON);
  await keepAlong({
    person: PERSON,
    property: 'row',
    name: 'Row',
    trees: 1,
    pages: 1,
    pictures: 0,
    bytes: 1,
    taken: Date.now(),
    labels: {},
    names: {},
  });
  left('t', [probe('x', 0.2)]);
  const before = Date.now() - 1000;
  await sendLeft(PERSON);
  const whose = { person: PERSON, treeId: 't' };
  expect(savedLater(whose, before)).toMatchObject([{ id: 'x', version: 1, values: { depth: 0.2 } }]);
  expect(savedLater(whose, Date.now() + 1000)).toEqual([]);
  expect(savedLater(whose, undefined)).toEqual([]);
  expect(savedLater(whose, before)).toEqual([]);
  // Somebody else who signs in finds nothing of it.
  left('t', [probe('z', 0.2)]);
  await sendLeft(PERSON);
  forgetLater(PERSON);
  expect(savedLater(whose, before).length).toBe(1);
  forgetLater('q');
  expect(savedLater(whose, before)).toEqual([]);
  await setPerson(undefined);
});

test('how much waits is told to whoever shows it', async () => {
  line(new Server(), ['lost']);
  left('t', [probe('x', 0.2), probe('y', 0.2)]);
  await runOutbox(PERSON);
  expect(outboxTold.now()).toMatchObject({ state: 'away', looks: 0 });
  expect(outboxTold.now().trees[0]!.changes.length).toBe(2);
  await runOutbox(PERSON);
  expect(outboxTold.now()).toEqual({ ...outboxTold.first(), state: 'rest' });
  expect(leftOf([], [])).toEqual([]);
});
