import { sectorOf, SECTORS } from '../questions/question';
import type { CutDesign, Tree } from '../records';
import { byLabel } from '../records/labels';
import type { Forecast, YearBand } from '../growth/forecast';
import type { StemRate } from '../growth/rates';
import { LIMITS } from '../practice/limits';
import { CUT_PLAN, schoolFor, type SchoolInForce, type HouseSchools } from '../practice';
import { isAnchor, ROOTS_TOUCH, type DigReading, type RootReading } from '../roots';
import { fineMark } from '../units/marks';
import { betweenCuts, cutsFor, type Cut } from './cuts';

export type RootDecision = 'cut now' | 'cut later' | 'watch' | 'keep' | 'look again';

/** What is advised for one root, with why. */
export interface RootAdvice {
  label: string;
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
  /** Years in which roots come to press; without it only what presses now counts. */
  forecast?: Pick<Forecast, 'touches'>;
  /** Crown in decline or low vigour: the share of roots lost in a season is halved by default. */
  stressed: boolean;
  firm: HouseSchools;
  /** The cut plan that was agreed: it stands before the rules. */
  agreed?: CutDesign['agreed'];
  /** Years between its stages. */
  interval?: number;
}

const percent = (share: number): string => `${Math.round(100 * share)} %`;
const year = (date: string) => Number(date.slice(0, 4));

interface Opinion {
  decision: RootDecision;
  reasons: string[];
}

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

/** What a root is buried in: the labels of anchors it has grown into or touches. */
function buriedIn(index: number, reading: DigReading): { label: string; length: number; gap: number }[] {
  return reading.roots[index]!.pressings.flatMap(({ a, b, length, gap }) => {
    const other = reading.roots[a === index ? b : a]!.root;
    const own = reading.roots[index]!.root;
    const grownFrom = own.from === other.label || other.from === own.label;
    return gap <= ROOTS_TOUCH && isAnchor(other) && !grownFrom ? [{ label: other.label, length, gap }] : [];
  });
}

const thickest = (root: RootReading): number => 2 * root.path.radius.reduce((a, b) => Math.max(a, b), 0);

const pressesIn = (band: YearBand | undefined, from: number): string | undefined => {
  if (band?.p50 === undefined) return undefined;
  const at = (y: number | undefined) =>
    y === undefined ? 'later than 30 years' : String(Math.round(from + y));
  return `comes to press in about ${Math.round(from + band.p50)}, between ${at(band.p10)} and ${at(band.p90)}`;
};

/** The rules, first that fits; each reason says what it rests on. */
function opinionOn(root: RootReading, index: number, all: PruningCase, only: boolean): Opinion {
  const { reading } = all;
  const { kind, condition, contact } = root.root;
  const share = root.compression.share;
  const presses = share >= LIMITS.girdleMatters.value;
  const thick = thickest(root);
  const small = thick <= LIMITS.rootSmall.value;
  const touch = all.forecast?.touches.find((t) => t.label === root.root.label)?.year;
  const soon = touch?.p50 !== undefined && touch.p50 > 0 && touch.p50 <= LIMITS.girdleSoonYears.value;
  const pressing = `compresses ${percent(share)} of the bark`;
  const buried = buriedIn(index, reading);

  if (contact === 'grafted')
    return { decision: 'watch', reasons: ['It has grown together with the stem and is part of it now.'] };
  if (isAnchor(root.root)) {
    const side = SECTORS[sectorOf(root.leavesAt!)]!;
    const sole = root.shareOfSector > 0.999;
    const holds = `Holds the tree: ${percent(root.shareOfArea)} of the root cross-section${sole ? `, alone to the ${side}` : ''}.`;
    if (!presses) return { decision: 'keep', reasons: [holds] };
    if (sole || reading.anchorage.sound <= 3)
      return { decision: 'watch', reasons: [`It ${pressing}, but it is an anchor.`, holds] };
    return {
      decision: 'cut later',
      reasons: [
        `It ${pressing} and is an anchor: last of all, and only after the stability is assessed.`,
        holds,
      ],
    };
  }
  if (kind === 'structural') {
    return condition === 'dead' || condition === 'decayed'
      ? { decision: 'watch', reasons: [`A holding root, ${condition}: no longer counted as an anchor.`] }
      : { decision: 'keep', reasons: ['A holding root; nothing speaks for cutting it.'] };
  }
  if (buried.length > 0) {
    const into = buried.map((b) => b.label).join(', ');
    const reasons = [`Has begun to bury itself in anchor ${into}, over ${fineMark(buried[0]!.length)}.`];
    if (presses) reasons.push(`It ${pressing}.`);
    return { decision: 'cut now', reasons };
  }
  if (presses && contact === undefined && condition === undefined)
    return {
      decision: 'look again',
      reasons: [
        `It ${pressing}, but bark and root were not looked at closely; buried bark is wet: let it dry and look again.`,
      ],
    };
  if (only && !presses)
    return {
      decision: 'watch',
      reasons: ['It cuts into neither stem nor anchor today.', ...said(touch, all.date)],
    };
  if (small && (kind === 'circling' || kind === 'adventitious' || presses))
    return {
      decision: 'cut now',
      reasons: [
        `${fineMark(thick)} thick: small roots of this kind go now.`,
        ...(presses ? [`It ${pressing}.`] : []),
      ],
    };
  if (presses) {
    const owner = kind === 'competing' ? ['Its own tree loses it too.'] : [];
    return thick > LIMITS.rootLarge.value && all.reading.roots.length > 1
      ? {
          decision: 'cut later',
          reasons: [
            `It ${pressing}; at ${fineMark(thick)} it is thick and goes in a later season.`,
            ...owner,
          ],
        }
      : { decision: 'cut now', reasons: [`It ${pressing}.`, ...owner] };
  }
  if (soon && kind !== 'competing')
    return {
      decision: 'cut now',
      reasons: [`It ${pressesIn(touch, year(all.date))}; it is thinner today than it will be then.`],
    };
  return { decision: 'watch', reasons: ['It does not press today.', ...said(touch, all.date)] };
}

const said = (touch: YearBand | undefined, date: string): string[] => {
  const text = touch && touch.p50 !== 0 ? pressesIn(touch, year(date)) : undefined;
  return text ? [`It ${text}.`] : [];
};

/** What was agreed about a root in place of what the rules would have. */
function agreedOn(root: RootReading, opinion: Opinion, agreed: CutDesign['agreed']): Opinion {
  if (!agreed) return opinion;
  const stage = agreed.find((a) => a.label === root.root.label)?.stage;
  if (stage !== undefined)
    return {
      decision: stage === 1 ? 'cut now' : 'cut later',
      reasons: [`Agreed in the cut plan, stage ${stage}.`, ...opinion.reasons],
    };
  return opinion.decision === 'cut now' || opinion.decision === 'cut later'
    ? { decision: 'watch', reasons: ['Left by the agreed cut plan.', ...opinion.reasons] }
    : opinion;
}

/**
 * Advice for every root of a dig from the rules of the trade: what holds stays, what buries itself in an anchor goes,
 * small ones go now, thick ones by stages, and no more of the root cross-section in a season than the school in force
 * allows. The consultant decides.
 *
 * The order within the season is greedy: what frees most bark for its cross-section goes first.
 */
export function adviseRoots(all: PruningCase): PruningAdvice {
  const { reading, tree } = all;
  const manner = schoolFor('girdling', all.firm, tree.schools);
  const loss = schoolFor('rootLoss', all.firm, tree.schools);
  const age = tree.plantedYear === undefined ? undefined : year(all.date) - tree.plantedYear;
  const old = age !== undefined && age >= LIMITS.oldTreeYears.value;
  const cautious = loss.matter.schools.find((s) => s.key === 'cautious')!;
  const gentle = loss.chosenBy === 'default' && (old || all.stressed);
  const lossLimit =
    manner.key === 'once'
      ? 1
      : ((gentle ? cautious : loss).values?.share ?? loss.matter.schools[0].values!.share!);
  const roots = reading.roots.map((root, i): RootAdvice => {
    const opinion = agreedOn(root, opinionOn(root, i, all, manner.key === 'selected'), all.agreed);
    const cut = opinion.decision === 'cut now' || opinion.decision === 'cut later';
    const stage = all.agreed?.find((a) => a.label === root.root.label)?.stage;
    const later =
      stage !== undefined && stage > 1 ? (stage - 1) * (all.interval ?? CUT_PLAN.interval.value) : undefined;
    const cuts = cut ? cutsFor(root, reading, tree.dbh ?? tree.stemDiameter, all.stem) : [];
    return {
      label: root.root.label,
      ...opinion,
      decision:
        !all.agreed && manner.key === 'once' && opinion.decision === 'cut later' && !isAnchor(root.root)
          ? 'cut now'
          : opinion.decision,
      cuts,
      frees: freedBy(root, reading),
      costs: root.shareOfArea,
      ...(later !== undefined && { inYears: later }),
      leaveIn: root.root.contact === 'embedded' ? betweenCuts(root, cuts) : 0,
    };
  });
  let lossNow = 0;
  const order = roots
    .filter((r) => r.decision === 'cut now')
    .sort((a, b) => b.frees / (b.costs + 0.01) - a.frees / (a.costs + 0.01));
  const taken: string[] = [];
  for (const advice of order) {
    if (!all.agreed && lossNow + advice.costs > lossLimit + 1e-9) {
      advice.decision = 'cut later';
      advice.reasons.push(
        `${taken.length > 0 ? `With ${taken.join(', ')} it` : 'Alone it'} would take ${percent(lossNow + advice.costs)} of the root cross-section; the limit of a season is ${percent(lossLimit)}.`,
      );
    } else {
      lossNow += advice.costs;
      taken.push(advice.label);
    }
  }
  const near = roots
    .flatMap((r) =>
      r.cuts.map((c) => ({ label: r.label, root: reading.roots.find((x) => x.root.label === r.label)!, c })),
    )
    .filter(
      ({ root, c }) =>
        root.area !== undefined &&
        (c.timesDbh ?? Infinity) < LIMITS.cutNearStemDbh.value &&
        c.diameter > LIMITS.rootLarge.value,
    );
  return {
    roots,
    lossNow,
    lossLimit,
    schools: [manner, loss],
    cautions: [
      ...(gentle
        ? [
            `${old ? 'An old tree' : 'A stressed tree'}: ${percent(cautious.values!.share!)} a season instead of the usual share.`,
          ]
        : []),
      ...(reading.share >= LIMITS.girdleBeyondPruning.value
        ? [
            'Half of the bark or more is compressed: usually beyond simple pruning; show the owner the choices.',
          ]
        : []),
      ...(near.length > 0
        ? [
            `Cuts of thick roots nearer than 3 x DBH (${[...new Set(near.map((n) => n.label))].join(', ')}): have the stability assessed first.`,
          ]
        : []),
    ],
  };
}

/** Roots that no crew may cut, in the order of their labels. */
export const neverCut = ({ roots }: Pick<PruningAdvice, 'roots'>): string[] =>
  roots
    .filter((r) => r.decision === 'keep')
    .map((r) => r.label)
    .sort(byLabel);
