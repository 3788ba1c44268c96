import { inSentence, listed } from '../vocabulary/inSentence';
import type { Station } from '../questions/question';
import type { Tree, TreeEvent, Visit } from '../records';
import {
  CAUSE_KEYS,
  type CauseKey,
  CAUSES,
  isMechanism,
  MECHANISM_KEYS,
  type MechanismKey,
  MECHANISMS,
  type NodeKey,
} from '../vocabulary/causes';
import { aliveOf, aliveSays, type Aliveness } from '../crown/alive';
import type { Profile } from '../profile';
import type { House } from '../house';
import { dangerOf, type Danger } from './danger';
import { circumstancesOf, evidenceOf, type Evidence } from './evidence';
import { factsOf, type Facts } from './facts';
import type { Circumstance, JudgementTable, NetworkFinding } from './judgement';
import { networkOf, priorsOf } from './network';
import { causePairs, jointOf, marginalsOf, type Marginals } from './posterior';
import { PRACTICE_TABLE } from './practiceTable';
import { certaintyOf } from './words';

/** Bumped whenever the way the table is read changes; kept with every snapshot, beside the version of the table. */
export const VERDICT_ENGINE = 'network-1';

/** From which chance a cause is called what. Common practice, no source. */
export const STANDINGS = [
  { from: 0.6, key: 'likely', label: 'likely' },
  { from: 0.25, key: 'possible', label: 'possible' },
  { from: 0.08, key: 'open', label: 'little to go on' },
  { from: 0, key: 'unlikely', label: 'unlikely' },
] as const;

export type Standing = (typeof STANDINGS)[number]['key'] | 'unexamined';

export interface CauseVerdict {
  cause: CauseKey;
  label: string;
  mechanism: string;
  /** Chance that it is at work, by the table; a judgement of practice, not a measured frequency. */
  probability: number;
  /** Chance before anything was looked at. */
  prior: number;
  certainty: string;
  standing: Standing;
  /** What speaks of it and was not looked at. */
  unexamined: { finding: string; text: string; station: Station }[];
}

export interface MechanismVerdict {
  mechanism: MechanismKey;
  label: string;
  probability: number;
  certainty: string;
  standing: Standing;
}

/** One step of what led to what. */
export interface ChainStep {
  mechanism: MechanismKey;
  because: string[];
  so: string;
  text: string;
}

export interface Verdict {
  engine: string;
  /** Version of the judgement table. */
  table: string;
  /** Most likely first. Several may be at work at once; the chances do not add up to one. */
  causes: CauseVerdict[];
  /** In the order in which one leads to another. */
  mechanisms: MechanismVerdict[];
  /** Causes that are likely to be at work together, with the chance of both. */
  together: { causes: [CauseKey, CauseKey]; probability: number }[];
  /** What led to what. */
  chain: ChainStep[];
  evidence: Evidence[];
  /** What of the history moved the priors. */
  circumstances: Circumstance[];
  facts: Facts;
  /** That it may fall, where a sign of it was seen or the chance is there. It stands before everything else. */
  danger?: Danger;
  /** Whether it lives: of a dead one the causes are what may have killed it. */
  alive: Aliveness;
  /** The finding in one or two sentences, the danger first, or that there is too little to say. */
  summary: string;
}

/** With fewer findings than this the verdict is mostly what is usual for such a tree, and says so. */
const ENOUGH_FINDINGS = 6;
/** A cause that no finding speaks of directly counts as examined where what goes on in the tree moved it so far. */
const MOVED = 0.05;
/** A pair is told of when both are at work with at least this chance. */
const TOGETHER = 0.25;
/** A mechanism stands in the chain from this chance on. */
const IN_CHAIN = 0.5;

/**
 * Weighs the causes of decline from what was seen and measured: exact chances of every cause and mechanism by the
 * judgement table. What was not looked at counts neither for nor against.
 *
 * @param house species as the firm judges them, and where the grounds lie
 * @param recovering a cause was treated so lately that the crown may still show it
 */
export function verdictOf(
  tree: Tree,
  events: readonly TreeEvent[],
  visit: Visit,
  profile: Profile,
  table: JudgementTable = PRACTICE_TABLE,
  house: House = {},
  recovering = false,
): Verdict {
  const evidence = evidenceOf(table, tree, events, visit, profile);
  return {
    ...weigh(
      table,
      evidence,
      circumstancesOf(tree, events, visit, house, recovering),
      aliveOf(visit.findings),
    ),
    facts: factsOf(profile, evidence),
  };
}

/** A verdict weighed again with another table, from the same findings; what the new table does not know is left out. */
export function reweigh(verdict: Verdict, table: JudgementTable): Verdict {
  const known = new Map(table.findings.map((f) => [f.key, f.answers.length]));
  const evidence = verdict.evidence.filter((e) => known.get(e.key) === e.agrees.length);
  return { ...weigh(table, evidence, new Set(verdict.circumstances), verdict.alive), facts: verdict.facts };
}

/** What a chance is called where something seen speaks of it. */
const standingAt = (spoken: boolean, probability: number): Standing =>
  spoken ? STANDINGS.find((s) => probability >= s.from)!.key : 'unexamined';

/** Of a cause that cannot be at this tree. */
const cannotBe = (cause: CauseKey) => ({
  label: CAUSES[cause].label,
  certainty: certaintyOf(0),
  standing: 'unexamined' as const,
  probability: 0,
});

/** How a cause or a mechanism stands. */
export const standingOf = (
  { causes, mechanisms }: Pick<Verdict, 'causes' | 'mechanisms'>,
  node: NodeKey,
): Pick<CauseVerdict, 'label' | 'certainty' | 'standing' | 'probability'> =>
  isMechanism(node)
    ? mechanisms.find((m) => m.mechanism === node)!
    : (causes.find((c) => c.cause === node) ?? cannotBe(node));

const usuals = new WeakMap<JudgementTable, Map<string, number[]>>();

/** Chances of the mechanisms at a tree of such a history before anything was looked at. */
function usualOf(table: JudgementTable, circumstances: ReadonlySet<Circumstance>): number[] {
  const known = usuals.get(table) ?? new Map<string, number[]>();
  usuals.set(table, known);
  const key = [...circumstances].sort().join();
  const usual =
    known.get(key) ??
    marginalsOf(jointOf(networkOf(table, circumstances), priorsOf(table, circumstances), [])).mechanisms;
  known.set(key, [...usual]);
  return [...usual];
}

function weigh(
  table: JudgementTable,
  evidence: Evidence[],
  circumstances: ReadonlySet<Circumstance>,
  alive: Aliveness,
): Omit<Verdict, 'facts'> {
  const network = networkOf(table, circumstances);
  const priors = priorsOf(table, circumstances);
  const joint = jointOf(network, priors, evidence);
  const chances = marginalsOf(joint);
  const seen = new Set(evidence.map((e) => e.key));
  const spokenOf = (findings: readonly NetworkFinding[], now: number, prior: number) =>
    findings.some((f) => seen.has(f.key)) || Math.abs(now - prior) >= MOVED;
  const speaks = (node: NodeKey) => table.findings.filter((f) => f.links.some((l) => l.of === node));
  const causes = CAUSE_KEYS.slice(0, network.count).map((cause, i): CauseVerdict => {
    const probability = chances.causes[i]!;
    const findings = speaks(cause);
    return {
      cause,
      label: CAUSES[cause].label,
      mechanism: CAUSES[cause].mechanism,
      probability,
      prior: priors[i]!,
      certainty: certaintyOf(probability),
      standing: standingAt(spokenOf(findings, probability, priors[i]!), probability),
      unexamined: findings
        .filter((f) => !seen.has(f.key) && !f.toldOnly)
        .map((f) => ({ finding: f.key, text: `${f.about} not examined`, station: f.station })),
    };
  });
  const pairs = causePairs(joint);
  const together = CAUSE_KEYS.flatMap((a, i) =>
    CAUSE_KEYS.slice(0, i).map((b, j) => ({
      causes: [a, b] as [CauseKey, CauseKey],
      probability: pairs[i]![j]!,
    })),
  )
    .filter((p) => p.probability >= TOGETHER)
    .sort((a, b) => b.probability - a.probability);
  const usual = usualOf(table, circumstances);
  const mechanisms = MECHANISM_KEYS.map((mechanism, m): MechanismVerdict => {
    const probability = chances.mechanisms[m]!;
    return {
      mechanism,
      label: MECHANISMS[mechanism].label,
      probability,
      certainty: certaintyOf(probability),
      standing: standingAt(spokenOf(speaks(mechanism), probability, usual[m]!), probability),
    };
  });
  causes.sort((a, b) => b.probability - a.probability);
  const chain = chainOf(table, causes, mechanisms, seen);
  const danger = dangerOf(
    evidence,
    mechanisms.filter((m) => m.standing !== 'unexamined'),
  );
  return {
    engine: VERDICT_ENGINE,
    table: table.version,
    causes,
    mechanisms,
    together,
    chain,
    evidence,
    circumstances: [...circumstances],
    ...(danger && { danger }),
    alive,
    summary: [danger?.text, aliveSays(alive), summarise(causes, chain, evidence)].filter(Boolean).join(' '),
  };
}

const sentence = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** Each likely mechanism with the likely causes and mechanisms that bring it about. */
function chainOf(
  table: JudgementTable,
  causes: readonly CauseVerdict[],
  mechanisms: readonly MechanismVerdict[],
  seen: ReadonlySet<string>,
): ChainStep[] {
  const led = new Map<NodeKey, string>(
    causes.filter((c) => c.standing === 'likely').map((c) => [c.cause, CAUSES[c.cause].led]),
  );
  return mechanisms.flatMap(({ mechanism, probability }): ChainStep[] => {
    if (probability < IN_CHAIN) return [];
    const { links } = table.mechanisms.find((m) => m.mechanism === mechanism)!;
    const because = links.filter((l) => led.has(l.of)).map((l) => led.get(l.of)!);
    // What is merely usual for such a tree, with nothing seen of it, is no step.
    const spoken = table.findings.some((f) => seen.has(f.key) && f.links.some((l) => l.of === mechanism));
    if (because.length === 0 && !spoken) return [];
    const so = MECHANISMS[mechanism].state;
    led.set(mechanism, so);
    if (because.length > 0) {
      return [{ mechanism, because, so, text: `${sentence(listed(because.map(inSentence)))}; so ${so}.` }];
    }
    return [{ mechanism, because, so, text: `${sentence(so)}; the cause is not settled.` }];
  });
}

function summarise(
  causes: readonly CauseVerdict[],
  chain: readonly ChainStep[],
  evidence: readonly Evidence[],
): string {
  if (evidence.length === 0) return 'Nothing has been examined yet. Start with the base and the probe.';
  const few =
    evidence.length < ENOUGH_FINDINGS
      ? ` There ${evidence.length === 1 ? 'is only one finding' : `are only ${evidence.length} findings`} so far, so this is mostly what is usual for such a tree.`
      : '';
  const named = (standing: Standing) => causes.filter((c) => c.standing === standing);
  const likely = named('likely').map((c) => `${inSentence(c.label)} (${c.certainty})`);
  const possible = named('possible').map((c) => inSentence(c.label));
  if (likely.length > 0) {
    const rest = possible.length > 0 ? ` Also possible: ${possible.join(', ')}.` : '';
    return `${sentence(likely.join('; '))}.${rest}${few}`;
  }
  const open = chain.filter((step) => step.because.length === 0).map((step) => step.so);
  if (open.length > 0) {
    const among = possible.length > 0 ? ` Possible: ${possible.join(', ')}.` : '';
    return `${sentence(listed(open))}; the cause is not settled.${among}${few}`;
  }
  if (possible.length > 0) return `No cause is settled. Possible: ${possible.join(', ')}.${few}`;
  return `No cause stands out from what was examined.${few}`;
}

/** Every node's place in the marginals. */
export const placeOf = (node: NodeKey): { of: 'causes' | 'mechanisms'; index: number } =>
  isMechanism(node)
    ? { of: 'mechanisms', index: MECHANISM_KEYS.indexOf(node) }
    : { of: 'causes', index: CAUSE_KEYS.indexOf(node) };

/** The chance of a node by the marginals. */
export const marginalOf = (marginals: Marginals, node: NodeKey): number => {
  const { of, index } = placeOf(node);
  return marginals[of][index]!;
};
