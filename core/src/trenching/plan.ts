import { percent } from '../units/share';
import type { Push, Tree, TrenchDesign } from '../records';
import { ESTABLISHED_YEARS, SPOKES, TRENCH_LIMITS, type SchoolInForce, type SpokeRules } from '../practice';
import { dripLine } from '../crown/dripLine';
import { isAnchor, structuralRootZone, type DigReading } from '../roots';
import { chanceBelow, mapOf, reachedAt, ROOM, type SoilMap } from '../soil';
import { longMark, rootsStopMark, shortMark } from '../units/marks';
import { along, blockedAlong, type Obstacle } from './clear';
import { layOut, type Layout, type LayoutRules, type Spoke } from './layout';
import { boxDistance, obstaclesFor, type Surroundings } from './obstacles';
import { pacedBy } from './seasons';

/** Radius of a root ball in stem radii, where the hole was not measured: ten stems across. */
const BALL = 10;
export interface PlannedSpoke extends Spoke {
  label: string;
  length: number;
  /** Season in which it is dug, from 1. */
  season: number;
  /** Fall along it, as a ratio, and the steps its floor is dug in. */
  fall: number;
  steps: number;
  /** Mapped roots it crosses that are left whole across it. */
  bridges: string[];
}

export interface TrenchPlan {
  rules: SpokeRules;
  zone: LayoutRules;
  obstacles: Obstacle[];
  /** Where the zone ends at each degree of bearing, m. */
  edges: number[];
  /** Radius of the crown at each degree of bearing, m; absent where it was not measured. */
  drip?: number[];
  layout: Layout;
  spokes: PlannedSpoke[];
  seasons: number;
  /** Area of the root zone, from the stem out to where it ends, m2. */
  rootZone: number;
  /** Share of it dug in all, and what is allowed in one season. */
  disturbed: number;
  allowedAtOnce: number;
  /** Where the figures come from, and what was assumed. */
  notes: string[];
  missing: string[];
  /** Why spokes are no way here, where they are not. */
  blocked?: string;
}

export interface TrenchSituation extends Surroundings {
  /** ISO date of the visit. */
  date: string;
  design: TrenchDesign;
  /** Pushes of a penetrometer: where soil is tight. */
  pushes?: readonly Push[];
  school: SchoolInForce;
  /** The school of trenches over time. */
  pace: SchoolInForce;
  stressed: boolean;
}

/** Spokes of the school in force; by age where the school says so. */
export function spokeRules(school: SchoolInForce, tree: Tree, date: string): SpokeRules {
  if (school.key === 'hand' || school.key === 'air') return SPOKES[school.key];
  const years = tree.plantedYear === undefined ? undefined : Number(date.slice(0, 4)) - tree.plantedYear;
  return years !== undefined && years < ESTABLISHED_YEARS ? SPOKES.hand : SPOKES.air;
}

const crosses = (
  [ax, ay]: readonly number[],
  [bx, by]: readonly number[],
  [cx, cy]: readonly number[],
  [dx, dy]: readonly number[],
): boolean => {
  const side = (px: number, py: number, qx: number, qy: number, rx: number, ry: number) =>
    (qx - px) * (ry - py) - (qy - py) * (rx - px);
  return (
    side(ax!, ay!, bx!, by!, cx!, cy!) * side(ax!, ay!, bx!, by!, dx!, dy!) < 0 &&
    side(cx!, cy!, dx!, dy!, ax!, ay!) * side(cx!, cy!, dx!, dy!, bx!, by!) < 0
  );
};

/** Mapped roots, other than anchors, that lie across a spoke above its floor and are thick enough to be left whole. */
function bridgedBy(spoke: Spoke, dig: DigReading | undefined, depth: number): string[] {
  const [ux, uy] = along(spoke.bearing);
  const [a, b] = [
    [spoke.from * ux, spoke.from * uy],
    [spoke.to * ux, spoke.to * uy],
  ];
  return (dig?.roots ?? [])
    .filter(({ root }) => !isAnchor(root))
    .filter(({ path }) =>
      Array.from(path.x.keys()).some(
        (i) =>
          i > 0 &&
          2 * path.radius[i]! >= TRENCH_LIMITS.bridged.value &&
          -path.z[i]! - path.radius[i]! < depth &&
          crosses(a!, b!, [path.x[i - 1]!, path.y[i - 1]!], [path.x[i]!, path.y[i]!]),
      ),
    )
    .map(({ root }) => root.label);
}

/** Said where the place of the tree came from a position. @param error m, in 95 of 100 */
export const unsurePlace = (error: number): string =>
  `its place on the plan came from a position and is sure to ± ${longMark(error)}: lines and trees are kept away from by as much more, and nothing is set out by tapes from fixed points; measure its place by tape`;

/** Fall of the ground along a bearing, as a ratio, whichever way it runs. */
export const fallAlong = (slope: TrenchDesign['slope'], bearing: number): number =>
  slope ? Math.abs(slope.fall * Math.cos(((bearing - slope.toward) * Math.PI) / 180)) : 0;

/** Depth at which roots stop, over the zone, from pushes about the tree. */
export const soilMap = (pushes: readonly Push[], stemRadius: number): SoilMap | undefined =>
  mapOf(
    pushes.flatMap((push) => {
      const reached = reachedAt(push);
      const [ux, uy] = along(push.bearing);
      const r = stemRadius + push.distance;
      return reached ? [{ x: r * ux, y: r * uy, value: reached.depth }] : [];
    }),
  );

/** The edge of the old planting hole: measured, from the pot whose shape the roots kept, or from the stem. */
export function holeEdge(
  design: TrenchDesign,
  tree: Tree,
  dig: DigReading | undefined,
): { radius: number; note: string } | undefined {
  if (design.holeRadius !== undefined) return { radius: design.holeRadius, note: 'hole edge as measured' };
  const pot = dig?.pot;
  if (pot) {
    return { radius: 1.5 * pot.half, note: 'hole taken as 1.5 times the old pot' };
  }
  const stem = tree.stemDiameter ?? tree.dbh;
  if (stem === undefined) return undefined;
  return {
    radius: (BALL * stem) / 2,
    note: 'hole edge estimated at ten stems across: feel for it with the rod',
  };
}

/** Where trenches may lie, and what is said of how it is known. */
interface Ground {
  zone: LayoutRules;
  edge: (bearing: number) => number;
  edges: number[];
  drip: number[] | undefined;
  notes: string[];
}

/** From the old hole, or from beyond the structural root zone, out to where roots are carried on. */
function groundOf({ tree, design, dig }: TrenchSituation, rules: SpokeRules): Ground {
  const stem = tree.stemDiameter ?? tree.dbh;
  const crown = dripLine(tree);
  const hole = holeEdge(design, tree, dig);
  const fromHole = rules.begins === 'hole';
  const from = fromHole
    ? Math.max(0.3, hole?.radius ?? 0.5)
    : Math.max(structuralRootZone(stem ?? 0), hole?.radius ?? 0);
  const drip = crown && Array.from({ length: 360 }, (_, bearing) => crown(bearing));
  const least = from + rules.leastReach;
  const edge = (bearing: number) => Math.max(least, (crown?.(bearing) ?? 0) * rules.reach);
  const edges = Array.from({ length: 360 }, (_, bearing) => edge(bearing));
  return {
    edge,
    edges,
    drip,
    zone: {
      width: rules.width,
      from,
      to: Math.max(...edges),
      innerSpacing: rules.innerSpacing,
      outerSpacing: rules.outerSpacing,
      leastLength: rules.leastLength,
      opened: TRENCH_LIMITS.opened.value,
      leastGain: TRENCH_LIMITS.leastGain.value,
    },
    notes: [
      fromHole
        ? (hole?.note ?? 'hole edge taken as 0.5 m')
        : 'begins beyond the structural root zone and the old hole',
      ...(!drip
        ? ['farthest reach assumed, crown radius not measured']
        : Math.min(...drip) * rules.reach < least
          ? ['the drip line lies too near for a trench: carried beyond it']
          : []),
    ],
  };
}

/** What would have to be measured for trenches to be laid where they belong. */
const missingFor = ({ tree }: TrenchSituation): string[] => [
  ...(tree.position ? [] : ['its place on the plan of the property']),
  ...(dripLine(tree) ? [] : ['crown radius']),
  ...((tree.stemDiameter ?? tree.dbh) === undefined ? ['stem diameter'] : []),
];

const soilNote = (map: SoilMap | undefined): string =>
  map
    ? `compacted where the penetrometer reaches ${rootsStopMark} above ${shortMark(ROOM)}, as likely as its readings make it; taken as compacted where there are none`
    : 'soil taken as compacted all over: fewer than three pushes of a penetrometer here';

/** The spokes of a layout as they are dug: numbered, in seasons, stepped where the ground falls. */
const plannedSpokes = (
  { spokes }: Layout,
  seasonOf: (index: number) => number,
  { slope }: TrenchDesign,
  dig: DigReading | undefined,
  depth: number,
): PlannedSpoke[] =>
  spokes.map((spoke, i) => {
    const fall = fallAlong(slope, spoke.bearing);
    const length = spoke.to - spoke.from;
    return {
      ...spoke,
      label: String(i + 1),
      length,
      season: seasonOf(i),
      fall,
      steps:
        fall > TRENCH_LIMITS.drainFall.value
          ? Math.ceil((fall * length) / TRENCH_LIMITS.stepHeight.value)
          : 0,
      bridges: bridgedBy(spoke, dig, depth),
    };
  });

/**
 * The trenches of a tree: the best spokes that its ground, its roots and the school allow, in seasons.
 *
 * @returns `blocked` says why where none can be laid; `missing` what would have to be measured
 */
export function planTrenches(situation: TrenchSituation): TrenchPlan {
  const { tree, date, design, dig, school } = situation;
  const rules = spokeRules(school, tree, date);
  const { zone, edge, edges, drip, notes } = groundOf(situation, rules);
  const map = soilMap(situation.pushes ?? [], (tree.stemDiameter ?? tree.dbh ?? 0) / 2);
  const obstacles = obstaclesFor(situation, rules);
  const steep = TRENCH_LIMITS.steepFall.value;
  const layout = layOut(
    zone,
    {
      edge,
      obstacles: obstacles.filter((o) => boxDistance(o) <= zone.to + o.clearance + zone.width / 2),
      tight: map && ((x, y) => chanceBelow(map, x, y, ROOM, 1)),
      refused: (bearing) =>
        fallAlong(design.slope, bearing) > steep
          ? `it would fall ${percent(fallAlong(design.slope, bearing))}: run it nearer the contour`
          : undefined,
    },
    design.locked,
    design.avoid,
  );
  // Half the square of the reach, summed round: the area of the root zone, stem and all.
  const area = edges.reduce((sum, r) => sum + r * r, 0) * (Math.PI / 360);
  const shares = layout.spokes.map((s) => ((s.to - s.from) * rules.width) / area);
  const { seasons, seasonOf, allowedAtOnce, why } = pacedBy(situation, shares);
  const spokes = plannedSpokes(layout, seasonOf, design, dig, rules.depth);
  return {
    rules,
    zone,
    obstacles,
    edges,
    ...(drip && { drip }),
    layout,
    spokes,
    seasons,
    rootZone: area,
    disturbed: (layout.length * rules.width) / area,
    allowedAtOnce,
    notes: [
      ...(tree.position?.error ? [unsurePlace(tree.position.error)] : []),
      ...notes,
      soilNote(map),
      why,
    ],
    missing: missingFor(situation),
    ...(spokes.length === 0 && { blocked: whyNone(layout, zone, obstacles) }),
  };
}

/** Bearings looked along for what stands in the way, degrees apart. */
const LOOK = 10;

function whyNone(layout: Layout, zone: LayoutRules, obstacles: readonly Obstacle[]): string {
  if (layout.free > 0) return 'No bearing brings enough compacted soil.';
  const met = new Map<string, number>();
  for (let bearing = 0; bearing < 360; bearing += LOOK)
    for (const { by, from, to } of blockedAlong(bearing, obstacles, zone.width))
      if (from < zone.to && to > zone.from) met.set(by, (met.get(by) ?? 0) + 1);
  const names = [...met].sort((a, b) => b[1] - a[1]).map(([name]) => name);
  return `No bearing is free for a trench${names.length > 0 ? `: ${names.slice(0, 3).join(', ')} in the way` : ''}.`;
}
