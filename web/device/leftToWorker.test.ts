import fc from 'fast-check';
import type { Change } from '../protocol/item';
import { leave, leftFor } from './leftToWorker';
import { sendByWorker } from './sendByWorker';
import { send } from './sending';

const change = (id: string, note: string, base = 0): Change => ({
  kind: 'event',
  id,
  parent: 't',
  base,
  values: { kind: 'drought', when: '2022', note },
});
const real = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = real;
});

/** A server with versions, which is away after so many requests. */
function server(reached = Infinity) {
  const rows = new Map<string, { version: number; values: unknown }>();
  const order: string[] = [];
  let calls = 0;
  globalThis.fetch = ((_: string, init: { body: string; headers: Record<string, string> }) => {
    if (calls++ >= reached) return Promise.reject(new TypeError('offline'));
    const { changes } = JSON.parse(init.body) as { changes: Change[] };
    const results = changes.map((c) => {
      expect(c.inDoubt).toBeUndefined();
      const now = rows.get(c.id);
      if ((now?.version ?? 0) !== c.base) return { id: c.id, status: 'stale' };
      rows.set(c.id, { version: c.base + 1, values: c.values });
      order.push(c.id);
      return { id: c.id, status: 'saved', version: c.base + 1 };
    });
    return Promise.resolve(new Response(JSON.stringify({ results })));
  }) as never;
  return { rows, order, calls: () => calls };
}

test('what did not arrive is sent in its order, once, as it was entered last; nothing is written over what came meanwhile', async () => {
  const person = 'p1';
  await leave([change('visit', 'first'), { ...change('finding', 'a'), inDoubt: [null] }], person);
  // The visit is entered once more: it keeps its turn before what belongs to it.
  await leave([change('visit', 'second')], person);
  const { rows, order, calls } = server();
  rows.set('other', { version: 3, values: 'theirs' });
  await leave([change('other', 'mine', 2)], person);
  expect(await sendByWorker(person)).toBe(true);
  expect(order).toEqual(['visit', 'finding']);
  expect(rows.get('visit')).toMatchObject({ version: 1, values: { note: 'second' } });
  expect(rows.get('other')).toEqual({ version: 3, values: 'theirs' });
  const sent = calls();
  expect(await sendByWorker(person)).toBe(true);
  expect(calls()).toBe(sent);
});

test('out of reach again it stays; signed out it stays for whose it is; somebody else’s is not sent', async () => {
  await leave([change('a', 'mine')], 'me');
  await leave([change('b', 'theirs')], 'you');
  server(0);
  expect(await sendByWorker('me')).toBe(false);
  globalThis.fetch = (() => Promise.resolve(new Response('{}', { status: 401 }))) as never;
  expect(await sendByWorker('me')).toBe(true);
  const { order } = server();
  expect(await sendByWorker('me')).toBe(true);
  expect(order).toEqual(['a']);
  expect(await sendByWorker('you')).toBe(true);
  expect(order).toEqual(['a', 'b']);
});

test('an answer that names nothing ends the sending: it is tried again when the browser finds signal', async () => {
  await leave([change('e', 'x')], 'empty');
  let calls = 0;
  globalThis.fetch = (() => {
    calls++;
    return Promise.resolve(new Response(JSON.stringify({ results: [] })));
  }) as never;
  expect(await sendByWorker('empty')).toBe(true);
  expect(calls).toBe(1);
  const { order } = server();
  expect(await sendByWorker('empty')).toBe(true);
  expect(order).toEqual(['e']);
});

test('however often signal goes in between, each change arrives once, whoever sends it in the end', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.integer({ min: 0, max: 5 }), { minLength: 1, maxLength: 12 }),
      fc.array(fc.integer({ min: 0, max: 2 }), { maxLength: 6 }),
      async (items, spells) => {
        const person = `p${Math.random()}`;
        const all = server();
        const online = globalThis.fetch;
        const latest = new Map<string, string>();
        for (const [n, i] of items.entries()) {
          latest.set(`i${i}`, `v${n}`);
          await leave([change(`i${i}`, `v${n}`)], person);
          const spell = spells[n % Math.max(1, spells.length)] ?? 0;
          if (spell === 1) {
            globalThis.fetch = () => Promise.reject(new TypeError('offline'));
            expect(await sendByWorker(person)).toBe(false);
          }
        }
        globalThis.fetch = online;
        expect(await sendByWorker(person)).toBe(true);
        expect(
          [...all.rows]
            .map(([id, { version, values }]) => [id, version, (values as { note: string }).note])
            .sort(),
        ).toEqual([...latest].map(([id, note]) => [id, 1, note]).sort());
      },
    ),
    { numRuns: 40 },
  );
});

test('a batch that does not arrive is left to the worker by whoever sends it, but not by the worker', async () => {
  server(0);
  expect(await send([change('c', 'x')], 'walker', false)).toBe('away');
  expect(await send([change('d', 'x')], 'walker')).toBe('away');
  // It is left beside the answer, which nobody waits for longer.
  while ((await leftFor('walker')).length === 0) await new Promise((done) => setTimeout(done, 5));
  const { order } = server();
  expect(await sendByWorker('walker')).toBe(true);
  expect(order).toEqual(['d']);
});
