import fc from 'fast-check';
import { Busy, FairQueue } from './fairQueue';

/** Work that ends when it is told to, and what has begun so far. */
function desk(queue: FairQueue) {
  const begun: string[] = [];
  const ends: (() => void)[] = [];
  const ask = (client: string, name: string, signal?: AbortSignal) =>
    queue.run(
      client,
      () =>
        new Promise<string>((done) => {
          begun.push(name);
          ends.push(() => done(name));
        }),
      signal,
    );
  const settle = () => new Promise((done) => setImmediate(done));
  return { begun, ask, endNext: async () => (ends.shift()!(), settle()), settle };
}

test('one client with much to do does not hold another up', async () => {
  const { begun, ask, endNext, settle } = desk(new FairQueue({ atOnce: 2, each: 1, waiting: 20 }));
  const all = Array.from({ length: 10 }, (_, i) => ask('A', `A${i}`));
  const other = ask('B', 'B0');
  await settle();
  expect(begun).toEqual(['A0', 'B0']);
  const third = ask('C', 'C0');
  await endNext();
  // C has not had a turn yet.
  expect(begun).toEqual(['A0', 'B0', 'A1']);
  await endNext();
  expect(begun[3]).toBe('C0');
  for (let i = 0; i < 10; i++) await endNext();
  expect(await Promise.all([...all, other, third])).toHaveLength(12);
});

test('a queue is idle until something begins, and again when all is done', async () => {
  const queue = new FairQueue({ atOnce: 1, each: 1, waiting: 2 });
  const { ask, endNext, settle } = desk(queue);
  expect(queue.idle).toBe(true);
  const both = [ask('A', 'A0'), ask('B', 'B0')];
  await settle();
  expect(queue.idle).toBe(false);
  await endNext();
  expect(queue.idle).toBe(false);
  await endNext();
  await Promise.all(both);
  expect(queue.idle).toBe(true);
});

test('what waits may leave, and too much waiting is refused', async () => {
  const { begun, ask, endNext } = desk(new FairQueue({ atOnce: 1, each: 1, waiting: 2 }));
  const stop = new AbortController();
  const first = ask('A', 'one');
  const leaves = ask('A', 'two', stop.signal);
  const stays = ask('A', 'three');
  await expect(ask('A', 'four')).rejects.toThrow(Busy);
  stop.abort();
  await expect(leaves).rejects.toThrow('Stopped before');
  await expect(ask('A', 'never', AbortSignal.abort())).rejects.toThrow('Stopped before');
  await endNext();
  await endNext();
  expect(begun).toEqual(['one', 'three']);
  expect(await Promise.all([first, stays])).toEqual(['one', 'three']);
});

test('a place is free again after work that failed', async () => {
  const queue = new FairQueue({ atOnce: 1, each: 1, waiting: 5 });
  await expect(queue.run('A', () => Promise.reject(new Error('no')))).rejects.toThrow('no');
  expect(await queue.run('A', async () => 7)).toBe(7);
});

test('never more at once than allowed, all of it done, whoever asks for what', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.integer({ min: 1, max: 3 }),
      fc.integer({ min: 1, max: 2 }),
      fc.array(fc.constantFrom('A', 'B', 'C'), { maxLength: 30 }),
      async (atOnce, each, clients) => {
        const queue = new FairQueue({ atOnce, each, waiting: 99 });
        const now = new Map<string, number>();
        const done = await Promise.all(
          clients.map((client, i) =>
            queue.run(client, async () => {
              now.set(client, (now.get(client) ?? 0) + 1);
              expect(now.get(client)).toBeLessThanOrEqual(each);
              expect([...now.values()].reduce((a, b) => a + b, 0)).toBeLessThanOrEqual(atOnce);
              await new Promise((go) => setImmediate(go));
              now.set(client, now.get(client)! - 1);
              return i;
            }),
          ),
        );
        expect(done).toEqual(clients.map((_, i) => i));
      },
    ),
  );
});

test('a turn of lines lasts to the last line, ends with the signal, and with whoever stops reading', async () => {
  const queue = new FairQueue({ atOnce: 8, each: 1, waiting: 20 });
  const begun: string[] = [];
  const told = (name: string, signal?: AbortSignal) =>
    queue.lines(
      'A',
      async function* () {
        begun.push(name);
        yield `${name} 1`;
        yield `${name} 2`;
      },
      signal,
    );
  const settle = () => new Promise((done) => setImmediate(done));
  const gone = new AbortController();
  const [first, second, third, fourth] = [told('A'), told('B', gone.signal), told('C'), told('D')];
  expect((await first!.next()).value).toBe('A 1');
  const rest = [second!.next(), third!.next(), fourth!.next()];
  await settle();
  expect(begun).toEqual(['A']);
  expect((await first!.next()).value).toBe('A 2');
  expect((await first!.next()).done).toBe(true);
  expect((await rest[0]!).value).toBe('B 1');
  // Nobody asks for the next line of B: the signal frees its turn.
  expect(begun).toEqual(['A', 'B']);
  gone.abort();
  expect((await rest[1]!).value).toBe('C 1');
  await third!.return(undefined);
  expect((await rest[2]!).value).toBe('D 1');
  await fourth!.return(undefined);
  expect(queue.idle).toBe(true);
  const given = new AbortController();
  const [one, two] = [told('E'), told('F', given.signal)];
  await one!.next();
  const waiting = two!.next();
  given.abort();
  await expect(waiting).rejects.toThrow('Stopped before');
  await one!.return(undefined);
  expect(queue.idle).toBe(true);
  // One whose work fails gives its place back, and its error goes on.
  const failing = queue.lines('A', async function* () {
    yield 1;
    throw new Error('of its own');
  });
  await failing.next();
  await expect(failing.next()).rejects.toThrow('of its own');
  expect(queue.idle).toBe(true);
});
