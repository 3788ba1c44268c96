import type { RootKind } from '../records';
import type { RootLaid } from './reading';
import { bearingGap } from '../geometry';
import { planPoint } from './outline';

/** A root where a vertical plane through the stem cuts it: an oval, m. */
export interface RootOval {
  label: string;
  kind: RootKind;
  /** Along the plane from the centre of the stem, towards its bearing positive. */
  x: number;
  /** Height of its middle, below grade negative. */
  z: number;
  /** Half its width in the plane, and half its height. */
  halfWidth: number;
  halfHeight: number;
}

/** A root that runs nearly along the plane is drawn no longer than this many of its radii. */
const MOST_STRETCH = 6;

/**
 * What the section along a bearing meets: every root of the dig that crosses the plane, as a true oval at its depth.
 *
 * @param bearing degrees from true north
 */
export function rootOvals(roots: readonly RootLaid[], bearing: number): RootOval[] {
  const [sin, cos] = planPoint(bearing, 1);
  return roots.flatMap(({ root, path }) => {
    const found: RootOval[] = [];
    for (let i = 0; i + 1 < path.x.length; i++) {
      const va = path.x[i]! * cos - path.y[i]! * sin;
      const vb = path.x[i + 1]! * cos - path.y[i + 1]! * sin;
      if (va * vb > 0 || va === vb) continue;
      const t = va / (va - vb);
      if (t >= 1) continue;
      const mix = (of: Float64Array) => of[i]! + (of[i + 1]! - of[i]!) * t;
      const run = Math.hypot(path.x[i + 1]! - path.x[i]!, path.y[i + 1]! - path.y[i]!);
      const across = Math.abs(vb - va) / run;
      const radius = mix(path.radius);
      found.push({
        label: root.label,
        kind: root.kind,
        x: mix(path.x) * sin + mix(path.y) * cos,
        z: mix(path.z),
        halfWidth: Math.min(MOST_STRETCH, 1 / across) * radius,
        halfHeight: radius,
      });
    }
    return found;
  });
}

/** A holding root that runs out nearly along the plane, seen from the side: distance along it, top and underside, m. */
export interface RootAlong {
  label: string;
  points: { x: number; top: number; bottom: number }[];
}

/** Roots within this angle of the plane are seen along it, degrees. */
const ALONG_WITHIN = 30;

/**
 * Holding roots that leave the stem towards the section's bearing or away from it, as they look from the side. Such a
 * root hardly crosses the plane, and an oval would say nothing of it.
 */
export function rootsAlong(roots: readonly RootLaid[], bearing: number): RootAlong[] {
  const [sin, cos] = planPoint(bearing, 1);
  return roots.flatMap(({ root, path, leavesAt }) => {
    if (leavesAt === undefined || root.kind !== 'structural') return [];
    const away = bearingGap(leavesAt, bearing);
    if (Math.min(away, 180 - away) > ALONG_WITHIN) return [];
    const points = Array.from(path.x, (x, i) => ({
      x: x * sin + path.y[i]! * cos,
      top: path.z[i]! + path.radius[i]!,
      bottom: path.z[i]! - path.radius[i]!,
    }));
    return [{ label: root.label, points }];
  });
}

/** What a section shows of a dig. */
export interface DugSection {
  ovals: RootOval[];
  along: RootAlong[];
}

/** What the section along a bearing shows of roots, as {@link rootsLaid} or a whole reading has them. */
export const dugSection = (roots: readonly RootLaid[], bearing: number): DugSection => {
  const along = rootsAlong(roots, bearing);
  const seen = new Set(along.map((r) => r.label));
  return { along, ovals: rootOvals(roots, bearing).filter((oval) => !seen.has(oval.label)) };
};
