import fc from 'fast-check';
import { meetingsOf, ROOTS_NEAR, ROOTS_TOUCH } from './crossings';
import { pathThrough, type RootPath } from './path';

type Point = readonly [number, number, number];

/** From a point to the piece k of a path in space, less the radius there, m: nearest of the perpendicular foot and both ends. */
function toPiece([x, y, z]: Point, path: RootPath, k: number): number {
  const at = (t: number) => {
    const here = (of: Float64Array) => of[k]! + (of[k + 1]! - of[k]!) * t;
    return Math.hypot(x - here(path.x), y - here(path.y), z - here(path.z)) - here(path.radius);
  };
  const [a, b] = [k, k + 1].map((i): Point => [path.x[i]!, path.y[i]!, path.z[i]!]) as [Point, Point];
  const run = a.map((v, i) => b[i]! - v);
  const foot = [x, y, z].reduce((sum, v, i) => sum + (v - a[i]!) * run[i]!, 0);
  return at(Math.min(1, Math.max(0, foot / (run.reduce((sum, v) => sum + v * v, 0) || 1))));
}

/** On which side of the line through a and b a point lies. */
const side = (a: Point, b: Point, [x, y]: Point) =>
  Math.sign((b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0]));

/** Each vertex against each piece, none passed over. */
function everyPair(a: RootPath, b: RootPath) {
  const vertex = (path: RootPath, i: number): Point => [path.x[i]!, path.y[i]!, path.z[i]!];
  let [gap, length, crossings] = [Infinity, 0, 0];
  for (let i = 0; i < a.x.length; i++) {
    let nearest = Infinity;
    for (let k = 0; k + 1 < b.x.length; k++) {
      nearest = Math.min(nearest, toPiece(vertex(a, i), b, k) - a.radius[i]!);
      if (i + 1 === a.x.length) continue;
      const [p, q, r, s] = [vertex(a, i), vertex(a, i + 1), vertex(b, k), vertex(b, k + 1)];
      if (side(p, q, r) !== side(p, q, s) && side(r, s, p) !== side(r, s, q)) crossings++;
    }
    gap = Math.min(gap, nearest);
    if (nearest <= ROOTS_TOUCH && i > 0) length += a.along[i]! - a.along[i - 1]!;
  }
  return { gap, length, crossings };
}

/** Whole tenths of a millimetre, none oftener than another: roots that meet in a point of both count there by how they are read. */
const between = (least: number, most: number) =>
  fc.noBias(fc.integer({ min: least * 1e4, max: most * 1e4 })).map((v) => v / 1e4);
const root = fc
  .array(
    fc.record({
      x: between(-0.4, 0.4),
      y: between(-0.4, 0.4),
      depth: between(0.02, 0.3),
      radius: between(0.002, 0.05),
    }),
    { minLength: 2, maxLength: 5 },
  )
  .map((points) => pathThrough(points));

test('how near two roots come, how far they press and where they cross is as each vertex against each piece tells', () => {
  let [near, pressed, crossed] = [0, 0, 0];
  fc.assert(
    fc.property(root, root, (a, b) => {
      const known = everyPair(a, b);
      const { crossings, pressings } = meetingsOf(
        [a, b],
        () => false,
        () => 0,
      );
      expect(crossings).toHaveLength(known.crossings);
      expect(pressings).toHaveLength(known.gap <= ROOTS_NEAR ? 1 : 0);
      if (known.crossings > 0) crossed++;
      if (!pressings[0]) return;
      near++;
      if (known.length > 0) pressed++;
      expect(pressings[0].gap).toBeCloseTo(known.gap, 12);
      expect(pressings[0].length).toBeCloseTo(known.length, 12);
    }),
    { numRuns: 300 },
  );
  // Roots of each kind were among them.
  expect(Math.min(near, pressed, crossed, 300 - near)).toBeGreaterThan(10);
});
