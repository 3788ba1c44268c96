import type { RootPath } from '@undrel/core/roots';
import type { Point } from './shapes';

/** Both edges of a root in plan, one out and the other back, with a blunt end; `to` places metres on the drawing. */
export function tubeOutline(path: RootPath, to: (x: number, y: number) => Point): Point[] {
  const n = path.x.length;
  const left: Point[] = [];
  const right: Point[] = [];
  for (let i = 0; i < n; i++) {
    const [a, b] = [Math.max(0, i - 1), Math.min(n - 1, i + 1)];
    const [dx, dy] = [path.x[b]! - path.x[a]!, path.y[b]! - path.y[a]!];
    const run = Math.hypot(dx, dy) || 1;
    const r = path.radius[i]!;
    left.push(to(path.x[i]! - (dy / run) * r, path.y[i]! + (dx / run) * r));
    right.push(to(path.x[i]! + (dy / run) * r, path.y[i]! - (dx / run) * r));
  }
  return [...left, ...right.reverse()];
}

export const centreline = (path: RootPath, to: (x: number, y: number) => Point): Point[] =>
  Array.from(path.x, (x, i) => to(x, path.y[i]!));
