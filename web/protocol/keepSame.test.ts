import fc from 'fast-check';
import { keepLists, keepSame } from './keepSame';

test('a record that came leaves all other lists of the visit the same, and is the very record that came', () => {
  const profiles = [0, 90].map((bearing) => ({ bearing, mulch: [{ distance: 0, depth: 0.2 }] }));
  const roots = [{ label: 'A', points: [{ bearing: 20, distance: 0, depth: 0.1, diameter: 0.05 }] }];
  const was = {
    date: '2026-05-04',
    findings: [{ key: 'base.entry' }],
    profiles,
    dig: { north: 'true', roots },
  };
  const deeper = { bearing: 0, mulch: [{ distance: 0, depth: 0.3 }] };
  const now = {
    ...was,
    findings: [...was.findings],
    profiles: [deeper, profiles[1]!],
    dig: { north: 'true', roots: [...roots] },
  };
  const kept = keepLists(was, now);
  expect(kept).toEqual(now);
  expect(kept.findings).toBe(was.findings);
  expect(kept.dig).toBe(was.dig);
  expect(kept.profiles[0]).toBe(deeper);
  expect(kept.profiles[1]).toBe(profiles[1]);
  // A root that changed is that root; what the dig says besides stays.
  const bent = { ...roots[0]!, points: [] };
  const dug = keepLists(was, { ...now, dig: { north: 'true', roots: [bent] } });
  expect(dug.dig.roots[0]).toBe(bent);
  expect(keepLists(was, { ...was, findings: [...was.findings] })).toBe(was);
  expect(keepLists(undefined, now)).toBe(now);
  const { dig: _, ...without } = was;
  expect(keepLists(was, without)).toEqual(without);
});

test('a shape that changed leaves the others of a drawing the same object', () => {
  const was = {
    width: 2,
    shapes: [
      { as: 'line', points: [[0, 1]] },
      { as: 'text', text: '2 cm' },
    ],
  };
  const now = structuredClone(was);
  now.shapes[0]!.points![0]![1] = 3;
  const kept = keepSame(was, now);
  expect(kept).toEqual(now);
  expect(kept.shapes[1]).toBe(was.shapes[1]);
  expect(kept.shapes[0]).not.toBe(was.shapes[0]);
  // What was is left as it was.
  expect(was.shapes[0]!.points![0]![1]).toBe(1);
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
