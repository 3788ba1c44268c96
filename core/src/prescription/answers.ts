import { standingOf } from '../diagnosis';
import { REMEDIES } from '../remedies';
import { isMapped } from '../roots';
import { CAUSE_KEYS, MECHANISM_KEYS, type NodeKey } from '../vocabulary/causes';
import type { OperationKey } from '../vocabulary/operations';
import type { Operation, Situation } from '../weighing/operation';
import { declinedOf, isTakenDown, plannedOf, undecidedOf } from '../weighing/planned';

/** What is done about a cause, or about what goes on in the tree, that is possible or likely. */
export interface CauseAnswer {
  node: NodeKey;
  label: string;
  certainty: string;
  standing: 'likely' | 'possible';
  /** What answers it: prescribed, still to be weighed, declined, or nothing, for the reason that the text gives. */
  by: 'prescribed' | 'open' | 'declined' | 'nothing';
  /** Operations that mend it or make sure of it. */
  operations: OperationKey[];
  /** One or two sentences for the record and the client. */
  text: string;
}

type Why = (s: Situation) => string;

const PROBED: Why = (s) =>
  isMapped(s.visit.dig)
    ? 'Its roots are mapped: what the dig showed decides, and nothing more is dug for it.'
    : s.verdict.facts.collarDeep.state === 'no'
      ? `Nothing is dug for it: ${s.verdict.facts.collarDeep.text}.`
      : 'Probe the collar on eight bearings before anything is decided.';
const MAPPED: Why = (s) =>
  isMapped(s.visit.dig)
    ? s.visit.cuts?.agreed?.length === 0
      ? 'By the cut plan that was agreed no root is cut: compare at the next visit.'
      : 'Its roots are mapped, and none presses enough to be cut: compare at the next visit.'
    : 'Inspect the root collar by hand before anything is decided.';
const GROUND_LEFT: Why = (s) =>
  s.visit.trenches?.choice?.remedy === 'nothing'
    ? `The soil is left as it is by choice: ${s.visit.trenches.choice.why.replace(/[.\s]*$/, '')}.`
    : 'Measure how compacted the ground is before anything is decided.';
const WET: Why = () =>
  'No water while the ground is wet: let it drain first, then look again with the probe.';
const ASSESS: Why = () => 'Have its stability assessed by a qualified person.';

/** Why nothing is done about a cause or a mechanism where no operation is advised for it. */
const LEFT: Record<NodeKey, Why> = {
  plantedDeep: PROBED,
  gradeRaised: PROBED,
  mulchCone: () => 'The mulch was measured clear of the bark: look again after the next maintenance round.',
  containerRoots: MAPPED,
  confinedHole: GROUND_LEFT,
  barrier: (s) =>
    s.school('ringThere').key === 'leave'
      ? 'The ring is left by the school followed: measure the stem against it each year.'
      : 'Dig at one place to see whether a ring is there.',
  compaction: GROUND_LEFT,
  waterlogging: () => 'Fill a test hole and inspect it the next day before a drain is dug.',
  drought: WET,
  severed: WET,
  transplantShock: WET,
  biotic: () => 'Have it named by a plant clinic before anything is treated.',
  chlorosis: () => 'Have soil and leaves tested before anything is fed.',
  stemInjury: () => 'Find what wounds the stem, and keep it off.',
  salt: WET,
  buriedCollar: PROBED,
  confinedRoots: GROUND_LEFT,
  girdlingRoots: MAPPED,
  oxygenStarved: () =>
    'Air comes back with what shut it out. Colour and smell of the soil in a probe hole show whether it was water, fill or compacted ground.',
  basalDecay: ASSESS,
  transport: () =>
    'Nothing repairs the stem itself: inspect its base, by hand, for what compresses, wounds or rots it.',
  poorAnchorage: ASSESS,
  crownDecline: ({ verdict }) =>
    verdict.causes.some((c) => c.standing === 'likely' || c.standing === 'possible')
      ? 'The crown recovers with its causes, within one to three seasons; until then only dead and broken wood is cut.'
      : 'What stands behind it is not settled: make the next checks that the verdict names; until then only dead and broken wood is cut.',
};

const listed = (operations: readonly Operation[]): string => operations.map((o) => o.title).join('; ');

/**
 * What is done about every cause and mechanism that is possible or likely, causes first, the likeliest before the others.
 * None is passed over in silence.
 */
export function causesAnswered(s: Situation, operations: readonly Operation[]): CauseAnswer[] {
  const answerTo = (node: NodeKey): CauseAnswer[] => {
    const { label, certainty, standing } = standingOf(s.verdict, node);
    if (standing !== 'likely' && standing !== 'possible') return [];
    const aimed = operations.filter(({ key }) =>
      [...REMEDIES[key].treats, ...REMEDIES[key].settles].includes(node),
    );
    const { decisions } = s.visit;
    const taken = plannedOf(aimed, s.visit);
    const open = undecidedOf(aimed, s.visit);
    const declined = declinedOf(aimed, decisions);
    const of = (by: CauseAnswer['by'], which: readonly Operation[], text: string): CauseAnswer[] => [
      { node, label, certainty, standing, by, operations: which.map((o) => o.key), text },
    ];
    if (taken.length > 0) {
      const mends = (o: Operation) => REMEDIES[o.key].treats.includes(node);
      const next = open.filter(mends);
      const lead = taken.some(mends) ? 'Beside it' : 'With what it shows';
      const then = next.length > 0 ? ` ${lead}, to consider: ${listed(next)}.` : '';
      return of('prescribed', [...taken, ...next], `${listed(taken)}.${then}`);
    }
    if (open.length > 0) return of('open', open, `To consider: ${listed(open)}.`);
    if (isTakenDown(s.visit)) return of('nothing', [], 'The tree was taken down.');
    if (declined.length > 0)
      return of('declined', declined, `Declined: ${listed(declined)}. It goes on as it is.`);
    return of('nothing', [], LEFT[node](s));
  };
  const byChance = (a: NodeKey, b: NodeKey) =>
    standingOf(s.verdict, b).probability - standingOf(s.verdict, a).probability;
  return [...[...CAUSE_KEYS].sort(byChance), ...[...MECHANISM_KEYS].sort(byChance)].flatMap(answerTo);
}

/** A remedy that nobody has decided on, and what is likely that it mends and nothing prescribed does. */
export interface ToDecide {
  operation: OperationKey;
  title: string;
  mends: { node: NodeKey; label: string; certainty: string }[];
}

/**
 * What is likely is mended by something prescribed, declined, or beyond mending; else it is listed here with what would mend
 * it. Of a tree that was taken down nothing is to be decided.
 */
export function toDecide(s: Situation, operations: readonly Operation[]): ToDecide[] {
  if (isTakenDown(s.visit)) return [];
  const planned = plannedOf(operations, s.visit);
  const mends = (o: Operation, node: NodeKey) => REMEDIES[o.key].treats.includes(node);
  const unmended = [...CAUSE_KEYS, ...MECHANISM_KEYS]
    .map((node) => ({ node, ...standingOf(s.verdict, node) }))
    .filter(({ node, standing }) => standing === 'likely' && !planned.some((o) => mends(o, node)));
  return undecidedOf(operations, s.visit)
    .map((o) => ({
      operation: o.key,
      title: o.title,
      mends: unmended
        .filter(({ node }) => mends(o, node))
        .map(({ node, label, certainty }) => ({ node, label, certainty })),
    }))
    .filter((o) => o.mends.length > 0);
}
