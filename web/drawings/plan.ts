import type { UnitSystem } from '@undrel/core/units';
import { scaleBar } from './scaleBar';

/** Where metres of a plan lie in a drawing: x east to the right, y north upward. */
export interface PlanFrame {
  width: number;
  height: number;
  scale: number;
  x: (east: number) => number;
  y: (north: number) => number;
  /** Drawing units back to metres. */
  toMetres: (px: number, py: number) => [east: number, north: number];
  bar: { length: number; label: string };
}

/** A frame that shows all points with a margin; at least 20 m across. */
export function planFrame(
  points: readonly (readonly [number, number])[],
  size: { width: number; height: number },
  system: UnitSystem,
): PlanFrame {
  const xs = points.map((p) => p[0]);
  const ys = points.map((p) => p[1]);
  const [west, east] = points.length > 0 ? [Math.min(...xs), Math.max(...xs)] : [0, 20];
  const [south, north] = points.length > 0 ? [Math.min(...ys), Math.max(...ys)] : [0, 20];
  const margin = 44;
  const scale = Math.min(
    (size.width - 2 * margin) / Math.max(20, east - west),
    (size.height - 2 * margin) / Math.max(20, north - south),
  );
  const [cx, cy] = [(west + east) / 2, (south + north) / 2];
  return {
    ...size,
    scale,
    x: (e) => size.width / 2 + (e - cx) * scale,
    y: (n) => size.height / 2 - (n - cy) * scale,
    toMetres: (px, py) => [cx + (px - size.width / 2) / scale, cy - (py - size.height / 2) / scale],
    bar: scaleBar(scale, system, size.width * 0.25),
  };
}
