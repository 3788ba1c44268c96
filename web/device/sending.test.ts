import fc from 'fast-check';
import type { Change } from '../protocol/item';
import { batchOf, send } from './sending';

const change = (id: string, size = 1): Change => ({
  kind: 'event',
  id,
  parent: 't',
  base: 0,
  values: { kind: 'drought', when: '2022', note: 'x'.repeat(size) },
});

/** A server that takes at most so many at once and none whose id says bad. */
function server(most: number) {
  const saved: string[] = [];
  let calls = 0;
  global.fetch = (async (_: string, init: { body: string; headers: Record<string, string> }) => {
    calls++;
    const { changes } = JSON.parse(init.body) as { changes: Change[] };
    expect(init.headers['x-undrel-person']).toBe('me');
    const bad = changes.some((c) => c.id.startsWith('bad'));
    if (changes.length > most || bad)
      return new Response(JSON.stringify({ problem: bad ? 'cannot be' : 'too many' }), {
        status: bad ? 400 : 413,
      });
    saved.push(...changes.map((c) => c.id));
    const results = changes.map((c) => ({ id: c.id, status: 'saved', version: 1 }));
    return new Response(JSON.stringify({ results }));
  }) as never;
  return { saved, calls: () => calls };
}

test('one change that cannot be is refused alone, and all others are saved, in their order', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.boolean(), { minLength: 1, maxLength: 40 }),
      fc.integer({ min: 1, max: 50 }),
      async (good, most) => {
        const { saved } = server(most);
        const changes = good.map((ok, i) => change(`${ok ? 'ok' : 'bad'}${i}`));
        const results = await send(changes, 'me');
        expect(Array.isArray(results) && results.map((r) => [r.id, r.status])).toEqual(
          changes.map((c) => [c.id, c.id.startsWith('ok') ? 'saved' : 'refused']),
        );
        expect(saved).toEqual(changes.flatMap((c) => (c.id.startsWith('ok') ? [c.id] : [])));
      },
    ),
  );
});

test('a batch is cut to size by number and by length, and is never empty', () => {
  const many = Array.from({ length: 520 }, (_, i) => change(`e${i}`));
  expect(batchOf(many)).toHaveLength(200);
  const long = Array.from({ length: 10 }, (_, i) => change(`e${i}`, 300_000));
  expect(batchOf(long)).toHaveLength(3);
  expect(batchOf([change('one', 3_000_000)])).toHaveLength(1);
});

test('out of reach, out of service and signed out are told apart', async () => {
  global.fetch = (async () => new Response('', { status: 503 })) as never;
  expect(await send([change('a'), change('b')], 'me')).toBe('away');
  global.fetch = (async () => new Response('', { status: 401 })) as never;
  expect(await send([change('a')], 'me')).toBe('signed out');
  global.fetch = (async () => {
    throw new TypeError('no network');
  }) as never;
  expect(await send([change('a')], 'me')).toBe('away');
});
