import { inSentence } from '../vocabulary/inSentence';
import { chanceWords } from '../units/share';
import { type CauseKey, labelOf } from '../vocabulary/causes';
import type { JudgementTable, Stake, Verdict } from '../diagnosis';
import { dangerReasons, PRACTICE_TABLE, reweigh, standingOf } from '../diagnosis';
import { nothingSeen } from './looks';

/** How soon a tree is to be seen to. */
export const URGENCIES = [
  { key: 'now', label: 'now' },
  { key: 'season', label: 'this season' },
  { key: 'look', label: 'look closer' },
  { key: 'fine', label: 'nothing to do' },
  { key: 'unseen', label: 'not examined' },
] as const;

export type Urgency = (typeof URGENCIES)[number]['key'];

export interface Triage {
  urgency: Urgency;
  /** What is lost on average if nothing is done, in steps of the table's stakes; orders trees of one urgency. */
  loss: number;
  /** The one thing to do next. */
  action: string;
  /** What it is for, and how sure. */
  why: string;
  first?: { cause: CauseKey; label: string; probability: number };
}

/** Stakes from which leaving a thing undone may hurt someone, and the chance from which it is urgent. Judgement. */
const HURTS = { missing: 15, chance: 0.35 };
/**
 * Where so much more hangs on one thing not known than at a tree of its kind with nothing to see, it is looked at
 * closer. Steps of the stakes. Judgement.
 */
const OPEN = 0.3;

/** With fewer findings than this, work is called for only where the cause is more likely than not. Judgement. */
const FEW = 4;

/**
 * How soon, and what next, from the verdict alone: each remedy of the table is weighed by what is lost without it and
 * what it costs where it is not needed.
 */
export function triage(verdict: Verdict, table: JudgementTable = PRACTICE_TABLE): Triage {
  const lives = ofItsLife(verdict);
  if (verdict.evidence.length === 0)
    return (
      lives ?? { urgency: 'unseen', loss: 0, action: 'make the eight checks', why: 'nothing was examined' }
    );
  const weighed = weighedIn(verdict, table);
  const known = verdict.evidence.length >= FEW;
  const called = weighed.filter((w) => w.gain > 0 && (known || w.p >= 0.5)).sort((a, b) => b.gain - a.gain);
  const loss = called.reduce((sum, w) => sum + w.gain, 0);
  const { cause, label, probability, standing } = verdict.causes[0]!;
  const first = standing === 'likely' || standing === 'possible' ? { cause, label, probability } : undefined;
  const { danger } = verdict;
  if (danger && danger.signs.length > 0)
    return {
      urgency: 'now',
      loss,
      action: `keep people away; have its stability assessed within ${danger.days} days`,
      why: dangerReasons(danger).join(', '),
      first,
    };
  if (lives) return { ...lives, first };
  const because = ({ stake, p }: Weighed) => `${inSentence(labelOf(stake.for))} ${chanceWords(p)}`;
  const hurts = called.find((w) => w.stake.missing >= HURTS.missing && w.p >= HURTS.chance);
  if (hurts) return { urgency: 'now', loss, action: hurts.stake.remedy, why: because(hurts), first };
  // Possible and not seen: it waits for the season, and all else waits for it.
  if (danger)
    return {
      urgency: 'season',
      loss,
      action: `have its stability assessed${called[0] ? `, then ${called[0].stake.remedy}` : ''}`,
      why: dangerReasons(danger).join(', '),
      first,
    };
  if (called[0])
    return { urgency: 'season', loss, action: called[0].stake.remedy, why: because(called[0]), first };
  const doubts = usualDoubt(verdict, table);
  const doubt = weighed
    .map((w, i) => ({ ...w, open: w.open - doubts[i]! }))
    .reduce((a, b) => (b.open > a.open ? b : a));
  if (doubt.open >= OPEN)
    return {
      urgency: 'look',
      loss: doubt.open,
      action: lookFor(doubt.stake, verdict, table),
      why: because(doubt),
      first,
    };
  // A likely cause is never passed over as nothing to do, though no remedy of the table answers it.
  if (standing === 'likely')
    return {
      urgency: 'look',
      loss: 0,
      action: lookFor({ for: cause }, verdict, table),
      why: `${inSentence(label)} ${chanceWords(probability)}`,
      first,
    };
  return {
    urgency: 'fine',
    loss: 0,
    action: 'nothing',
    why: 'nothing that was examined calls for work',
    first,
  };
}

/** What is next at a tree that is dead, or that may be; undefined where it lives as far as is known. */
function ofItsLife({ alive, danger }: Verdict): Triage | undefined {
  const safe = danger ? 'have its stability assessed, then ' : '';
  if (alive.state === 'dead')
    return {
      urgency: 'season',
      loss: 0,
      action: `${safe}take it down; post-mortem for the others of its planting`,
      why: `dead: ${alive.says}`,
    };
  if (alive.state !== 'doubtful' && alive.state !== 'contradictory') return undefined;
  return {
    urgency: danger ? 'season' : 'look',
    loss: OPEN,
    action: `${safe || 'look: '}scratch the bark at twig, limb and stem`,
    why: alive.says,
  };
}

interface Weighed {
  stake: Stake;
  p: number;
  /** What doing it saves on average, and what hangs on not knowing; steps of the stakes. */
  gain: number;
  open: number;
}

function weighedIn(verdict: Verdict, table: JudgementTable): Weighed[] {
  return table.stakes.map((stake) => {
    const p = standingOf(verdict, stake.for).probability;
    const [without, needless] = [stake.missing * p, stake.needless * (1 - p)];
    return { stake, p, gain: without - needless, open: Math.min(without, needless) };
  });
}

const usual = new WeakMap<JudgementTable, Map<string, number[]>>();

/** What hangs on not knowing at a tree of the same history with all eight looks taken and nothing to see. */
function usualDoubt(verdict: Verdict, table: JudgementTable): number[] {
  const known = usual.get(table) ?? new Map<string, number[]>();
  usual.set(table, known);
  const key = verdict.circumstances.join();
  const doubts =
    known.get(key) ??
    weighedIn(reweigh({ ...verdict, evidence: nothingSeen(table) }, table), table).map((w) => w.open);
  known.set(key, doubts);
  return doubts;
}

/** The cheapest telling look at what a remedy hangs on. */
function lookFor(stake: Pick<Stake, 'for'>, verdict: Verdict, table: JudgementTable): string {
  const seen = new Set(verdict.evidence.map((e) => e.key));
  const [next] = table.findings
    .filter((f) => !f.toldOnly && !seen.has(f.key) && f.links.some((l) => l.of === stake.for))
    .sort((a, b) => a.minutes - b.minutes);
  return next ? `look: ${next.about}` : `look again: ${inSentence(labelOf(stake.for))}`;
}

/** Most urgent first, within it what is lost most. */
export function byUrgency(a: Triage, b: Triage): number {
  const rank = (t: Triage) => URGENCIES.findIndex((u) => u.key === t.urgency);
  return rank(a) - rank(b) || b.loss - a.loss;
}
