import fc from 'fast-check';
import { keepSame } from './keepSame';

test('a reading that changed leaves all else of the visit the same object', () => {
  const was = {
    date: '2026-05-04',
    findings: [{ key: 'base.entry', part: 1, answer: 'flared' }],
    profiles: [
      { bearing: 0, mulch: [{ distance: 0, depth: 0.2 }] },
      { bearing: 90, mulch: [{ distance: 0, depth: 0.1 }] },
    ],
    dig: { north: 'true', roots: [{ label: 'A' }] },
  };
  const now = structuredClone(was);
  now.profiles[0]!.mulch[0]!.depth = 0.3;
  const kept = keepSame(was, now);
  expect(kept).toEqual(now);
  expect(kept.findings).toBe(was.findings);
  expect(kept.dig).toBe(was.dig);
  expect(kept.profiles[1]).toBe(was.profiles[1]);
  expect(kept.profiles[0]).not.toBe(was.profiles[0]);
  // What was is left as it was.
  expect(was.profiles[0]!.mulch[0]!.depth).toBe(0.2);
});

test('something gone, come or undefined is a change', () => {
  expect(keepSame({ a: 1, b: 2 }, { a: 1 })).toEqual({ a: 1 });
  expect(keepSame({ a: 1 }, { a: 1, b: 2 })).toEqual({ a: 1, b: 2 });
  expect(keepSame({ a: 1 }, { b: undefined })).toStrictEqual({ b: undefined });
  expect(keepSame([1, 2], [1])).toEqual([1]);
  expect(keepSame([], {})).toEqual({});
});

test('whatever was, what comes out says what is now; and where both say the same it is what was', () => {
  fc.assert(
    fc.property(fc.jsonValue({ maxDepth: 4 }), fc.jsonValue({ maxDepth: 4 }), (was, now) => {
      const before = structuredClone(was);
      expect(keepSame(was, now)).toStrictEqual(now);
      expect(was).toStrictEqual(before);
      expect(keepSame(was, structuredClone(was))).toBe(was);
    }),
  );
});
