import { formatLength, shortUnit, type UnitSystem } from '@undrel/core/units';
import { words, type Drawing, type Shape } from './shapes';

/** Drawing units for a metre. */
const SCALE = 170;
const WIDTH = 560;
const HEIGHT = 250;
const GRADE = 180;
/** A stem as they stand on such grounds, m. */
const STEM = 0.13;
const RING = 0.75;
/** The cone that is never laid: its height at the bark, m. */
const CONE = 0.35;

const text = words({ size: 17, tone: 'ink', anchor: 'middle', halo: 'paper' });

/** A stem with its flare, in section. */
function stem(x: number, tone: 'sheet'): Shape {
  const r = STEM * SCALE;
  const flare = 2.1 * r;
  return {
    as: 'area',
    points: [
      [x - r, 24],
      [x + r, 24],
      [x + r, GRADE - 34],
      [x + 1.35 * r, GRADE - 12],
      [x + flare, GRADE + 6],
      [x + flare + 14, GRADE + 22],
      [x - flare - 14, GRADE + 22],
      [x - flare, GRADE + 6],
      [x - 1.35 * r, GRADE - 12],
      [x - r, GRADE - 34],
    ],
    tone,
    edge: 'ink',
  };
}

const ground = (from: number, to: number): Shape => ({
  as: 'area',
  points: [
    [from, GRADE],
    [to, GRADE],
    [to, HEIGHT - 26],
    [from, HEIGHT - 26],
  ],
  tone: 'loam',
});

/**
 * How mulch is laid and how it never is, side by side, in section.
 *
 * @param depth of the ring, m @param clearance between bark and mulch, m
 */
export function mulchNotice(depth: number, clearance: number, system: UnitSystem): Drawing {
  const [good, bad] = [WIDTH / 4, (3 * WIDTH) / 4];
  const half = WIDTH / 2 - 10;
  const r = STEM * SCALE;
  const long = (m: number) => formatLength(m, shortUnit(system), 0.005);
  const [t, c] = [Math.max(6, depth * SCALE), Math.max(8, clearance * SCALE)];
  const inner = 1.9 * r + c;
  const outer = RING * SCALE;
  const ring = (side: 1 | -1): Shape => ({
    as: 'area',
    points: [
      [good + side * inner, GRADE],
      [good + side * inner, GRADE - t],
      [good + side * outer, GRADE - t],
      [good + side * (outer + 8), GRADE],
    ],
    tone: 'mulch',
    edge: 'ink',
  });
  const cone: Shape = {
    as: 'area',
    points: [
      [bad - outer, GRADE],
      [bad - r, GRADE - CONE * SCALE],
      [bad + r, GRADE - CONE * SCALE],
      [bad + outer, GRADE],
    ],
    tone: 'mulch',
    edge: 'ink',
  };
  const cross = 62;
  return {
    width: WIDTH,
    height: HEIGHT,
    shapes: [
      ground(10, half),
      ground(WIDTH - half, WIDTH - 10),
      stem(good, 'sheet'),
      ring(1),
      ring(-1),
      stem(bad, 'sheet'),
      cone,
      {
        as: 'marks',
        tone: 'harm',
        width: 5,
        segments: [
          [
            [bad - cross, GRADE - 100],
            [bad + cross, GRADE + 14],
          ],
          [
            [bad + cross, GRADE - 100],
            [bad - cross, GRADE + 14],
          ],
        ],
      },
      {
        as: 'marks',
        tone: 'todo',
        width: 1.5,
        segments: [
          [
            [good + 1.9 * r, GRADE - t - 10],
            [good + inner, GRADE - t - 10],
          ],
          [
            [good + outer + 16, GRADE - t],
            [good + outer + 16, GRADE],
          ],
        ],
      },
      text([good + 1.9 * r + c / 2, GRADE - t - 18], long(clearance), { tone: 'todo', strong: true }),
      text([good + outer - 6, GRADE - t - 10], long(depth), { tone: 'todo', strong: true }),
      text([good, HEIGHT - 6], 'Like this', { strong: true }),
      text([bad, HEIGHT - 6], 'Never like this', { tone: 'harm', strong: true }),
    ],
  };
}
