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

/**
 * A dig as the choice it leaves: which roots may go, what each frees and costs, and what a plan keeps to.
 *
 * Limits are those of the design, else of the school in force; an old, stressed or sensitive tree gets the cautious
 * share unless a firm, a tree or a hand chose another.
 */
export function cutProblem({ tree, date, reading, stem, stressed, firm, design }: CutCase): CutProblem {
  const manner = schoolFor('girdling', firm, tree.schools);
  const loss = schoolFor('rootLoss', firm, tree.schools);
  const age = tree.plantedYear === undefined ? undefined : Number(date.slice(0, 4)) - tree.plantedYear;
  const tender =
    loss.chosenBy !== 'default'
      ? undefined
      : design.sensitive
        ? 'a sensitive tree'
        : stressed
          ? 'a stressed tree'
          : age !== undefined && age >= LIMITS.oldTreeYears.value
            ? 'an old tree'
            : speciesFor(tree.species, firm.species)?.species.stands.rootLoss === 'poor'
              ? 'a species that tolerates root loss poorly'
              : undefined;
  const school = tender ? loss.matter.schools.find((s) => s.key === 'cautious')! : loss;
  const once = manner.key === 'once';
  const total = design.limits?.totalLoss ?? (once ? 1 : TOTAL_LOSS[school.key]!);
  const limits: CutLimits = {
    stageLoss: once ? 1 : school.values!.share!,
    anchorGap: LIMITS.anchorGap.value,
    stageGap: CUT_PLAN.stageGap.value,
    strictGap: CUT_PLAN.strictGap.value,
    largest: CUT_PLAN.largestCut.value,
    together: once ? CUT_RANGES.together[1] : CUT_PLAN.oneAStage.value,
    nearDbh: LIMITS.cutNearStemDbh.value,
    ...design.limits,
    totalLoss: total,
  };
  const dbh = tree.dbh ?? tree.stemDiameter;
  const stages = once ? 1 : (design.stages ?? CUT_PLAN.seasons.value);
  const whole = reading.roots.reduce((sum, r) => sum + (r.area ?? 0), 0);
  const anchors = reading.roots.map((r) => isAnchor(r.root));
  const candidates = reading.roots.map((root, i): Candidate => {
    const { kind, condition, contact, label } = root.root;
    const presses = pressYears(root, reading, stem);
    const soon = presses.some((y) => y <= LIMITS.girdleSoonYears.value);
    const now = presses.some((y) => y <= 0);
    const diameter = thickest(root);
    const cuts = cutsFor(root, reading, dbh, stem);
    const sound = condition === undefined || condition === 'sound' || condition === 'cracked';
    const small = diameter <= LIMITS.rootSmall.value;
    const nearest = Math.min(...cuts.map((c) => c.timesDbh ?? Infinity));
    const held = design.locks?.find((l) => l.label === label);
    const buried = buriedIn(i, reading).length > 0;
    const barred: Candidate['barred'] =
      contact === 'grafted'
        ? { by: 'nature', why: 'grown together with the stem: it is part of it now' }
        : manner.key === 'selected' && !now && !buried
          ? {
              by: 'nature',
              why: 'cuts into neither stem nor anchor today, and the school cuts only what does',
            }
          : diameter > limits.largest + 1e-9
            ? { by: 'largest', why: 'thicker than the largest root that is cut' }
            : !soon && !small && !buried && root.area !== undefined && nearest < limits.nearDbh
              ? { by: 'nearDbh', why: 'its cut would lie too near the stem for a root that does not press' }
              : undefined;
    return {
      label,
      presses,
      area: sound ? root.shareOfArea : 0,
      others: kind === 'competing' && whole > 0 ? (Math.PI * diameter ** 2) / 4 / whole : 0,
      diameter,
      large: diameter >= LIMITS.rootLarge.value || root.shareOfArea >= CUT_PLAN.largeShare.value,
      small: small && (kind === 'circling' || kind === 'adventitious'),
      anchorAt: anchors[i] ? root.leavesAt : undefined,
      barred,
      earliest: anchors[i] && held?.stage === undefined ? stages - 1 : 0,
      lock: held && { hold: held.hold, ...(held.stage !== undefined && { stage: held.stage - 1 }) },
      cuts,
    };
  });
  const horizon = CUT_PLAN.horizon.value;
  const raw = Float64Array.from({ length: horizon + 1 }, (_, y) => CUT_PLAN.earlier.value ** y);
  const sum = raw.reduce((a, b) => a + b, 0);
  const fine = reading.outline.weights.length / SECTORS_OF_BARK;
  const weights = new Float64Array(SECTORS_OF_BARK);
  reading.outline.weights.forEach((w, k) => (weights[Math.floor(k / fine)]! += w));
  const pressed = reading.roots.flatMap((own, root): Threat[] =>
    anchors[root]
      ? []
      : onAnchors(root, reading).flatMap(({ anchor, gap, buried }) => {
          const other = reading.roots[anchor]!;
          const from = gap / (rootRate(own.root, stem).perYear + rootRate(other.root, stem).perYear);
          return from <= horizon && other.shareOfArea > 0
            ? [{ root, anchor, from, now: buried, worth: 0 }]
            : [];
        }),
  );
  // Several that press on one anchor share what it is worth.
  const threats = pressed.map((t) => ({
    ...t,
    worth:
      (CUT_PLAN.anchorWorth.value * reading.roots[t.anchor]!.shareOfArea) /
      pressed.filter((other) => other.anchor === t.anchor).length,
  }));
  const strict = [design.windward, design.target].filter((b) => b !== undefined);
  const standing = candidates.filter((c) => c.anchorAt !== undefined).length;
  return {
    candidates,
    weights,
    years: raw.map((v) => v / sum),
    stages,
    interval: design.interval ?? CUT_PLAN.interval.value,
    threats,
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
