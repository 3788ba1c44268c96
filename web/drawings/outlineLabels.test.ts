import fc from 'fast-check';
import { outlineLabels, type Box } from './outlineLabels';

const at = (points: [number, number][], shape: 'area' | 'line', name: string) => ({ points, shape, name });

test('a narrow building has its name upright, a wide one lying; a line keeps its name off the trees', () => {
  const tower = at(
    [
      [0, 0],
      [40, 0],
      [40, 200],
      [0, 200],
    ],
    'area',
    'Observatory',
  );
  const drive = at(
    [
      [60, 90],
      [500, 90],
      [500, 120],
      [60, 120],
    ],
    'area',
    'Carriage drive',
  );
  const main = at(
    [
      [60, 60],
      [500, 60],
    ],
    'line',
    'Gas main',
  );
  // Trees along the line but for its last quarter.
  const trees = Array.from({ length: 9 }, (_, i): Box => ({ x: 80 + i * 35, y: 60, width: 30, height: 44 }));
  const [one, two, three] = outlineLabels([tower, drive, main], 7, trees);
  expect([one!.upright, two!.upright, three!.upright]).toEqual([true, false, false]);
  expect(two).toMatchObject({ x: 280, y: 105 });
  expect(three!.x).toBeGreaterThan(380);
});

test('where marks crowd a line all along, its name stands away from them and is tied to the line', () => {
  const main = at(
    [
      [0, 100],
      [500, 100],
    ],
    'line',
    'Gas main',
  );
  const trees = Array.from({ length: 26 }, (_, i): Box => ({ x: i * 20, y: 100, width: 18, height: 40 }));
  const [name] = outlineLabels([main], 7, trees);
  expect(Math.abs(name!.y - 100)).toBeGreaterThan(20 + 15 / 2);
  expect(name!.of).toEqual({ x: name!.x, y: 100 });
});

test('a building too small for its name has it beneath, or above where a mark stands beneath, within the plan', () => {
  const hut = at(
    [
      [180, 40],
      [200, 40],
      [200, 60],
      [180, 60],
    ],
    'area',
    'Observatory',
  );
  const [beneath] = outlineLabels([hut], 7, []);
  expect(beneath).toEqual({ x: 200 - (11 * 7 + 8) / 2, y: 72, upright: false });
  const [above] = outlineLabels([hut], 7, [{ x: 160, y: 75, width: 20, height: 20 }]);
  expect(above!.y).toBe(28);
});

test('every name has a place within the run of its outline; what has none has no label', () => {
  const point = fc.tuple(fc.integer({ min: 0, max: 600 }), fc.integer({ min: 0, max: 600 }));
  const outline = fc.record({
    points: fc.oneof(
      fc.array(point, { minLength: 2, maxLength: 6 }),
      point.map(([x, y]): [number, number][] => [
        [x, y],
        [x + 12, y + 9],
      ]),
    ),
    shape: fc.constantFrom('area' as const, 'line' as const),
    name: fc.option(fc.string({ minLength: 1, maxLength: 20 }), { nil: undefined }),
  });
  fc.assert(
    fc.property(fc.array(outline, { maxLength: 8 }), (outlines) => {
      outlineLabels(outlines, 7, []).forEach((label, i) => {
        const { points, name, shape } = outlines[i]!;
        expect(label === undefined).toBe(name === undefined);
        if (!label) return;
        const xs = points.map((p) => p[0]);
        const ys = points.map((p) => p[1]);
        const width = name!.length * 7 + 8;
        expect(label.x).toBeLessThanOrEqual(Math.max(...xs));
        const [wide, high] = [Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)];
        if (shape === 'area' && Math.max(wide, high) < width) {
          // Clear of its area, and no farther right than the plan goes.
          expect(label.y < Math.min(...ys) || label.y > Math.max(...ys)).toBe(true);
          const most = Math.max(...outlines.flatMap((o) => o.points.map((p) => p[0])));
          expect(label.x + width / 2).toBeLessThanOrEqual(most + 1e-6);
        } else expect(label.x).toBeGreaterThanOrEqual(Math.min(...xs));
      });
    }),
  );
});
