import { percent } from '../units/share';
import { sectorOf, SECTORS } from '../questions/question';
import type { CutDesign, DugRoot, Tree } from '../records';
import { byLabel } from '../labels';
import type { Forecast, YearBand } from '../growth/forecast';
import type { StemRate } from '../growth/rates';
import { LIMITS } from '../practice/limits';
import type { SchoolInForce } from '../practice';
import type { House } from '../house';
import { isAnchor, type DigReading, type RootReading } from '../roots';
import { fineMark } from '../units/marks';
import { buriedIn } from './buried';
import { betweenCuts, type Cut } from './cuts';
import { reasonsOf } from './plan/explain';
import { chosenBy, cutProblem, isUnseen, type CutProblem } from './plan/problem';
import { propose } from './plan/propose';
import type { Chosen } from './plan/value';

export type RootDecision = 'cut now' | 'cut later' | 'watch' | 'keep' | 'look again';

/** What is advised for one root, with why. */
export interface RootAdvice {
  label: string;
  kind: DugRoot['kind'];
  decision: RootDecision;
  reasons: string[];
  cuts: Cut[];
  /** Share of the circumference that nothing else compresses, and share of the root cross-section it costs. */
  frees: number;
  costs: number;
  /** Length grown into the bark that stays where it is, m. */
  leaveIn: number;
  /** Of what is cut later: years from the visit. */
  inYears?: number;
}

export interface PruningAdvice {
  roots: RootAdvice[];
  /** Share of the root cross-section that goes now, and the most that may. */
  lossNow: number;
  lossLimit: number;
  schools: SchoolInForce[];
  /** Warnings for the tree as a whole. */
  cautions: string[];
}

export interface PruningCase {
  tree: Tree;
  date: string;
  reading: DigReading;
  stem: StemRate;
  /** Years in which roots come to press; without it nothing is said of them. */
  forecast?: Pick<Forecast, 'touches'>;
  /** Crown in decline or low vigour: the share of roots lost in a season is halved by default. */
  stressed: boolean;
  firm: House;
  /** What was decided for the cut plan: its limits, what is held, and the plan that was agreed. */
  design?: CutDesign;
}

const year = (date: string) => Number(date.slice(0, 4));

/** The share of the circumference that only this root compresses. */
function freedBy(root: RootReading, reading: DigReading): number {
  let freed = 0;
  const weights = reading.outline.weights;
  const own = root.compression.hitByLayer;
  for (let k = 0; k < weights.length; k++) {
    if (!own.some((layer) => layer[k])) continue;
    const others = reading.roots.some(
      (r) => r !== root && r.compression.presses && r.compression.hitByLayer.some((layer) => layer[k]),
    );
    if (!others) freed += weights[k]!;
  }
  return freed;
}

const pressesIn = (band: YearBand | undefined, from: number): string | undefined => {
  if (band?.p50 === undefined) return undefined;
  const at = (y: number | undefined) =>
    y === undefined ? 'later than 30 years' : String(Math.round(from + y));
  return `begins to press in about ${Math.round(from + band.p50)}, between ${at(band.p10)} and ${at(band.p90)}`;
};

/** What a root does to bark and anchors today, and when it will. */
function doesNow(root: RootReading, index: number, { reading, forecast, date }: PruningCase): string[] {
  const { share } = root.compression;
  const buried = buriedIn(index, reading);
  const touch = forecast?.touches.find((t) => t.label === root.root.label)?.year;
  const soon = touch && touch.p50 !== 0 ? pressesIn(touch, year(date)) : undefined;
  return [
    ...(buried.length > 0
      ? [
          `Has begun to bury itself in anchor ${buried.map((b) => b.label).join(', ')}, over ${fineMark(buried[0]!.length)}.`,
        ]
      : []),
    ...(share >= LIMITS.girdleMatters.value
      ? [`It compresses ${percent(share)} of the bark.`]
      : soon
        ? [`It ${soon}.`]
        : []),
  ];
}

/** What an anchor holds. */
function holds(root: RootReading): string {
  const side = SECTORS[sectorOf(root.leavesAt!)]!;
  const sole = root.shareOfSector > 0.999;
  return `Holds the tree: ${percent(root.shareOfArea)} of the root cross-section${sole ? `, alone to the ${side}` : ''}.`;
}

/** What becomes of a root that the plan leaves: what holds and does no harm stays, the rest is watched. */
function left({ root, compression }: RootReading, harms: boolean): RootDecision {
  if (root.kind !== 'structural' || root.contact === 'grafted' || harms) return 'watch';
  if (compression.share >= LIMITS.girdleMatters.value) return 'watch';
  return root.condition === 'dead' || root.condition === 'decayed' ? 'watch' : 'keep';
}

/** The choice that the advice tells of: worked out once where the advice is told without and with a forecast. */
export interface Proposed {
  problem: CutProblem;
  chosen: Chosen;
}

/** The cut plan that was agreed, else the proposal. */
export function proposalFor(all: PruningCase): Proposed {
  const problem = cutProblem({ ...all, design: all.design ?? {} });
  const agreed = all.design?.agreed;
  return { problem, chosen: agreed ? chosenBy(problem, agreed) : propose(problem) };
}

/** What is said before any of it is cut. */
function cautionsOf(
  { gentle, limits }: CutProblem,
  reading: DigReading,
  roots: readonly RootAdvice[],
): string[] {
  const measured = new Set(reading.roots.flatMap(({ root, area }) => (area === undefined ? [] : root.label)));
  const near = roots.filter(
    ({ label, cuts }) =>
      measured.has(label) &&
      cuts.some(
        (c) => (c.timesDbh ?? Infinity) < LIMITS.cutNearStemDbh.value && c.diameter > LIMITS.rootLarge.value,
      ),
  );
  return [
    ...(gentle
      ? [
          `${gentle.replace(/^an? /, (a) => (a === 'an ' ? 'An ' : 'A '))}: ${percent(limits.stageLoss)} a season instead of the usual share.`,
        ]
      : []),
    ...(reading.share >= LIMITS.girdleBeyondPruning.value
      ? ['Half of the bark or more is compressed: usually beyond simple pruning; show the owner the choices.']
      : []),
    ...(near.length > 0
      ? [
          `Cuts of thick roots nearer than 3 x DBH (${near.map((n) => n.label).join(', ')}): have the stability assessed first.`,
        ]
      : []),
  ];
}

/**
 * Advice for every root of a dig: the cut plan that was agreed, else the proposal of the same plan ({@link propose}), root
 * by root, with what each does today. A root that goes but was not looked at closely is looked at first. The consultant
 * decides.
 */
export function adviseRoots(
  all: PruningCase,
  { problem, chosen }: Proposed = proposalFor(all),
): PruningAdvice {
  const { reading, design = {} } = all;
  const why = reasonsOf(problem, chosen);
  const roots = reading.roots.map((root, i): RootAdvice => {
    const stage = chosen[i];
    const unseen = !design.agreed && stage === 0 && isUnseen(root.root);
    const goes = stage !== undefined;
    const decision: RootDecision = unseen
      ? 'look again'
      : stage === 0
        ? 'cut now'
        : goes
          ? 'cut later'
          : left(root, buriedIn(i, reading).length > 0);
    const { cuts } = problem.candidates[i]!;
    return {
      label: root.root.label,
      kind: root.root.kind,
      decision,
      reasons: [
        ...(design.agreed && goes ? [`Agreed in the cut plan, stage ${stage + 1}.`] : []),
        ...(unseen
          ? [
              'Bark and root were not examined closely; buried bark is wet: let it dry and look again before it is cut.',
            ]
          : []),
        ...doesNow(root, i, all),
        ...(isAnchor(root.root) ? [holds(root)] : []),
        ...(root.root.kind === 'structural' && !goes && !isAnchor(root.root) && root.root.condition
          ? [`An anchoring root, ${root.root.condition}: not counted as an anchor.`]
          : []),
        ...(decision === 'keep' && isAnchor(root.root) ? [] : [why[i]!.says]),
      ],
      cuts: goes && !unseen ? cuts : [],
      frees: freedBy(root, reading),
      costs: root.shareOfArea,
      ...(goes && stage > 0 && { inYears: stage * problem.interval }),
      leaveIn: goes && !unseen && root.root.contact === 'embedded' ? betweenCuts(root, cuts) : 0,
    };
  });
  return {
    roots,
    lossNow: roots.reduce(
      (sum, r, i) => (r.decision === 'cut now' ? sum + problem.candidates[i]!.area : sum),
      0,
    ),
    lossLimit: problem.limits.stageLoss,
    schools: problem.schools,
    cautions: cautionsOf(problem, reading, roots),
  };
}

/** Roots that no crew may cut: every root that holds, or held, the tree and does not go now; in the order of their labels. */
export const neverCut = ({ roots }: Pick<PruningAdvice, 'roots'>): string[] =>
  roots
    .filter((r) => r.decision === 'keep' || (r.kind === 'structural' && r.decision !== 'cut now'))
    .map((r) => r.label)
    .sort(byLabel);
