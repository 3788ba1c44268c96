import fc from 'fast-check';
import { laidOver } from './laidOver';

const leaf = fc.oneof(fc.integer({ min: 0, max: 3 }), fc.constantFrom('a', 'b'), fc.boolean());
const reading = fc.record({ distance: fc.constantFrom(0, 0.3, 0.6), depth: leaf }, { noNullPrototype: true });
const values = fc.record(
  {
    bearing: leaf,
    ends: leaf,
    mulch: fc
      .uniqueArray(reading, { selector: (r) => r.distance, maxLength: 3 })
      .map((readings) => readings.sort((a, b) => a.distance - b.distance)),
    pot: fc.record({ width: leaf, depth: leaf }, { requiredKeys: [], noNullPrototype: true }),
    sides: fc.array(leaf, { maxLength: 3 }),
  },
  { requiredKeys: ['mulch'], noNullPrototype: true },
);
type Values = { mulch: { distance: number; depth: unknown }[] };
const sorted = (v: unknown) => {
  const { mulch, ...rest } = v as Values;
  return { ...rest, mulch: [...mulch].sort((a, b) => a.distance - b.distance) };
};

test('where one side changed nothing, the other stands as it is', () => {
  fc.assert(
    fc.property(values, values, (was, other) => {
      expect(laidOver(was, was, other)).toEqual(other);
      expect(laidOver(was, other, structuredClone(was))).toEqual(other);
      expect(sorted(laidOver(was, other, other))).toEqual(sorted(other));
    }),
  );
});

test('a field that was entered is as it was entered, one that was not is as it is now', () => {
  fc.assert(
    fc.property(values, values, values, (was, mine, now) => {
      const whole = laidOver(was, mine, now) as Record<string, unknown>;
      for (const field of ['bearing', 'ends', 'sides'] as const) {
        const entered = JSON.stringify(was[field]) !== JSON.stringify(mine[field]);
        expect([field, whole[field]]).toEqual([field, entered ? mine[field] : now[field]]);
      }
    }),
  );
});

test('a reading at another distance is kept beside the one that was entered', () => {
  const was = { bearing: 0, mulch: [] };
  const mine = { bearing: 0, mulch: [{ distance: 0.3, depth: 0.1 }] };
  const now = { bearing: 0, mulch: [{ distance: 0, depth: 0.2 }], mulchEnds: 1.2 };
  expect(laidOver(was, mine, now)).toEqual({
    bearing: 0,
    mulchEnds: 1.2,
    mulch: [
      { distance: 0, depth: 0.2 },
      { distance: 0.3, depth: 0.1 },
    ],
  });
  const between = { bearing: 0, mulch: [{ distance: 0.1, depth: 0.3 }] };
  expect(laidOver(was, mine, between)).toMatchObject({ mulch: [{ distance: 0.1 }, { distance: 0.3 }] });
  expect(laidOver(was, between, mine)).toMatchObject({ mulch: [{ distance: 0.1 }, { distance: 0.3 }] });
});

test('what was removed on either side stays removed, unless it was entered anew', () => {
  const [a, b] = [
    { distance: 0, depth: 1 },
    { distance: 0.3, depth: 2 },
  ];
  expect(laidOver({ mulch: [a, b] }, { mulch: [b] }, { mulch: [a, b], ends: 3 })).toEqual({
    mulch: [b],
    ends: 3,
  });
  expect(laidOver({ mulch: [a, b] }, { mulch: [a, { ...b, depth: 5 }] }, { mulch: [a] })).toEqual({
    mulch: [a, { ...b, depth: 5 }],
  });
  expect(laidOver({ ends: 3 }, null, { ends: 3, more: 1 })).toBeNull();
  expect(laidOver({ ends: 3 }, { ends: 4 }, null)).toEqual({ ends: 4 });
});

test('points along a root that turns back keep their order: what was entered stands whole', () => {
  const point = (bearing: number, distance: number, depth = 0.1) => ({ bearing, distance, depth });
  const was = { label: 'A', points: [point(10, 0.2), point(40, 0.5), point(30, 0.4)] };
  const mine = { ...was, points: [point(10, 0.2), point(40, 0.55), point(30, 0.4)] };
  const now = { ...was, points: [...was.points, point(20, 0.3)], kind: 'girdling' };
  expect(laidOver(was, mine, now)).toEqual({ ...mine, kind: 'girdling' });
  const names = fc.uniqueArray(fc.integer({ min: 0, max: 9 }), { maxLength: 5 });
  fc.assert(
    fc.property(names, names, names, (before, own, there) => {
      const list = (all: number[]) => all.map((distance) => ({ distance, depth: 1 }));
      const whole = laidOver(list(before), list(own), list(there)) as { distance: number }[];
      const order = whole.map((one) => one.distance);
      const sorted = [...order].sort((a, b) => a - b);
      // Either a line that goes one way, or exactly one of the two lists.
      expect([sorted, own, there].map((one) => one.join())).toContain(order.join());
    }),
  );
});

test('of a list whose members cannot be told apart, the one that was entered stands whole', () => {
  expect(laidOver({ sides: [1] }, { sides: [1, 2] }, { sides: [4] })).toEqual({ sides: [1, 2] });
});
