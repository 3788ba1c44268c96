import type { Site, SiteThing, Tree } from '../records';
import { obstacleKind, TRENCH_LIMITS, type SpokeRules } from '../practice';
import { isAnchor, structuralRootZone, type DigReading } from '../roots';
import type { Obstacle } from './clear';

/** Vertices of a mapped root that are kept: one in so many, each piece as thick as its thickest. */
const EVERY = 6;

/** What stands about a tree and in its ground. */
export interface Surroundings {
  tree: Tree;
  /** What stands and lies about it, and the other trees, on the plan of the property. */
  site: readonly SiteThing[];
  others?: Site['others'];
  dig?: DigReading;
}

/**
 * What a trench keeps away from, in metres from the stem. Where the tree's place is known to some metres only, what the plan
 * shows about it is known no better: it is kept away from by as much more.
 */
export function obstaclesFor(
  { tree, site, others = [], dig }: Surroundings,
  rules: Pick<SpokeRules, 'depth'>,
): Obstacle[] {
  const at = tree.position;
  const near = (points: SiteThing['points']) =>
    points.map(([x, y]): [number, number] => [x - at!.x, y - at!.y]);
  const things = at
    ? site.map(({ name, kind, shape, points }): Obstacle => ({
        name,
        shape,
        points: near(points),
        clearance: obstacleKind(kind).clearance + (at.error ?? 0),
      }))
    : [];
  const trees = at
    ? others.map((other): Obstacle => ({
        name: other.label,
        shape: 'line',
        points: near([[other.x, other.y]]),
        clearance: structuralRootZone(other.stemDiameter ?? 0) + Math.hypot(at.error ?? 0, other.error ?? 0),
      }))
    : [];
  const anchors = (dig?.roots ?? [])
    .filter(({ root }) => isAnchor(root))
    .flatMap(({ root, path }): Obstacle[] => {
      const kept = Array.from(path.x.keys()).filter((i) => i % EVERY === 0 || i === path.x.length - 1);
      const shallow = kept.filter(
        (i) => -path.z[i]! - path.radius[i]! < rules.depth + TRENCH_LIMITS.rootClearance.value,
      );
      if (shallow.length < 2) return [];
      return [
        {
          name: `root ${root.label}`,
          shape: 'line',
          points: shallow.map((i): [number, number] => [path.x[i]!, path.y[i]!]),
          clearance: Math.max(...shallow.map((i) => path.radius[i]!)) + TRENCH_LIMITS.rootClearance.value,
        },
      ];
    });
  return [...things, ...trees, ...anchors];
}

/** How near the box about an obstacle comes to the stem, m. */
export function boxDistance({ points }: Obstacle): number {
  const beyond = (values: readonly number[]) => Math.max(0, Math.min(...values), -Math.max(...values));
  return Math.hypot(beyond(points.map(([x]) => x)), beyond(points.map(([, y]) => y)));
}
