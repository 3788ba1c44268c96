import { inSentence } from '../vocabulary/inSentence';
import { chanceWords, percent } from '../units/share';
import type { OperationKey } from '../vocabulary/operations';
import { answerTo } from '../questions/question';
import { isMapped } from '../roots';
import type { QuantityKey } from '../vocabulary/quantities';
import { diebackOf } from '../crown/dieback';
import { ageAt, ageSays, deficitBefore } from '../history';
import { yearOf } from '../vocabulary/dates';
import { dangerReasons, standingOf, STANDINGS, type Standing } from '../diagnosis';
import { tightGround } from './ground';
import { shortMark } from '../units/marks';
import { anchorsOf, dugOf } from './dug';
import { limit, yearsInGround, type Situation, type Weighed } from './operation';
import { plannedOf } from './planned';
import type { Condition, MeasureKey, Rule } from './rules';

/** Whether a condition holds, and what was seen or measured that says so; undefined where it does not hold, empty where there is nothing to say. */
type Held = string | undefined;

const LIKELY = STANDINGS.find((s) => s.key === 'likely')!.from;

const stemOf = ({ tree }: Situation) => tree.stemDiameter ?? tree.dbh;

/** Whether a standing asks for an answer. */
const isOpen = (standing: Standing): boolean => standing === 'likely' || standing === 'possible';

const evidenceFor = ({ verdict }: Situation, key: string) => verdict.evidence.find((e) => e.key === key);

const quantityOf = (operations: readonly Weighed[], of: OperationKey, key: QuantityKey) =>
  operations.find((o) => o.key === of)?.quantities.find((q) => q.key === key);

/** Whether a question was answered so. */
const noted =
  (key: string, answer: string, says: string) =>
  ({ visit }: Situation): Held =>
    answerTo(visit.findings, key)?.answer === answer ? says : undefined;

/** Whether something covers the ground at the stem. */
const covers = (answer: string, says: string) => noted('mulch.ground', answer, says);

const MEASURES: Record<MeasureKey, (s: Situation, operations: readonly Weighed[]) => Held> = {
  waterStands: (s) => {
    const drain = evidenceFor(s, 'probe.drain');
    return drain && drain.answer !== 'drained' ? drain.says : undefined;
  },
  basinPlanned: ({ visit }, operations) =>
    plannedOf(operations, visit).some((o) => o.key === 'excavate') &&
    (quantityOf(operations, 'excavate', 'floorBelowGrade')?.value ?? 0) > limit('basinDepth')
      ? 'the floor of the excavation ends below grade'
      : undefined,
  fertiliserWanted: (s, operations) => {
    const holds = s.school('fertiliser').key === 'hold';
    const rootWork = plannedOf(operations, s.visit).filter((o) =>
      ['excavate', 'prune', 'reset', 'raise', 'openBall', 'move', 'trench'].includes(o.key),
    );
    return holds && rootWork.length > 0
      ? `after ${rootWork.map((o) => inSentence(o.title)).join(', ')}`
      : undefined;
  },
  deadWood: ({ visit }) => {
    const dieback = diebackOf(visit.findings);
    return dieback !== undefined && dieback >= limit('deadWood')
      ? `${percent(dieback!)} of the crown is dead`
      : undefined;
  },
  dead: ({ verdict: { alive } }) => (alive.state === 'dead' ? alive.says : undefined),
  mayBeDead: ({ verdict: { alive } }) =>
    alive.state === 'doubtful' || alive.state === 'contradictory' ? alive.says : undefined,
  beyondHelp: ({ visit }) => {
    const dieback = diebackOf(visit.findings);
    return dieback !== undefined && dieback >= limit('removalDieback')
      ? `${percent(dieback!)} of the crown is dead`
      : undefined;
  },
  anchorsFew: (s) => {
    const anchors = anchorsOf(s);
    return anchors !== undefined && anchors < limit('anchorsFew')
      ? `${anchors} sound ${anchors === 1 ? 'anchor' : 'anchors'}`
      : undefined;
  },
  cutsLeftAll: (s) => {
    const dig = s.visit.cuts?.agreed?.length === 0 ? dugOf(s) : undefined;
    return dig && `agreed to cut none, with ${percent(dig.share)} of the bark compressed`;
  },
  cutsAgreed: (s) => {
    const dig = (s.visit.cuts?.agreed?.length ?? 0) > 0 ? dugOf(s) : undefined;
    return dig && `the cut plan that was agreed; roots compress ${percent(dig.share)} of the bark today`;
  },
  rootsPress: (s) => {
    const dig = dugOf(s);
    return dig && dig.share >= limit('girdleMatters')
      ? `roots compress ${percent(dig.share)} of the bark`
      : undefined;
  },
  mulchTooDeep: ({ profile: { mulch } }) =>
    mulch !== undefined && mulch.halfwayDepth > limit('mulchDeep')
      ? `${shortMark(mulch.halfwayDepth)} deep halfway out`
      : undefined,
  mulchSpent: ({ profile: { mulch } }) =>
    mulch !== undefined && mulch.across > 0 && mulch.halfwayDepth < limit('mulchSpent')
      ? `mulch ${shortMark(mulch.halfwayDepth)} deep halfway out`
      : undefined,
  noMulchThere: ({ profile, verdict }) =>
    profile.mulch === undefined && verdict.facts.mulchOnBark.state !== 'yes' ? '' : undefined,
  grassToStem: covers('grass', 'grass up to the stem'),
  bareToStem: covers('bare', 'bare soil at the stem'),
  stoneAtStem: covers('stone', 'stone at the stem'),
  rootsScalped: ({ visit }) => {
    const scars = answerTo(visit.findings, 'mulch.scalped')?.answer;
    return scars === 'some' || scars === 'many' ? `${scars} surface roots scarred by mowers` : undefined;
  },
  ringReached: noted('base.ring', 'reached', 'the stem has reached the ring'),
  rootsOverRing: noted('base.ring', 'over', 'roots have grown over the rim of the ring'),
  limbHangs: noted('crown.limbs', 'hanging', 'a broken limb hangs in the crown'),
  limbsCracked: noted('crown.limbs', 'cracked', 'large limbs are cracked or hollow'),
  dwarfing: noted('base.rootstock', 'dwarfing', 'it stands on a dwarfing rootstock'),
  sweeps: ({ visit }) => {
    const sweep = answerTo(visit.findings, 'base.sweep')?.answer;
    return sweep === 'slight' || sweep === 'marked'
      ? `its stem sweeps out of the ground${sweep === 'marked' ? '' : ' a little'}`
      : undefined;
  },
  standsHigh: ({ profile: { collar } }) =>
    collar !== undefined && collar.depth.value <= -limit('collarHigh')
      ? `its first roots stand ${shortMark(-collar.depth.value)} above grade`
      : undefined,
  isShrub: noted('base.form', 'shrub', 'it is a shrub'),
  justPlanted: (s) => {
    const years = yearsInGround(s);
    return years !== undefined && years <= limit('stakedYears')
      ? `${years === 0 ? 'planted this year' : years === 1 ? 'planted last year' : `planted ${years} years ago`}`
      : undefined;
  },
  beyondABowl: ({ profile: { collar } }) =>
    collar !== undefined && collar.deepest.value > limit('collarByAir')
      ? `the collar lies up to ${shortMark(collar.deepest.value)} down (a bowl does to ${shortMark(limit('collarByAir'))})`
      : undefined,
  trenchesLaidOut: ({ visit }) => {
    const { trenches } = visit;
    if (!trenches || trenches.choice?.remedy === 'nothing') return undefined;
    return trenches.choice ? `chosen: ${trenches.choice.why}` : 'planned for this tree';
  },
  groundTight: (s) => {
    const tight = tightGround(s);
    return tight && inSentence(tight.title);
  },
  soilLeft: ({ visit }) =>
    visit.trenches?.choice?.remedy === 'nothing' ? visit.trenches.choice.why : undefined,
  tooLargeToLift: (s) => {
    const stem = stemOf(s);
    return stem !== undefined && stem > limit('resetMaxStem')
      ? `stem ${shortMark(stem)} (limit ${shortMark(limit('resetMaxStem'))})`
      : undefined;
  },
  mayFall: ({ verdict: { danger } }) => danger && dangerReasons(danger).join(', '),
  baseDecays: ({ verdict: { danger, facts } }) => {
    const decay = danger?.possible.find((p) => p.mechanism === 'basalDecay' && p.probability >= LIKELY);
    const seen = (['barkSoft', 'conks', 'hollow'] as const).find((key) => facts[key].state === 'yes');
    return decay
      ? `${inSentence(decay.label)} is likely (${chanceWords(decay.probability)})`
      : seen && facts[seen].text;
  },
  notSmallToStake: (s) => {
    const stem = stemOf(s);
    if (stem === undefined) return 'stem not measured';
    return stem > limit('stakeMaxStem')
      ? `stem ${shortMark(stem)} (limit ${shortMark(limit('stakeMaxStem'))})`
      : undefined;
  },
  youngToLift: (s) => {
    const [age, stem] = [ageAt(s.tree, s.visit), stemOf(s)];
    return age && stem !== undefined
      ? `${ageSays(age)} in the ground, stem ${shortMark(stem)}: young enough to lift`
      : undefined;
  },
  noWorkAdvised: (s, operations) =>
    operations.some((o) => o.advice === 'do' && o.key !== 'alive')
      ? undefined
      : s.verdict.causes.some((c) => c.standing === 'likely')
        ? 'the likely cause is not one that work corrects'
        : [...s.verdict.causes, ...s.verdict.mechanisms].some((n) => isOpen(n.standing))
          ? 'nothing is settled yet'
          : 'nothing examined calls for work',
  inDrought: ({ visit, events, house }) => {
    const year = Number(visit.date.slice(0, 4));
    const deficit = house.weather && deficitBefore(house.weather, visit.date);
    if (deficit && deficit.short >= limit('rainDeficit'))
      return `${shortMark(deficit.short)} less rain than usual in the season of ${deficit.year}`;
    return events.some((e) => e.kind === 'drought' && yearOf(e.when) === year)
      ? `drought noted in ${year}`
      : undefined;
  },
  rootsMapped: ({ visit }) => (isMapped(visit.dig) ? 'its roots are mapped' : undefined),
  tooOldToLift: (s) => {
    const age = ageAt(s.tree, s.visit);
    return age && age.years > limit('resetMaxYears')
      ? `${ageSays(age)} in the ground (limit ${limit('resetMaxYears')} years)`
      : undefined;
  },
  rootsLeftBall: (s) => {
    const left = dugOf(s)?.roots.filter(
      (r) => r.root.leftPot === true && (r.area ?? 0) >= (Math.PI / 4) * limit('rootSmall') ** 2,
    );
    return left && left.length > 0
      ? `roots that left the pot: ${left.map((r) => r.root.label).join(', ')}`
      : undefined;
  },
};

const STANDS = { likely: ['likely'], possible: ['likely', 'possible'] } as const;

function held(condition: Condition, s: Situation, operations: readonly Weighed[]): Held {
  if ('measured' in condition) return MEASURES[condition.measured](s, operations);
  if ('fact' in condition) {
    const fact = s.verdict.facts[condition.fact];
    if ('isNot' in condition) return fact.state === condition.isNot ? undefined : '';
    return fact.state === condition.is ? fact.text : undefined;
  }
  if ('node' in condition) {
    const found = standingOf(s.verdict, condition.node);
    return (STANDS[condition.standing] as readonly string[]).includes(found.standing)
      ? `${inSentence(found.label)} is ${found.certainty}`
      : undefined;
  }
  if ('matter' in condition) {
    const school = s.school(condition.matter);
    return school.key === condition.school ? `the school followed: ${school.label}` : undefined;
  }
  if ('planned' in condition) {
    const planned = plannedOf(operations, s.visit).find((o) => o.key === condition.planned);
    return planned && `${inSentence(planned.title)} is prescribed`;
  }
  const seen = evidenceFor(s, condition.finding);
  return seen && condition.among.includes(seen.answer) ? seen.says : undefined;
}

/** The rules of a list that hold, each as what was found and what follows from it. */
export function rulesHolding(
  rules: readonly Rule[],
  s: Situation,
  operations: readonly Weighed[],
): { found: string; why: string }[] {
  return rules.flatMap((rule) => {
    const found = rule.when.map((condition) => held(condition, s, operations));
    return found.every((f) => f !== undefined)
      ? [{ found: found.filter((f) => f !== '').join(', '), why: rule.why }]
      : [];
  });
}

/** Whether a remedy is called for by the chances of causes alone: by no measurement, no other remedy and no choice of a person. */
export const byChancesAlone = (
  rules: readonly Rule[],
  s: Situation,
  operations: readonly Weighed[],
): boolean =>
  rules
    .filter((rule) => rulesHolding([rule], s, operations).length > 0)
    .every((rule) => rule.when.some((condition) => 'node' in condition));
