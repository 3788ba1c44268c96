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

test('every name has a place within the run of its outline; what has none has no label', () => {
  const point = fc.tuple(fc.integer({ min: 0, max: 600 }), fc.integer({ min: 0, max: 600 }));
  const outline = fc.record({
    points: fc.array(point, { minLength: 2, maxLength: 6 }),
    shape: fc.constantFrom('area' as const, 'line' as const),
    name: fc.option(fc.string({ minLength: 1, maxLength: 20 }), { nil: undefined }),
  });
  fc.assert(
    fc.property(fc.array(outline, { maxLength: 8 }), (outlines) => {
      outlineLabels(outlines, 7, []).forEach((label, i) => {
        const { points, name } = outlines[i]!;
        expect(label === undefined).toBe(name === undefined);
        if (!label) return;
        const xs = points.map((p) => p[0]);
        expect(label.x).toBeGreaterThanOrEqual(Math.min(...xs));
        expect(label.x).toBeLessThanOrEqual(Math.max(...xs));
      });
    }),
  );
});
