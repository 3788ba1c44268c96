import type { Station } from '../questions/question';
import { CAUSE_KEYS, type CauseKey, CAUSES, isMechanism, type NodeKey } from '../vocabulary/causes';
import type { Evidence } from './evidence';
import { EXCLUSIONS } from './exclusions';
import type { JudgementTable, NetworkFinding } from './judgement';
import { networkOf, priorsOf, type CompiledFinding } from './network';
import { jointOf, likelihood, marginalsOf, type Marginals } from './posterior';
import { reweighted, seatsOf, type Seat } from './seats';
import { PRACTICE_TABLE } from './practiceTable';
import { marginalOf, type Verdict } from './verdict';
import { weightWords } from './words';
import { decisionsOf, worthOf, type Check, type TreatOrLook } from './decisions';

/** One finding and what it does to a cause. */
export interface Reason {
  finding: string;
  text: string;
  why: string;
  /** Weight of evidence, 10 log10 of what it does to the odds; below zero against. */
  decibans: number;
  words: string;
  station: Station;
  unsure: boolean;
}

export interface CauseReasons {
  cause: CauseKey;
  for: Reason[];
  against: Reason[];
}

export interface Contradiction {
  findings: string[];
  text: string;
}

/** What would become of the verdict if an unsure answer were another. */
export interface Flip {
  finding: string;
  text: string;
  otherwise: string;
  changes: { cause: CauseKey; label: string; from: number; to: number }[];
}

export interface Explanation {
  causes: CauseReasons[];
  /** The finding without which another cause would stand first. */
  pivotal?: { finding: string; text: string; then: CauseKey; thenLabel: string };
  contradictions: Contradiction[];
  flips: Flip[];
  /** Most worth for the minute first. */
  checks: Check[];
  /** Nothing left to look at would change the prescription. */
  enough: boolean;
  /** For each remedy of the table whose cause may be at work, the dearest decision first. */
  decisions: TreatOrLook[];
}

/** A weight below this is not worth a line, decibans. */
const LEAST_WEIGHT = 0.7;
/** A finding is called out of place when the rest makes it this improbable. */
const OUT_OF_PLACE = 0.06;
/** A check that saves less than this in expectation would not change the prescription. Steps of the stakes. */
const WORTH_LOOKING = 0.03;
/** A change of a chance smaller than this is not told of. */
const LEAST_CHANGE = 0.05;

const oddsOf = (p: number): number => p / (1 - p);
/** Kept off 0 and 1, so that a weight of evidence stays finite. */
const bounded = (p: number): number => Math.min(1 - 1e-12, Math.max(1e-12, p));

/** One finding that was looked at: where it sits, what it says now and what follows without it. */
interface Placed {
  evidence: Evidence;
  compiled: CompiledFinding;
  seat: Seat;
  now: [Float64Array, Float64Array];
  without: Marginals;
  weight: (node: NodeKey) => number;
}

/**
 * Why the verdict is what it is: what each finding does to each cause, which one decides, what does not fit, what the
 * unsure ones may change, and what to look at next.
 *
 * @param table the one the verdict was weighed with
 */
export function explain(verdict: Verdict, table: JudgementTable = PRACTICE_TABLE): Explanation {
  const circumstances = new Set(verdict.circumstances);
  const network = networkOf(table, circumstances);
  const joint = jointOf(network, priorsOf(table, circumstances), verdict.evidence, true);
  const present = marginalsOf(joint);
  const seats = seatsOf(network, joint);
  const placed = verdict.evidence.map((evidence): Placed => {
    const compiled = network.findings.get(evidence.key)!;
    const seat = seats(evidence.key);
    const now = likelihood(compiled, evidence.agrees);
    const without = reweighted(seat, [now[0].map((l) => 1 / l), now[1].map((l) => 1 / l)]);
    const weight = (node: NodeKey) =>
      10 *
      Math.log10(oddsOf(bounded(marginalOf(present, node))) / oddsOf(bounded(marginalOf(without, node))));
    return { evidence, compiled, seat, now, without, weight };
  });
  const after = new Map<string, number[]>();
  const unseen = table.findings.filter((f) => !f.toldOnly && !verdict.evidence.some((e) => e.key === f.key));
  const checks = unseen
    .map((finding) =>
      worthOf(table, finding, seats(finding.key), network.findings.get(finding.key)!, present, after),
    )
    .sort((a, b) => b.gainPerMinute - a.gainPerMinute);
  return {
    causes: verdict.causes.map(({ cause }) => reasonsOf(table, cause, placed)),
    pivotal: pivotalOf(verdict, placed),
    contradictions: contradictionsOf(verdict, placed, present),
    flips: flipsOf(placed, present),
    checks,
    enough: checks.every((c) => c.gain < WORTH_LOOKING),
    // Nothing is treated that is dead or may be.
    decisions: ['alive', 'unexamined'].includes(verdict.alive.state)
      ? decisionsOf(table, verdict, present, checks, after)
      : [],
  };
}

function reasonsOf(table: JudgementTable, cause: CauseKey, placed: readonly Placed[]): CauseReasons {
  const reasons = placed
    .map(({ evidence, compiled, weight }): Reason => {
      const decibans = weight(cause);
      return {
        finding: evidence.key,
        text: evidence.says,
        why: whyOf(table, compiled.finding, cause, decibans),
        decibans,
        words: weightWords(decibans),
        station: compiled.finding.station,
        unsure: evidence.unsure,
      };
    })
    .filter((r) => Math.abs(r.decibans) >= LEAST_WEIGHT)
    .sort((a, b) => Math.abs(b.decibans) - Math.abs(a.decibans));
  return {
    cause,
    for: reasons.filter((r) => r.decibans > 0),
    against: reasons.filter((r) => r.decibans < 0),
  };
}

/** The sentence of the table that ties a finding to a cause; through a mechanism, that of the mechanism. */
function whyOf(table: JudgementTable, finding: NetworkFinding, cause: CauseKey, decibans: number): string {
  const direct = finding.links.find((l) => l.of === cause);
  if (direct) return direct.why;
  const mechanism = finding.links.find((l) => isMechanism(l.of));
  const row = table.mechanisms.find((m) => m.mechanism === mechanism?.of);
  const link = row?.links.find((l) => l.of === cause);
  if (mechanism && link) return `${mechanism.why} ${link.why}`;
  return decibans < 0
    ? 'Another cause explains it, so this one is less likely.'
    : (mechanism?.why ?? 'It speaks against what would explain the rest.');
}

function pivotalOf(verdict: Verdict, placed: readonly Placed[]): Explanation['pivotal'] {
  const first = verdict.causes[0]!.cause;
  let best: Explanation['pivotal'];
  let most = 0;
  for (const { evidence, without, weight } of placed) {
    const then = CAUSE_KEYS.reduce((a, b) => (marginalOf(without, b) > marginalOf(without, a) ? b : a));
    const moved = Math.abs(weight(first));
    if (then === first || moved <= most) continue;
    most = moved;
    best = { finding: evidence.key, text: evidence.says, then, thenLabel: CAUSES[then].label };
  }
  return best;
}

function contradictionsOf(verdict: Verdict, placed: readonly Placed[], present: Marginals): Contradiction[] {
  const answer = (key: string) => verdict.evidence.find((e) => e.key === key);
  const excluded = EXCLUSIONS.flatMap(({ one, other, why }): Contradiction[] => {
    const [a, b] = [answer(one[0]), answer(other[0])];
    if (!a || !b || !one[1].includes(a.answer) || !other[1].includes(b.answer)) return [];
    return [{ findings: [a.key, b.key], text: `${a.says}; ${b.says}. ${why}` }];
  });
  const odd = placed.flatMap(({ evidence, compiled, without, weight }): Contradiction[] => {
    // The chance of what was seen, given all the rest: the mass with it over the mass without it.
    const expected = present.total / without.total / Math.max(...evidence.agrees);
    if (expected >= OUT_OF_PLACE || excluded.some((e) => e.findings.includes(evidence.key))) return [];
    const node = compiled.finding.links
      .map((l) => l.of)
      .reduce((a, b) => (Math.abs(weight(b)) > Math.abs(weight(a)) ? b : a));
    const against = placed
      .filter((p) => p.evidence.key !== evidence.key && p.weight(node) * weight(node) < 0)
      .sort((a, b) => Math.abs(b.weight(node)) - Math.abs(a.weight(node)))[0];
    if (!against || Math.abs(against.weight(node)) < LEAST_WEIGHT) return [];
    return [
      {
        findings: [evidence.key, against.evidence.key],
        text: `${evidence.says}: hardly to be expected together with “${against.evidence.says}”. Check both again.`,
      },
    ];
  });
  return [...excluded, ...odd];
}

function flipsOf(placed: readonly Placed[], present: Marginals): Flip[] {
  return placed
    .filter(({ evidence }) => evidence.unsure)
    .flatMap(({ evidence, compiled, seat, now }) =>
      compiled.finding.answers.flatMap(([answer, says], g): Flip[] => {
        if (answer === evidence.answer) return [];
        const then = reweighted(
          seat,
          [0, 1].map((m) => now[m]!.map((l, k) => compiled.chance[g]![m]![k]! / l)) as [
            Float64Array,
            Float64Array,
          ],
        );
        const changes = CAUSE_KEYS.map((cause) => ({
          cause,
          label: CAUSES[cause].label,
          from: marginalOf(present, cause),
          to: marginalOf(then, cause),
        })).filter((c) => Math.abs(c.to - c.from) >= LEAST_CHANGE);
        return changes.length > 0
          ? [{ finding: evidence.key, text: evidence.says, otherwise: says, changes }]
          : [];
      }),
    );
}
