import fc from 'fast-check';
import { QUICK_LOOKS } from '@undrel/core/walk';
import type { TreeRow } from '../../protocol/grounds';
import { answersIn, inOrder, nextAfter, noted, type Looks, type Today } from './looks';

const BEGUN = { id: 'v1', date: '2026-11-30', by: 'M. Ostrel' };
const row = (more: Partial<TreeRow> & { id: string; label: string }): TreeRow => more as TreeRow;

test('the first answers begin a visit of the walk; what was answered the same before is not sent again', () => {
  const first = noted('t', undefined, { 'base.push': 'none', 'base.flare': 'post' }, BEGUN);
  expect(first.changes.map((c) => [c.kind, c.parent, c.base])).toEqual([
    ['visit', 't', 0],
    ['finding', 'v1', 0],
    ['finding', 'v1', 0],
  ]);
  expect(first.changes[0]!.values).toEqual({ date: '2026-11-30', by: 'M. Ostrel', walk: true });
  const again = noted(
    't',
    first.now,
    { 'base.push': 'none', 'base.flare': 'seen' },
    { ...BEGUN, id: 'another' },
  );
  expect(again.changes).toEqual([
    expect.objectContaining({
      kind: 'finding',
      parent: 'v1',
      base: 1,
      values: { key: 'base.flare', answer: 'seen' },
    }),
  ]);
  expect(again.now).toEqual({
    visitId: 'v1',
    looks: { 'base.push': { answer: 'none', version: 1 }, 'base.flare': { answer: 'seen', version: 2 } },
  });
});

test('whatever is answered one after the other, what is known of today is what was said last, and its versions count the changes', () => {
  const looks: fc.Arbitrary<Looks> = fc
    .subarray([...QUICK_LOOKS])
    .chain((asked) =>
      fc
        .tuple(...asked.map((q) => fc.constantFrom(...q.answers.map((a) => a.key))))
        .map((answers) => Object.fromEntries(asked.map((q, i) => [q.key, answers[i]!]))),
    );
  fc.assert(
    fc.property(fc.array(looks, { minLength: 1, maxLength: 6 }), (rounds) => {
      let today: Today | undefined;
      const said: Looks = {};
      const changed = new Map<string, number>();
      for (const answers of rounds) {
        const { changes, now } = noted('t', today, answers, BEGUN);
        // Each finding says which version it follows, and nothing is said twice in a row.
        for (const c of changes)
          if (c.kind === 'finding') {
            const { key, answer } = c.values as { key: string; answer: string };
            expect(c.base).toBe(changed.get(key) ?? 0);
            expect(answer).not.toBe(said[key]);
            changed.set(key, c.base + 1);
          }
        expect(changes.filter((c) => c.kind === 'visit')).toHaveLength(today ? 0 : 1);
        Object.assign(said, answers);
        today = now;
      }
      expect(answersIn(today)).toEqual(said);
      expect(new Map(Object.entries(today!.looks).map(([key, { version }]) => [key, version]))).toEqual(
        changed,
      );
    }),
  );
});

test('the next tree is the nearest on the plan, else the next by label as the eye reads numbers', () => {
  const plain = ['2', '10', '1'].map((label) => row({ id: label, label }));
  expect(inOrder(plain).map((t) => t.label)).toEqual(['1', '2', '10']);
  expect(nextAfter(plain[0]!, inOrder(plain))?.label).toBe('10');
  // After the last by label it goes on with the first that is left.
  expect(nextAfter(plain[1]!, inOrder(plain))?.label).toBe('1');
  expect(nextAfter(plain[0]!, [plain[0]!])).toBeUndefined();
  const placed = fc.record({ x: fc.integer({ min: -50, max: 50 }), y: fc.integer({ min: -50, max: 50 }) });
  fc.assert(
    fc.property(fc.array(placed, { minLength: 2, maxLength: 9 }), (places) => {
      const trees = places.map((at, i) => row({ id: `t${i}`, label: String(i), ...at }));
      const [here, ...others] = trees;
      const next = nextAfter(here!, trees)!;
      const far = (t: TreeRow) => Math.hypot(t.x! - here!.x!, t.y! - here!.y!);
      expect(next.id).not.toBe(here!.id);
      expect(far(next)).toBe(Math.min(...others.map(far)));
    }),
  );
});
