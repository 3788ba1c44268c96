import { keeping } from '../kept';
import { sectorOf } from '../questions/question';
import type { Dig, DugRoot, Tree } from '../records';
import { stemRadius } from '../records/stem';
import { anchorageOf, type Anchorage, type Leaving } from './anchors';
import {
  clearanceTo,
  compressionOf,
  leavesBase,
  LAYERS,
  togetherOf,
  TOUCH_TOLERANCE,
  type Compression,
  type CompressionRule,
} from './compression';
import { meetingsOf, type Crossing, type Pressing } from './crossings';
import { bearingOf, outlineOf, type Outline } from './outline';
import { pathThrough, pieceFor, placed, type RootPath } from './path';
import { potOf, wallPlaces, type OldPot } from './pot';
import { digProblems, type DigProblem } from './problems';
import type { Arc } from './arcs';

/** A root as it lies about the stem. */
export interface RootLaid {
  root: DugRoot;
  path: RootPath;
  /** Bearing at which it leaves the stem; undefined for one that grows from another, or was met on its way. */
  leavesAt: number | undefined;
}

export interface RootReading extends RootLaid {
  /** Vertex from which it counts against the stem, see {@link leavesBase}. */
  counted: number;
  compression: Compression;
  /** How far the share would be another if the root ran straight from reading to reading. */
  spread: number;
  /** Least distance of its edge from the bark, m, and the bearing of that place. */
  clearance: number | undefined;
  nearestBearing: number | undefined;
  /** Angle between root and radius where it is nearest: 90 squarely across, 0 straight out. */
  crossingAngle: number | undefined;
  /** Cross-section where it leaves the stem, m2; undefined for a root that does not. */
  area: number | undefined;
  /** Of the cross-section of all roots that leave the stem, and of those in its sector of 45 degrees. */
  shareOfArea: number;
  shareOfSector: number;
  length: number;
  crossings: Crossing[];
  pressings: Pressing[];
}

/** All that follows from one dig by geometry alone. */
export interface DigReading {
  outline: Outline;
  /** Degrees added to the compass bearings. */
  turn: number;
  roots: RootReading[];
  /** What all roots together compress. */
  arcs: Arc[];
  share: number;
  /** The same of the share: what the roots leave open between their readings, taken as independent of each other. */
  spread: number;
  byLayer: { to: number; share: number }[];
  /** Roots whose top is deeper than this pass under the stem, m below grade. */
  underside: number;
  crossings: Crossing[];
  pressings: Pressing[];
  anchorage: Anchorage;
  pot: OldPot | undefined;
  problems: DigProblem[];
}

export const isDrawn = (root: DugRoot): boolean => root.points.length > 0;

/** Whether a dig holds a root that was drawn. */
export const isMapped = (dig: Pick<Dig, 'roots'> | undefined): boolean => dig?.roots.some(isDrawn) ?? false;

/** A root grows from another for this many of its diameters before the two are taken to press. */
const SHARED_BASE = 3;

/** Top of the first structural roots and the thickness below it bound what can press on the stem, m below grade. */
const undersideOf = (roots: readonly DugRoot[], outline: Outline): number => {
  const collar = roots.filter((r) => r.kind === 'structural' && r.start === 'stem' && r.points.length > 0);
  if (collar.length === 0) return Infinity;
  return Math.max(...collar.map((r) => r.points[0]!.depth + r.points[0]!.diameter)) + outline.meanRadius;
};

function angleAt(path: RootPath, i: number): number {
  const [before, after] = [Math.max(0, i - 1), Math.min(path.x.length - 1, i + 1)];
  const [dx, dy] = [path.x[after]! - path.x[before]!, path.y[after]! - path.y[before]!];
  const out = Math.hypot(path.x[i]!, path.y[i]!);
  const run = Math.hypot(dx, dy);
  if (out === 0 || run === 0) return 0;
  return (Math.acos(Math.min(1, Math.abs(dx * path.x[i]! + dy * path.y[i]!) / (out * run))) * 180) / Math.PI;
}

/** Degrees to add to bearings of a dig to make them true. */
export const turnOf = (dig: Pick<Dig, 'north' | 'declination'>): number =>
  dig.north === 'magnetic' ? (dig.declination ?? 0) : 0;

/** What was worked out for a root before, and what it rested on. */
interface Known {
  outline: Outline;
  frame: string;
  path: RootPath;
  compression?: {
    rule: CompressionRule;
    counted: number;
    found: Compression;
    spread: number;
    near: ReturnType<typeof clearanceTo>;
  };
}

const knownRoots = new WeakMap<DugRoot, Known>();
const OUTLINES_KEPT = 20;
const knownOutlines = keeping<Outline>(OUTLINES_KEPT);

/** The same stem gives the same object, so that what rests on it can be kept. */
const outlineKept = (dig: Dig, turn: number, fallback: number | undefined): Outline =>
  knownOutlines([dig.radii, dig.diameters, dig.buttresses, turn, fallback], () =>
    outlineOf(dig, turn, fallback),
  );

function pathKept(root: DugRoot, dig: Dig, turn: number, outline: Outline): RootPath {
  const frame = `${dig.measuredFrom} ${turn}`;
  const kept = knownRoots.get(root);
  if (kept?.outline === outline && kept.frame === frame) return kept.path;
  const path = pathThrough(placed(dig, turn, outline, root), pieceFor(outline.meanRadius));
  knownRoots.set(root, { outline, frame, path });
  return path;
}

/** How far the share of a root is another one when it runs straight from reading to reading. */
function spreadOf(
  root: DugRoot,
  dig: Dig,
  turn: number,
  outline: Outline,
  rule: CompressionRule,
  share: number,
): number {
  if (root.points.length < 3) return 0;
  const path = pathThrough(placed(dig, turn, outline, root), pieceFor(outline.meanRadius), 'straight');
  const straight = compressionOf(path, leavesBase(path, root.start === 'stem', outline), outline, rule);
  return Math.abs(straight.share - share);
}

function pressureKept(
  root: DugRoot,
  dig: Dig,
  turn: number,
  path: RootPath,
  outline: Outline,
  rule: CompressionRule,
) {
  const kept = knownRoots.get(root)!;
  if (kept.compression?.rule.underside !== rule.underside) {
    const counted = leavesBase(path, root.start === 'stem', outline);
    const found = compressionOf(path, counted, outline, rule);
    kept.compression = {
      rule,
      counted,
      found,
      spread: spreadOf(root, dig, turn, outline, rule, found.share),
      near: clearanceTo(path, counted, outline),
    };
  }
  return kept.compression!;
}

const leavesStem = (root: DugRoot, path: RootPath): number | undefined =>
  root.start === 'stem' ? bearingOf(path.x[0]!, path.y[0]!) : undefined;

/** The roots of a dig where they lie, and nothing of what they do: a tenth of the work of {@link readDig}. */
export function rootsLaid(tree: Pick<Tree, 'stemDiameter' | 'dbh'>, dig: Dig): RootLaid[] {
  const turn = turnOf(dig);
  const outline = outlineKept(dig, turn, stemRadius(tree));
  return dig.roots.filter(isDrawn).map((root) => {
    const path = pathKept(root, dig, turn, outline);
    return { root, path, leavesAt: leavesStem(root, path) };
  });
}

/**
 * Reads a dig: what each root compresses and crosses, what holds the tree, where the old pot was.
 *
 * @param tree its stem diameter stands in where the dig has no outline
 */
export function readDig(tree: Pick<Tree, 'stemDiameter' | 'dbh'>, dig: Dig): DigReading {
  const turn = turnOf(dig);
  const outline = outlineKept(dig, turn, stemRadius(tree));
  const laid = rootsLaid(tree, dig);
  const drawn = laid.map(({ root }) => root);
  const paths = laid.map(({ path }) => path);
  const rule = { tolerance: TOUCH_TOLERANCE, underside: undersideOf(drawn, outline) };
  const indexOf = new Map(drawn.map((root, i) => [root.label, i]));
  const { crossings, pressings } = meetingsOf(
    paths,
    (a, b) => drawn[a]!.over?.includes(drawn[b]!.label) ?? false,
    (a, b) => {
      const root = drawn[a]!;
      if (root.start !== 'root' || indexOf.get(root.from ?? '') !== b) return 0;
      const own = SHARED_BASE * 2 * paths[a]!.radius[0]!;
      const at = paths[a]!.along.findIndex((run) => run >= own);
      return at < 0 ? paths[a]!.x.length : at;
    },
  );
  const crossingsOf = drawn.map((): Crossing[] => []);
  const pressingsOf = drawn.map((): Pressing[] => []);
  for (const c of crossings) for (const i of [c.over, c.under]) crossingsOf[i]!.push(c);
  for (const p of pressings) for (const i of [p.a, p.b]) pressingsOf[i]!.push(p);
  const leaving = laid.map(({ root, path, leavesAt }): Leaving | undefined =>
    leavesAt === undefined ? undefined : { root, bearing: leavesAt, area: Math.PI * path.radius[0]! ** 2 },
  );
  const all = leaving.filter((l) => l !== undefined);
  const whole = all.reduce((sum, l) => sum + l.area, 0);
  const roots = laid.map((one, i): RootReading => {
    const { root, path } = one;
    const { counted, found, spread, near } = pressureKept(root, dig, turn, path, outline, rule);
    const out = leaving[i];
    const sector = out
      ? all.filter((l) => sectorOf(l.bearing) === sectorOf(out.bearing)).reduce((sum, l) => sum + l.area, 0)
      : 0;
    return {
      ...one,
      counted,
      compression: found,
      spread,
      clearance: near?.clearance,
      nearestBearing: near && bearingOf(path.x[near.vertex]!, path.y[near.vertex]!),
      crossingAngle: near && angleAt(path, near.vertex),
      area: out?.area,
      shareOfArea: out && whole > 0 ? out.area / whole : 0,
      shareOfSector: out && sector > 0 ? out.area / sector : 0,
      length: path.along[path.along.length - 1] ?? 0,
      crossings: crossingsOf[i]!,
      pressings: pressingsOf[i]!,
    };
  });
  const together = togetherOf(
    roots.map((r) => r.compression),
    outline,
  );
  return {
    outline,
    turn,
    roots,
    arcs: together.arcs,
    share: together.share,
    spread: Math.hypot(...roots.map((r) => r.spread)),
    underside: rule.underside,
    byLayer: LAYERS.map((to, i) => ({ to, share: together.byLayer[i]! })),
    crossings,
    pressings,
    anchorage: anchorageOf(all),
    pot: potOf(drawn, paths, wallPlaces(dig.pot, turn)),
    problems: digProblems(dig, drawn, paths, outline),
  };
}
