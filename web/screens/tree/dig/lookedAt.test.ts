import fc from 'fast-check';
import type { RootPath } from '@undrel/core/roots';
import { toDrawing, toMetres } from '../../../drawings/planView';
import type { Point } from '../../../drawings/shapes';
import { moved, pinched, rootAt, zoomed, type Frame } from './lookedAt';

const within = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const frames: fc.Arbitrary<Frame> = fc.record({
  view: fc.record({ x: within(-2, 2), y: within(-2, 2), scale: within(60, 3000) }),
  width: fc.integer({ min: 300, max: 1200 }),
  height: fc.integer({ min: 300, max: 900 }),
});
const points: fc.Arbitrary<Point> = fc.tuple(within(0, 900), within(0, 900));
const near = ([x, y]: readonly [number, number], [u, v]: readonly [number, number]) => {
  expect(x).toBeCloseTo(u, 5);
  expect(y).toBeCloseTo(v, 5);
};

test('the place under the pointer stays under it, however far it is zoomed; nothing is shown larger or smaller than its bounds', () => {
  fc.assert(
    fc.property(frames, within(0.01, 100), points, (frame, by, about) => {
      const view = zoomed(frame, by, about);
      near(toMetres({ ...frame, view }, about), toMetres(frame, about));
      expect(view.scale).toBeGreaterThanOrEqual(40);
      expect(view.scale).toBeLessThanOrEqual(4000);
    }),
  );
});

test('what a finger holds goes where the finger goes', () => {
  fc.assert(
    fc.property(frames, points, points, (frame, from, at) => {
      near(toMetres({ ...frame, view: moved(frame.view, from, at) }, at), toMetres(frame, from));
    }),
  );
});

test('two fingers hold the place between them; within the bounds each holds its own where both only part', () => {
  fc.assert(
    fc.property(frames, points, points, points, points, (frame, a, b, c, d) => {
      const view = pinched(frame, { from: a, at: c }, { from: b, at: d });
      const half = (p: Point, q: Point): Point => [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2];
      near(toMetres({ ...frame, view }, half(c, d)), toMetres(frame, half(a, b)));
    }),
  );
  const frame: Frame = { view: { x: 0.2, y: -0.1, scale: 400 }, width: 600, height: 500 };
  const [one, two] = [
    { from: [250, 200] as Point, at: [150, 150] as Point },
    { from: [350, 300] as Point, at: [450, 350] as Point },
  ];
  const far = pinched(frame, one, two);
  // 141.4 px apart, then 360.6: as many times as large.
  expect(far.scale / frame.view.scale).toBeCloseTo(Math.hypot(300, 200) / Math.hypot(100, 100), 9);
});

test('a press finds the root on top, and none beside them', () => {
  const across = (y: number, radius: number): RootPath =>
    ({
      x: Float64Array.of(-0.5, 0.5),
      y: Float64Array.of(y, y),
      z: Float64Array.of(-0.1, -0.1),
      radius: Float64Array.of(radius, radius),
      along: Float64Array.of(0, 1),
      readAt: [],
      counted: 0,
    }) as unknown as RootPath;
  const frame: Frame = { view: { x: 0, y: 0, scale: 500 }, width: 600, height: 600 };
  const paths = [across(0, 0.05), across(0.03, 0.02)];
  const to = toDrawing(frame);
  expect(rootAt(frame, paths, to(0.1, -0.03))).toBe(0);
  // Where both lie, the one drawn last.
  expect(rootAt(frame, paths, to(0.1, 0.03))).toBe(1);
  expect(rootAt(frame, paths, to(0.1, 0.2))).toBeUndefined();
  expect(rootAt(frame, paths, to(0.7, 0))).toBeUndefined();
  fc.assert(
    fc.property(within(-0.4, 0.4), within(-0.2, 0.2), (x, y) => {
      const upper = Math.abs(y - 0.03) < 0.02;
      const lower = Math.abs(y) < 0.05;
      // The edge itself is neither.
      fc.pre(Math.abs(Math.abs(y - 0.03) - 0.02) > 1e-6 && Math.abs(Math.abs(y) - 0.05) > 1e-6);
      expect(rootAt(frame, paths, to(x, y))).toBe(upper ? 1 : lower ? 0 : undefined);
    }),
  );
});
