import polygonClipping, { type MultiPolygon, type Pair, type Polygon } from 'polygon-clipping';
import { seeded } from '../growth/random';
import { compressionOf, togetherOf } from './compression';
import { outlineFrom, planPoint } from './outline';
import { pathThrough, type RootPath } from './path';
import { share } from '../../tests/anyCase';

/**
 * The share of bark under roots, found a second way by a general polygon library: what lies in a tube or straight
 * behind it, seen from the centre of the stem, is cut out of a thin ring of bark.
 */
const SIDES = 48;
const FAR = 4;

const hull = (points: Pair[]): Pair[] => {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (list: Pair[]) => {
    const out: Pair[] = [];
    for (const p of list) {
      while (out.length > 1) {
        const [a, b] = [out[out.length - 2]!, out[out.length - 1]!];
        if ((b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0]) > 0) break;
        out.pop();
      }
      out.push(p);
    }
    return out.slice(0, -1);
  };
  return [...half(sorted), ...half(sorted.reverse())];
};

const disk = (x: number, y: number, r: number): Pair[] =>
  Array.from({ length: SIDES }, (_, i): Pair => {
    const a = (2 * Math.PI * i) / SIDES;
    return [
      x + (r * Math.cos(a)) / Math.cos(Math.PI / SIDES),
      y + (r * Math.sin(a)) / Math.cos(Math.PI / SIDES),
    ];
  });

function shadows(path: RootPath): Polygon[] {
  const pieces: Polygon[] = [];
  for (let i = 0; i + 1 < path.x.length; i++) {
    const body = [
      ...disk(path.x[i]!, path.y[i]!, path.radius[i]!),
      ...disk(path.x[i + 1]!, path.y[i + 1]!, path.radius[i + 1]!),
    ];
    pieces.push([hull([...body, ...body.map(([x, y]): Pair => [FAR * x, FAR * y])])]);
  }
  return pieces;
}

const area = (shape: MultiPolygon): number =>
  shape.reduce(
    (sum, polygon) =>
      sum +
      polygon.reduce((rings, ring, k) => {
        let twice = 0;
        for (let i = 0; i + 1 < ring.length; i++)
          twice += ring[i]![0] * ring[i + 1]![1] - ring[i + 1]![0] * ring[i]![1];
        return rings + (k === 0 ? 1 : -1) * Math.abs(twice / 2);
      }, 0),
    0,
  );

const circle = (r: number): Pair[] =>
  Array.from({ length: 2880 }, (_, i): Pair => {
    const a = (2 * Math.PI * i) / 2880;
    return [r * Math.cos(a), r * Math.sin(a)];
  });

test('the compressed share agrees with a polygon library on random digs', () => {
  const random = seeded(11);
  const R = 0.2;
  const bark: Polygon = [circle(R), circle(R * 0.9995)];
  const outline = outlineFrom(() => R, 'radii');
  for (let trial = 0; trial < share(12); trial++) {
    const paths = Array.from({ length: 1 + Math.floor(random() * 4) }, () => {
      const [at, turn] = [random() * 360, (random() - 0.5) * 220];
      const [gap, r, end] = [(random() - 0.35) * 0.03, 0.008 + random() * 0.035, random() * 0.4];
      return pathThrough(
        Array.from({ length: 5 }, (_, i) => {
          const t = i / 4;
          const [x, y] = planPoint(at + turn * t, R + gap + r + end * t * t);
          return { x, y, depth: 0.1, radius: r };
        }),
      );
    });
    const found = togetherOf(
      paths.map((path) => compressionOf(path, 0, outline, { tolerance: 0, underside: Infinity })),
      outline,
    );
    const [first, ...rest] = paths.flatMap(shadows);
    const covered = polygonClipping.intersection(bark, polygonClipping.union(first!, ...rest));
    expect([trial, Math.abs(found.share - area(covered) / area([bark])) < 0.003]).toEqual([trial, true]);
  }
});
