import { labelOf, type MechanismKey, type NodeKey } from '../vocabulary/causes';
import type { Station } from '../questions';
import type { JudgementTable, NetworkFinding } from './judgement';
import { FALLS } from './danger';
import type { CompiledFinding } from './network';
import type { Marginals } from './posterior';
import { reweighted, type Seat } from './seats';
import { marginalOf, standingOf, type Standing, type Verdict } from './verdict';

/** Something not yet looked at, and what it is worth to look. */
export interface Check {
  finding: string;
  about: string;
  station: Station;
  minutes: number;
  tools?: string;
  season?: string;
  /** Expected saving, in the steps of the table's stakes. */
  gain: number;
  gainPerMinute: number;
  /** Remedies that some answer would add or take off. */
  couldChange: string[];
}

/**
 * Whether a remedy is done on what is known, left, or waits for one more look: what each is expected to lose, in hours of
 * work. Done in vain it wastes work and may harm; left undone it costs what the cause goes on doing.
 */
export interface TreatOrLook {
  /** What the stakes of the table are about. */
  remedy: string;
  for: NodeKey;
  /** What the remedy is for, in words. */
  label: string;
  choice: 'do' | 'look' | 'leave';
  /** Expected loss of doing it and of leaving it, on what is known. */
  done: number;
  left: number;
  /** The look that saves most beyond its own minutes, and what deciding after it is expected to lose. */
  look?: { finding: string; about: string; minutes: number; station: Station; loss: number };
  /** Why, in one sentence with both numbers. */
  text: string;
}

/** What is chosen, in words. */
export const CHOICES: Record<TreatOrLook['choice'], string> = {
  do: 'treat',
  look: 'look first',
  leave: 'leave',
};

/** Sums over the worlds hold to about this part. */
const ROUNDING = 1e-10;

/** Hours of work that a step of the stakes stands for: half a day is three. Judgement. */
const HOURS_A_STEP = 4 / 3;
/** Standings that ask for a decision. */
const ASK: readonly Standing[] = ['likely', 'possible', 'open'];

/** Expected cost of doing or leaving a remedy, whichever is less, at a chance that it is needed. */
const costAt = (chance: number, missing: number, needless: number): number =>
  Math.min(missing * chance, needless * (1 - chance));

/** What it is worth to look: by how much, on average over its answers, the cost of deciding falls. */
export function worthOf(
  table: JudgementTable,
  finding: NetworkFinding,
  seat: Seat,
  compiled: CompiledFinding,
  present: Marginals,
  /** Filled in: by finding, what deciding after it is expected to lose, stake by stake. */
  losses: Map<string, number[]>,
): Check {
  const { stakes } = table;
  const own = stakes.map(() => 0);
  const couldChange = new Set<string>();
  finding.answers.forEach((_, g) => {
    const then = reweighted(seat, [compiled.chance[g]![0]!, compiled.chance[g]![1]!]);
    const share = then.total / present.total;
    for (const [i, { for: node, missing, needless, remedy }] of stakes.entries()) {
      const [before, now] = [marginalOf(present, node), marginalOf(then, node)];
      own[i]! += share * costAt(now, missing, needless);
      const from = needless / (missing + needless);
      if (share > 0.01 && before >= from !== now >= from) couldChange.add(remedy);
    }
  });
  losses.set(finding.key, own);
  const after = own.reduce((sum, loss) => sum + loss, 0);
  const before = stakes.reduce(
    (sum, { for: node, missing, needless }) => sum + costAt(marginalOf(present, node), missing, needless),
    0,
  );
  // What is left of a sum that comes to nothing is no reason to look.
  const gain = before - after > before * ROUNDING ? before - after : 0;
  const { key, about, station, minutes, tools, season } = finding;
  return {
    finding: key,
    about,
    station,
    minutes,
    tools,
    season,
    gain,
    gainPerMinute: gain / minutes,
    couldChange: [...couldChange],
  };
}

const hours = (loss: number): string => `${(loss * HOURS_A_STEP).toFixed(1)} h`;

/** For each remedy: do it now, leave it, or look once more, whichever is expected to lose least. */
export function decisionsOf(
  { stakes }: JudgementTable,
  verdict: Verdict,
  present: Marginals,
  checks: readonly Check[],
  after: ReadonlyMap<string, readonly number[]>,
): TreatOrLook[] {
  return stakes
    .flatMap(({ remedy, for: node, missing, needless }, i): TreatOrLook[] => {
      const p = marginalOf(present, node);
      // What is merely usual for such a tree, and nothing seen speaks of, asks for a look and for no decision.
      if (!ASK.includes(standingOf(verdict, node).standing)) return [];
      const [done, left] = [needless * (1 - p), missing * p];
      const now = Math.min(done, left);
      const priced = checks.map((check) => {
        const loss = after.get(check.finding)![i]!;
        return { check, loss, whole: loss + check.minutes / 60 / HOURS_A_STEP };
      });
      const best = priced.reduce<(typeof priced)[number] | undefined>(
        (least, one) => (!least || one.whole < least.whole ? one : least),
        undefined,
      );
      const urgent = verdict.danger !== undefined && FALLS.includes(node as MechanismKey);
      const worth = !urgent && best && best.whole < now - ROUNDING ? best : undefined;
      const choice = worth ? 'look' : urgent || done <= left ? 'do' : 'leave';
      const losses = `On average treating it wastes ${hours(done)} of work, leaving it costs ${hours(left)}.`;
      return [
        {
          remedy,
          for: node,
          label: labelOf(node),
          choice,
          done: done * HOURS_A_STEP,
          left: left * HOURS_A_STEP,
          ...(worth && {
            look: {
              finding: worth.check.finding,
              about: worth.check.about,
              minutes: worth.check.minutes,
              station: worth.check.station,
              loss: worth.loss * HOURS_A_STEP,
            },
          }),
          text: worth
            ? `Deciding now loses ${hours(now)} of work on average; a check of ${worth.check.about} (${worth.check.minutes} min) brings that to ${hours(worth.loss)}.`
            : urgent
              ? 'At once: that it may fall is not traded for minutes.'
              : losses,
        },
      ];
    })
    .sort((a, b) => Math.min(b.done, b.left) - Math.min(a.done, a.left));
}
