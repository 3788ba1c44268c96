import { inSentence } from '../vocabulary/inSentence';
import { chanceWords, percent } from '../units/share';
import { STANDINGS, standingOf, type Verdict } from '../diagnosis';
import type { Visit } from '../records';
import { labelOf, type NodeKey } from '../vocabulary/causes';
import { shownBy, type Past, type Treatment } from './past';

/**
 * How what was found before stands today. `acting`: still likely. `back`: likely again after it was treated. `awaited`:
 * treated, and the crown has until a year to show it. `unanswered`: treated, and the crown did not answer in that time. `unlooked`: that time is over, and nobody looked at the crown.
 * `recovered`: treated, and neither it nor the crown's decline is likely. `refuted`: nothing was done
 * about it, and what was seen since speaks against it. `open`: nothing was done about it, and it is possible or was not looked at.
 */
export type State =
  | 'acting'
  | 'back'
  | 'awaited'
  | 'unanswered'
  | 'unlooked'
  | 'recovered'
  | 'refuted'
  | 'open';

/** A state in a few words, what presses most first. */
export const STATE_WORDS: Record<State, string> = {
  back: 'has come back',
  acting: 'still acting',
  unanswered: 'treated, no response',
  unlooked: 'treated, inspect the crown',
  awaited: 'treated, recovery awaited',
  open: 'not settled',
  recovered: 'treated, recovered',
  refuted: 'no longer likely',
};

/** One that asks for attention before the causes of today are read: what came back, and what was treated lately. */
export const isNews = ({ state }: Remembered): boolean =>
  state === 'back' || state === 'unanswered' || state === 'unlooked' || state === 'awaited';

/** Something that an earlier visit found likely. Nothing of it is forgotten because it can no longer be seen. */
export interface Remembered {
  node: NodeKey;
  label: string;
  state: State;
  /** When it was first found likely, and the highest chance since. */
  since: string;
  probability: number;
  /** The last work that is for it. */
  treatment?: Treatment;
  /** How often it was found likely after it had been treated. */
  relapses: number;
  /** Year by which the crown should show the treatment. */
  by?: number;
  /** In one or two sentences that follow its name. */
  text: string;
}

/** Looks at the crown that tell whether it declines. */
const CROWN = [
  'crown.density',
  'crown.dieback',
  'crown.extension',
  'crown.growing',
  'look.density',
  'look.dieback',
];

const POSSIBLE = STANDINGS.find((s) => s.key === 'possible')!.from;

const TIMES = ['', 'the first', 'the second', 'the third', 'the fourth', 'the fifth'];

function textOf(r: Omit<Remembered, 'text'>, now: number, instead: string | undefined): string {
  const { since, probability, treatment, by, relapses } = r;
  const found = `Found ${since} (${chanceWords(probability)})`;
  const done = treatment
    ? `${treatment.effect.done} ${treatment.on}${treatment.changed ? ', otherwise than prescribed' : ''}`
    : '';
  switch (r.state) {
    case 'acting':
      return treatment
        ? `${found}: still acting, although ${done}.`
        : `${found}: still acting; no work on it is recorded.`;
    case 'back':
      return `Has come back for ${TIMES[relapses] ? `${TIMES[relapses]} time` : `the ${relapses}th time`}: ${done}, and it is likely again.`;
    case 'awaited':
      return `${found}: ${done}. Recovery is awaited: shoots and leaves first, then a denser crown, by ${by} at the latest. By judgement it ends this in ${percent(treatment!.effect.chance)} of trees, and leaves ${treatment!.effect.leaves}.`;
    case 'unanswered':
      return `${found}: ${done}, and the crown has not answered by ${by}. Reassess it${instead ? `; most likely now: ${inSentence(instead)}` : ''}.`;
    case 'unlooked':
      return `${found}: ${done}. By ${by} the crown should have shown it: inspect its shoots, its density and its dead twigs.`;
    case 'recovered':
      return `${found}: ${done}. It is no longer likely, nor is the crown in decline.`;
    case 'refuted':
      return `${found}: no work on it is recorded, and what was seen since speaks against it (now ${chanceWords(now)}).`;
    case 'open':
      return now >= POSSIBLE
        ? `${found}: no work on it is recorded; it is still possible (${chanceWords(now)}). Look for it again.`
        : `${found}: no work on it is recorded, and nothing seen today speaks of it. Look for it again.`;
  }
}

/** How what was found before stands at a visit, what acts before what is awaited or done with. */
export function remembered(past: Past, verdict: Verdict, visit: Pick<Visit, 'date'>): Remembered[] {
  const declines = standingOf(verdict, 'crownDecline').standing === 'likely';
  const looked = verdict.evidence.some((e) => CROWN.some((key) => e.key.startsWith(key)));
  const year = Number(visit.date.slice(0, 4));
  const instead = verdict.causes.find((c) => c.standing === 'likely' || c.standing === 'possible');
  const all = [...past.found].map(([node, times]): Remembered => {
    const works = past.treated.get(node) ?? [];
    const treatment = works.at(-1);
    const { standing, probability } = standingOf(verdict, node);
    const likely = standing === 'likely';
    const seen = [...times.map((t) => t.on), ...(likely ? [visit.date] : [])];
    // Found likely at a visit after a work that came after the finding before it.
    const relapses = seen.slice(1).filter((on, i) => works.some((w) => w.on >= seen[i]! && w.on < on)).length;
    const by = treatment && shownBy(treatment);
    const state: State = likely
      ? works.some((w) => w.on >= times.at(-1)!.on && w.on < visit.date)
        ? 'back'
        : 'acting'
      : !treatment
        ? standing === 'unexamined' || probability >= POSSIBLE
          ? 'open'
          : 'refuted'
        : year <= by!
          ? 'awaited'
          : !looked
            ? 'unlooked'
            : declines
              ? 'unanswered'
              : 'recovered';
    const told = {
      node,
      label: labelOf(node),
      state,
      since: times[0]!.on,
      probability: Math.max(...times.map((t) => t.probability)),
      ...(treatment && { treatment }),
      relapses,
      ...(by !== undefined && { by }),
    };
    return {
      ...told,
      text: textOf(told, probability, instead && instead.cause !== node ? instead.label : undefined),
    };
  });
  const order = Object.keys(STATE_WORDS) as State[];
  return all.sort((a, b) => order.indexOf(a.state) - order.indexOf(b.state) || b.probability - a.probability);
}
