import fc from 'fast-check';
import { keeping, keepingMade } from './index';

test('what follows from the same is worked out once while it is kept; the longest unused goes first', () => {
  const made: string[] = [];
  const keep = keeping<{ of: string }>(2);
  const ask = (of: string) => keep({ of }, () => (made.push(of), { of }));
  expect(ask('a')).toBe(ask('a'));
  ask('b');
  ask('a');
  ask('c');
  expect(made).toEqual(['a', 'b', 'c']);
  ask('a');
  expect(made).toEqual(['a', 'b', 'c']);
  ask('b');
  expect(made).toEqual(['a', 'b', 'c', 'b']);
});

test('no more weight is kept than allowed, and one that outweighs all is given and not kept', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 60 }), (weights) => {
      const alive = new Set<number>();
      const keep = keeping<{ n: number; weight: number }>(100, ({ weight }) => weight);
      const ask = (n: number, weight: number) => {
        let anew = false;
        keep([n, weight], () => ((anew = true), { n, weight }));
        return anew;
      };
      weights.forEach((weight, n) => ask(n, weight));
      // Those still kept, asked from the latest on, are the last ones that weigh 100 together at most.
      let sum = 0;
      for (let n = weights.length - 1; n >= 0 && sum + weights[n]! <= 100; n--) {
        sum += weights[n]!;
        alive.add(n);
      }
      for (const n of alive) expect([n, ask(n, weights[n]!)]).toEqual([n, false]);
      expect(ask(-1, 101)).toBe(true);
      expect(ask(-1, 101)).toBe(true);
    }),
  );
});

test('what takes time is made once for all who ask meanwhile; one that fails is made by those who waited', async () => {
  const keep = keepingMade<{ n: number }>(2, () => 1);
  const given: ((made: { n: number } | Error) => void)[] = [];
  const ask = (key: string) =>
    keep(
      key,
      () =>
        new Promise((resolve, reject) =>
          given.push((made) => (made instanceof Error ? reject(made) : resolve(made))),
        ),
    );
  const [first, second, other] = [ask('a'), ask('a'), ask('b')];
  expect(given).toHaveLength(2);
  given[0]!(new Error('stopped'));
  await expect(first).rejects.toThrow('stopped');
  await new Promise(setImmediate);
  expect(given).toHaveLength(3);
  given[2]!({ n: 3 });
  given[1]!({ n: 2 });
  expect([await second, await other]).toEqual([{ n: 3 }, { n: 2 }]);
  expect([await ask('a'), await ask('b')]).toEqual([{ n: 3 }, { n: 2 }]);
  expect(given).toHaveLength(3);
  // No more is kept than allowed: the longest unused went.
  const third = ask('c');
  given[3]!({ n: 4 });
  await third;
  void ask('a');
  expect(given).toHaveLength(5);
});
