import type { UnitSystem } from '@undrel/core/units';
import type { SiteThing } from '@undrel/core/records';
import { planFrame } from './plan';
import type { Drawing, Point, Shape } from './shapes';

/** A tree on the map: where it stands, and whether there is work at it. */
export interface MappedTree {
  label: string;
  x: number;
  y: number;
  work: boolean;
}

const DOT = 4;
/** Least height of the map, drawing units. */
const LEAST = 140;
const SIDES = 12;

const dot = (x: number, y: number, radius: number): Point[] =>
  Array.from({ length: SIDES }, (_, i): Point => {
    const angle = (2 * Math.PI * i) / SIDES;
    return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)];
  });

/** The grounds with their trees, true scale, north up; trees with work are filled and named. @param most its greatest height */
export function propertyMap(
  plan: readonly SiteThing[],
  trees: readonly MappedTree[],
  { width, most }: { width: number; most: number },
  system: UnitSystem,
): Drawing {
  const points = [...plan.flatMap((o) => o.points), ...trees.map((t): [number, number] => [t.x, t.y])];
  const across = (axis: 0 | 1) => {
    const values = points.map((p) => p[axis]);
    return Math.max(20, Math.max(...values) - Math.min(...values));
  };
  const size = {
    width,
    height: Math.min(most, Math.max(LEAST, (across(1) / across(0)) * width + LEAST / 2)),
  };
  const frame = planFrame(points, size, system);
  const at = ([x, y]: readonly [number, number]): Point => [frame.x(x), frame.y(y)];
  const bar = 14;
  const base = size.height - bar;
  const shapes: Shape[] = [
    ...plan.map((o): Shape =>
      o.shape === 'area'
        ? { as: 'area', points: o.points.map(at), tone: 'fill', edge: 'muted' }
        : { as: 'line', points: o.points.map(at), tone: 'muted', width: 1.5 },
    ),
    ...trees.flatMap((t, i): Shape[] => {
      const [x, y] = at([t.x, t.y]);
      return [
        { as: 'area', points: dot(x, y, DOT), tone: t.work ? 'todo' : 'sheet', edge: 'ink' },
        ...(t.work
          ? [
              {
                as: 'text' as const,
                at: [x, i % 2 === 0 ? y - DOT - 3 : y + DOT + 10] as Point,
                text: t.label,
                size: 9,
                tone: 'ink' as const,
                anchor: 'middle' as const,
                halo: 'paper' as const,
              },
            ]
          : []),
      ];
    }),
    {
      as: 'line',
      points: [
        [bar, base],
        [bar + frame.bar.length, base],
      ],
      tone: 'ink',
      width: 2,
    },
    { as: 'text', at: [bar, base - 4], text: frame.bar.label, size: 10, tone: 'ink', anchor: 'start' },
  ];
  return { ...size, shapes };
}
