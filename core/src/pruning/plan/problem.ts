import { CUT_RANGES } from '../../records/cuts';
import type { CutDesign, CutLimits, DugRoot, Tree } from '../../records';
import { closesAt, FOLLOWED } from '../../growth/closing';
import { rootRate, type StemRate } from '../../growth/rates';
import { CUT_PLAN, LIMITS, schoolFor, TOTAL_LOSS, type SchoolInForce } from '../../practice';
import type { House } from '../../house';
import { speciesFor } from '../../species';
import { isAnchor, type DigReading, type RootReading } from '../../roots';
import { buriedIn, onAnchors } from '../buried';
import { cutsFor, type Cut } from '../cuts';

/** Sectors of the bark that a plan counts in. */
export const SECTORS_OF_BARK = 72;

/** A root as the plan sees it. Shares are of the cross-section of all roots that leave the stem. */
export interface Candidate {
  label: string;
  /** Years from now from which it presses on each sector of the bark at the middle rates; Infinity where it never does. */
  presses: Float64Array;
  /** Share of this tree's sound roots that goes with it, and of another tree's. */
  area: number;
  others: number;
  /** Across at its thickest, m. */
  diameter: number;
  large: boolean;
  small: boolean;
  /** Bearing of an anchor that holds the tree; undefined for what does not. */
  anchorAt: number | undefined;
  /** Why it may not be cut: a limit that can be moved, or what it is. Undefined: it may. */
  barred: { by: 'largest' | 'nearDbh' | 'nature'; why: string } | undefined;
  /** The first stage (from 0) in which it may go: an anchor goes last, after a look at how the tree stands. */
  earliest: number;
  /** Held by hand. `stage` from 0. */
  lock: { hold: 'keep' | 'cut'; stage?: number } | undefined;
  cuts: Cut[];
}

/** A root that buries itself in an anchor: from that year, and what the anchor is worth. */
export interface Threat {
  root: number;
  anchor: number;
  from: number;
  /** It has begun to: it presses on it or has grown in. */
  now: boolean;
  worth: number;
}

export interface CutProblem {
  candidates: Candidate[];
  /** Share of the circumference of each sector. */
  weights: Float64Array;
  /** Weight of each year from 0 to the horizon; together 1. */
  years: Float64Array;
  stages: number;
  interval: number;
  threats: Threat[];
  /** Roots that lie on others: where both go, `over` goes no later. */
  order: { over: number; under: number }[];
  /** Widest gap between two kept anchors by the bearings it spans, degrees. */
  gapLimit: (from: number, to: number) => number;
  limits: CutLimits;
  /** Fewest anchors that stay. */
  fewestAnchors: number;
  schools: SchoolInForce[];
  /** Halved for an old, stressed or sensitive tree, and why. */
  gentle: string | undefined;
}

export interface CutCase {
  tree: Tree;
  /** ISO date of the visit. */
  date: string;
  reading: DigReading;
  stem: StemRate;
  stressed: boolean;
  firm: House;
  design: CutDesign;
}

/** What was worked out of a root, by its path: dragging one root leaves the others as they were. */
const pressKnown = new WeakMap<
  RootReading['path'],
  { outline: DigReading['outline']; rates: string; sectors: Float64Array }
>();

/** Years until each sector of the bark is pressed by a root, at the middle rates. */
function pressYears(root: RootReading, reading: DigReading, stem: StemRate): Float64Array {
  const { perYear } = rootRate(root.root, stem);
  const rates = `${perYear} ${stem.perYear}`;
  const known = pressKnown.get(root.path);
  if (known?.outline === reading.outline && known.rates === rates) return known.sectors;
  const growth = closesAt(root, reading, perYear / stem.perYear, CUT_PLAN.horizon.value * stem.perYear);
  const sectors = bySector(growth.map((grown) => grown / stem.perYear));
  pressKnown.set(root.path, { outline: reading.outline, rates, sectors });
  return sectors;
}

/** A sector counts as pressed from the year in which half of its bark is. */
function bySector(degrees: Float64Array): Float64Array {
  const wide = FOLLOWED / SECTORS_OF_BARK;
  return Float64Array.from({ length: SECTORS_OF_BARK }, (_, k) => {
    const own = degrees.slice(k * wide, (k + 1) * wide).sort();
    return own[Math.floor(wide / 2)]!;
  });
}

const thickest = ({ path }: RootReading): number => 2 * path.radius.reduce((a, b) => Math.max(a, b), 0);

const within = (bearing: number, from: number, to: number): boolean =>
  (bearing - from + 360) % 360 <= (to - from + 360) % 360;

/** What makes a tree that gets the cautious share of root loss; a firm, a tree or a hand may have chosen otherwise. */
function tenderOf({ tree, date, stressed, firm, design }: CutCase, loss: SchoolInForce): string | undefined {
  if (loss.chosenBy !== 'default') return undefined;
  if (design.sensitive) return 'a sensitive tree';
  if (stressed) return 'a stressed tree';
  const age = tree.plantedYear === undefined ? undefined : Number(date.slice(0, 4)) - tree.plantedYear;
  if (age !== undefined && age >= LIMITS.oldTreeYears.value) return 'an old tree';
  return speciesFor(tree.species, firm.species)?.species.stands.rootLoss === 'poor'
    ? 'a species that tolerates root loss poorly'
    : undefined;
}

/** Limits of the design, else of the school of root loss. @param once whether all goes in one stage */
function limitsOf(
  { limits }: CutDesign,
  once: boolean,
  loss: Pick<SchoolInForce, 'key' | 'values'>,
): CutLimits {
  const totalLoss = limits?.totalLoss ?? (once ? 1 : TOTAL_LOSS[loss.key]!);
  return {
    stageLoss: once ? 1 : loss.values!.share!,
    anchorGap: LIMITS.anchorGap.value,
    stageGap: CUT_PLAN.stageGap.value,
    strictGap: CUT_PLAN.strictGap.value,
    largest: CUT_PLAN.largestCut.value,
    together: once ? CUT_RANGES.together[1] : CUT_PLAN.oneAStage.value,
    nearDbh: LIMITS.cutNearStemDbh.value,
    ...limits,
    totalLoss,
  };
}

/** What a plan of cuts goes by. */
interface Frame {
  manner: SchoolInForce;
  limits: CutLimits;
  stages: number;
  /** Cross-section of all roots, m2. */
  whole: number;
}

/** Why a root may not be cut; undefined where it may. */
function barredOf(
  root: RootReading,
  { presses, diameter, cuts }: Pick<Candidate, 'presses' | 'diameter' | 'cuts'>,
  buried: boolean,
  { manner, limits }: Frame,
): Candidate['barred'] {
  if (root.root.contact === 'grafted')
    return { by: 'nature', why: 'grown together with the stem: it is part of it now' };
  if (manner.key === 'selected' && !presses.some((y) => y <= 0) && !buried)
    return {
      by: 'nature',
      why: 'cuts into neither stem nor anchor today, and the school cuts only what does',
    };
  if (diameter > limits.largest + 1e-9)
    return { by: 'largest', why: 'thicker than the largest root that is cut' };
  const soon = presses.some((y) => y <= LIMITS.girdleSoonYears.value);
  const nearest = Math.min(...cuts.map((c) => c.timesDbh ?? Infinity));
  return !soon &&
    diameter > LIMITS.rootSmall.value &&
    !buried &&
    root.area !== undefined &&
    nearest < limits.nearDbh
    ? { by: 'nearDbh', why: 'its cut would lie too near the stem for a root that does not press' }
    : undefined;
}

function candidateOf(index: number, { tree, reading, stem, design }: CutCase, frame: Frame): Candidate {
  const root = reading.roots[index]!;
  const { kind, condition, label } = root.root;
  const presses = pressYears(root, reading, stem);
  const diameter = thickest(root);
  const cuts = cutsFor(root, reading, tree.dbh ?? tree.stemDiameter, stem);
  const sound = condition === undefined || condition === 'sound' || condition === 'cracked';
  const held = design.locks?.find((l) => l.label === label);
  const anchor = isAnchor(root.root);
  const { whole, stages } = frame;
  return {
    label,
    presses,
    area: sound ? root.shareOfArea : 0,
    others: kind === 'competing' && whole > 0 ? (Math.PI * diameter ** 2) / 4 / whole : 0,
    diameter,
    large: diameter >= LIMITS.rootLarge.value || root.shareOfArea >= CUT_PLAN.largeShare.value,
    small: diameter <= LIMITS.rootSmall.value && (kind === 'circling' || kind === 'adventitious'),
    anchorAt: anchor ? root.leavesAt : undefined,
    barred: barredOf(root, { presses, diameter, cuts }, buriedIn(index, reading).length > 0, frame),
    earliest: anchor && held?.stage === undefined ? stages - 1 : 0,
    lock: held && { hold: held.hold, ...(held.stage !== undefined && { stage: held.stage - 1 }) },
    cuts,
  };
}

/** Roots that bury themselves in anchors within the horizon; several that press on one anchor share what it is worth. */
function threatsOf(reading: DigReading, stem: StemRate): Threat[] {
  const { roots } = reading;
  const pressed = roots.flatMap((own, root) =>
    isAnchor(own.root)
      ? []
      : onAnchors(root, reading).flatMap(({ anchor, gap, buried }) => {
          const other = roots[anchor]!;
          const from = gap / (rootRate(own.root, stem).perYear + rootRate(other.root, stem).perYear);
          return from <= CUT_PLAN.horizon.value && other.shareOfArea > 0
            ? [{ root, anchor, from, now: buried }]
            : [];
        }),
  );
  return pressed.map((t) => ({
    ...t,
    worth:
      (CUT_PLAN.anchorWorth.value * roots[t.anchor]!.shareOfArea) /
      pressed.filter((other) => other.anchor === t.anchor).length,
  }));
}

/** Weight of each year from now to the horizon: earlier years count more. */
function yearWeights(): Float64Array {
  const raw = Float64Array.from(
    { length: CUT_PLAN.horizon.value + 1 },
    (_, y) => CUT_PLAN.earlier.value ** y,
  );
  const sum = raw.reduce((a, b) => a + b, 0);
  return raw.map((v) => v / sum);
}

/** Share of the circumference of each sector. */
function sectorWeights({ outline }: DigReading): Float64Array {
  const fine = outline.weights.length / SECTORS_OF_BARK;
  const weights = new Float64Array(SECTORS_OF_BARK);
  outline.weights.forEach((w, k) => (weights[Math.floor(k / fine)]! += w));
  return weights;
}

/**
 * A dig as the choice it leaves: which roots may go, what each frees and costs, and what a plan keeps to.
 *
 * Limits are those of the design, else of the school in force; an old, stressed or sensitive tree gets the cautious
 * share unless a firm, a tree or a hand chose another.
 */
export function cutProblem(all: CutCase): CutProblem {
  const { tree, reading, stem, firm, design } = all;
  const manner = schoolFor('girdling', firm, tree.schools);
  const loss = schoolFor('rootLoss', firm, tree.schools);
  const tender = tenderOf(all, loss);
  const once = manner.key === 'once';
  const limits = limitsOf(
    design,
    once,
    tender ? loss.matter.schools.find((s) => s.key === 'cautious')! : loss,
  );
  const stages = once ? 1 : (design.stages ?? CUT_PLAN.seasons.value);
  const whole = reading.roots.reduce((sum, r) => sum + (r.area ?? 0), 0);
  const frame: Frame = { manner, limits, stages, whole };
  const candidates = reading.roots.map((_, i) => candidateOf(i, all, frame));
  const strict = [design.windward, design.target].filter((b) => b !== undefined);
  const standing = candidates.filter((c) => c.anchorAt !== undefined).length;
  return {
    candidates,
    weights: sectorWeights(reading),
    years: yearWeights(),
    stages,
    interval: design.interval ?? CUT_PLAN.interval.value,
    threats: threatsOf(reading, stem),
    order: reading.crossings.map(({ over, under }) => ({ over, under })),
    gapLimit: (from, to) =>
      strict.some((b) => within(b, from, to))
        ? Math.min(limits.strictGap, limits.anchorGap)
        : limits.anchorGap,
    limits,
    fewestAnchors: Math.min(standing, LIMITS.anchorsFew.value),
    schools: [manner, loss],
    gentle: tender,
  };
}

/** The choice that was agreed, as the problem counts its roots and stages. */
export const chosenBy = (
  { candidates, stages }: CutProblem,
  agreed: NonNullable<CutDesign['agreed']>,
): (number | undefined)[] =>
  candidates.map((c) => {
    const stage = agreed.find((a) => a.label === c.label)?.stage;
    return stage === undefined ? undefined : Math.min(stages, stage) - 1;
  });

/** Neither bark nor root was looked at closely: to be done before it is cut. */
export const isUnseen = ({ contact, condition }: DugRoot): boolean =>
  contact === undefined && condition === undefined;
