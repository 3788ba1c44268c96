import { inSentence } from '../vocabulary/inSentence';
import jStat from 'jstat';
import { ringMark } from '../units/marks';
import { chanceWords } from '../units/share';
import { climateOf, type House } from '../house';
import { effectOf } from '../practice/effects';
import { seasonsWatched } from '../practice/followUps';
import {
  ANSWER_MEASURES,
  ANSWERED,
  NOT_ANSWERED,
  ONE_TREATMENT_DAYS,
  type AnswerMeasure,
} from '../practice/recovery';
import type { Visit } from '../records';
import { byDay, daysBetween } from '../vocabulary/dates';
import { operationOf, type OperationKey } from '../vocabulary/operations';
import {
  colourAnswer,
  crownLook,
  girthAnswer,
  looksAnswer,
  shootsAnswer,
  shootYears,
  type AnswerReading,
  type ColourAnswer,
  type ShootYear,
  type Yardstick,
} from './measures';

/**
 * How a treated tree stands. `answered`: it shows it. `declines`: it is worse than before. `awaited`: nothing tells yet, and
 * its time is not over. `unanswered`: its time is over, and it shows nothing. `untold`: its time is over, and nothing was
 * measured that tells, or what was measured leaves it open.
 */
export type Answer = 'answered' | 'declines' | 'awaited' | 'unanswered' | 'untold';

/** How a treated tree stands, in words; in the order in which trees are counted. */
export const ANSWER_WORDS: Record<Answer, string> = {
  answered: 'recovering',
  declines: 'worse than before the work',
  unanswered: 'no response to the work',
  awaited: 'too early to say',
  untold: 'left open by the measurements',
};

/** Whether a tree answered to what was done. */
export interface Recovery {
  /** Works that count together, the first of them the day of the treatment. */
  works: { operation: OperationKey; on: string; done: string }[];
  answer: Answer;
  /** Chance that it recovers, by its remedy and by all that was measured since. */
  chance: number;
  /** Chance that it recovers as it was before anything was measured. */
  before: number;
  /** First and last growing season in which it should show. */
  shows: readonly [soonest: number, latest: number];
  readings: AnswerReading[];
  /** Leaf colour, where it was looked at before and after. */
  colour?: ColourAnswer;
  years: ShootYear[];
  /** Last year whose shoots grew before the treatment, and first whose grew after it. */
  seasons: { before: number; after: number };
  /** The reference tree it is set against. */
  beside?: string;
  /** In one or two sentences. */
  text: string;
  /** What the answer means for what comes next. */
  next: string;
  /** What weakens it, and what would make it stronger. */
  notes: string[];
}

/** The works of the last treatment of a tree until a day. */
function treatmentOf(visits: readonly Visit[], until: string): Recovery['works'] {
  const works = visits
    .flatMap((v) => v.work ?? [])
    .filter((w) => w.how !== 'not done' && w.on <= until)
    .flatMap(({ step, on }) => {
      const operation = operationOf(step);
      return operation && seasonsWatched(operation) > 0
        ? [{ operation, on, done: effectOf(operation)!.done }]
        : [];
    })
    .sort((a, b) => byDay(a.on, b.on));
  let first = works.length - 1;
  while (first > 0 && daysBetween(works[first - 1]!.on, works[first]!.on) <= ONE_TREATMENT_DAYS) first--;
  return works.slice(Math.max(0, first));
}

const density = (x: number, mean: number, variance: number, freedom: number): number => {
  const scale = Math.sqrt(variance);
  return jStat.studentt.pdf((x - mean) / scale, freedom) / scale;
};

/**
 * How much more a measure is expected of a tree that answers than of one that does not change.
 *
 * @param sign 1 for an answer, -1 for as large a fall
 */
function likelihoodRatio({ key, change, spread, freedom }: AnswerReading, sign: 1 | -1): number {
  const { better, answer, differs }: AnswerMeasure = ANSWER_MEASURES[key];
  return (
    density(change, sign * better * answer, spread ** 2 + differs ** 2, freedom) /
    density(change, 0, spread ** 2, freedom)
  );
}

/** How much all measures together, and the colour of the leaves, speak for an answer, or for a fall. */
const together = (
  readings: readonly AnswerReading[],
  colour: ColourAnswer | undefined,
  sign: 1 | -1,
): number =>
  readings.reduce(
    (product, r) => product * likelihoodRatio(r, sign),
    colour ? colour[sign === 1 ? 'answers' : 'falls'] : 1,
  );

/** How far a reading moved, in words. */
export function readingText({ label, scale, change, lower, upper }: AnswerReading): string {
  if (scale === 'share') {
    const points = (x: number) => `${x > 0 ? '+' : ''}${Math.round(100 * x)}`;
    return `${label} ${points(change)} points (${points(lower)} to ${points(upper)})`;
  }
  if (scale === 'rate') {
    const told = (x: number) => `${x > 0 ? '+' : ''}${ringMark(x)}`;
    return `${label} ${told(change)} a year (${told(lower)} to ${told(upper)})`;
  }
  const times = (x: number) => `${(Math.round(100 * Math.exp(x)) / 100).toFixed(2)}`;
  return `${label} ${times(change)} times as long (${times(lower)} to ${times(upper)})`;
}

function textOf(
  answer: Answer,
  chance: number,
  [soonest, latest]: Recovery['shows'],
  readings: readonly AnswerReading[],
  beside: string | undefined,
): string {
  const first = readings[0];
  const told = first
    ? `${inSentence(readingText(first))}${first.against ? `, beside ${beside}` : ', with no tree beside it'}.`
    : '';
  const said = told ? `: ${told}` : '.';
  const recovers = `The chance that it recovers is ${chanceWords(chance)}.`;
  switch (answer) {
    case 'answered':
      return `It responds${said} ${recovers}`;
    case 'declines':
      return `It is worse than before the work${said} ${recovers}`;
    case 'awaited':
      return `Too early to say: it should show from ${soonest} on, by ${latest} at the latest. ${recovers}${told ? ` So far: ${told}` : ''}`;
    case 'unanswered':
      return `No response by ${latest}${said} ${recovers}`;
    case 'untold':
      return `It should have shown by ${latest}, and the measurements do not show it.${told ? ` So far: ${told}` : ''}`;
  }
}

const NEXT: Record<Answer, string> = {
  answered: 'The next stage may go on as planned; nothing is added to it.',
  declines: 'Hold the next stage. Reassess the tree before anything more is cut or dug.',
  awaited: 'Hold what is not due yet, and measure again in the coming season.',
  unanswered: 'Drop what was planned on this cause, and reassess the tree.',
  untold: 'Measure shoots, density and leaves now: the next stage waits for it.',
};

/** What was measured before and after a treatment. */
interface Measured {
  readings: AnswerReading[];
  colour: ColourAnswer | undefined;
  years: ShootYear[];
  /** Year of the work, and first whose shoots grew after it. */
  year: number;
  first: number;
}

/** @param on day of the treatment @param known visits until today, oldest first */
function measuredSince(
  known: readonly Visit[],
  on: string,
  today: string,
  house: House,
  fit: Yardstick | undefined,
): Measured {
  const year = Number(on.slice(0, 4));
  const { south } = climateOf(house.weather);
  // Shoots of a year grow in its spring: work before them counts for that year, in the north.
  const first = !south && on.slice(5, 7) < '04' ? year : year + 1;
  // Of a crown nothing shows in the season of the work itself.
  const since = `${first}-${south ? '01' : '05'}-01`;
  const years = shootYears(known, today, fit);
  const looks = known.flatMap((v) => crownLook(v) ?? []);
  const shoots = shootsAnswer(years, year - 1, first);
  const girth = girthAnswer(looks, on, fit);
  return {
    readings: [...(shoots ? [shoots] : []), ...looksAnswer(looks, on, since, fit), ...(girth ? [girth] : [])],
    colour: colourAnswer(known, on, since),
    years,
    year,
    first,
  };
}

/** How a tree stands by what was measured, and the chance that it recovers. @param now year of today */
function answerBy(
  { readings, colour }: Measured,
  before: number,
  shows: Recovery['shows'],
  now: number,
): Pick<Recovery, 'answer' | 'chance'> {
  const past = now - shows[0] + 1;
  const shown = Math.max(0, Math.min(1, past / (shows[1] - shows[0] + 1)));
  const ratio = together(readings, colour, 1);
  // It recovers and shows it by now, recovers and shows nothing yet, or does not recover.
  const weights = [before * shown * ratio, before * (1 - shown), 1 - before];
  const total = weights.reduce((sum, w) => sum + w, 0);
  const chance = (weights[0]! + weights[1]!) / total;
  // What is said of it rests on what was measured alone, not on what its remedy does elsewhere.
  const measured = ratio / (1 + ratio);
  const falling = together(readings, colour, -1);
  const falls = readings.length > 0 && falling / (1 + falling) >= ANSWERED;
  const over = now > shows[1];
  const answer: Answer = falls
    ? 'declines'
    : readings.length > 0 && measured >= ANSWERED
      ? 'answered'
      : !over
        ? 'awaited'
        : readings.length > 0 && measured <= NOT_ANSWERED
          ? 'unanswered'
          : 'untold';
  return { answer, chance };
}

/** What weakens an answer, and what would make it stronger. */
function notesOf(
  readings: readonly AnswerReading[],
  coneBack: string | undefined,
  treated: Yardstick | undefined,
): string[] {
  const alone = readings.find((r) => !r.against);
  return [
    ...(coneBack
      ? [`On ${coneBack} mulch lay on the bark again: until it is pulled back the work is undone.`]
      : []),
    ...(treated
      ? [`${treated.label} was itself treated on ${treated.treated}: it is no yardstick and was left out.`]
      : []),
    ...(alone
      ? [
          `${alone.label} stand${alone.label.endsWith('s') ? '' : 's'} alone: without a reference tree read in the same seasons the band is ${alone.wider.toFixed(1)} times as wide, and a good year looks like an answer.`,
        ]
      : []),
    ...(readings.length === 0
      ? [
          'Nothing of the crown was measured both before and after: shoots read back by their scars show both at once.',
        ]
      : []),
  ];
}

/**
 * Did it work? The last treatment of a tree against what was measured before and after it, beside a reference tree where
 * there is one; undefined where nothing was done that a crown would show.
 *
 * @param known the cause that is most likely now, for a tree that does not answer; and the day on which mulch was found
 *   on the bark again since, where nobody pulled it back
 */
export function recoveryOf(
  visits: readonly Visit[],
  house: House,
  today: string,
  yardstick?: Yardstick,
  { instead, coneBack }: { instead?: string | undefined; coneBack?: string | undefined } = {},
): Recovery | undefined {
  const known = [...visits].filter((v) => v.date <= today).sort((a, b) => byDay(a.date, b.date));
  const works = treatmentOf(known, today);
  if (works.length === 0) return undefined;
  const on = works[0]!.on;
  const effects = works.map((w) => effectOf(w.operation)!);
  const treated = yardstick?.treated !== undefined && yardstick.treated <= today;
  const fit = treated ? undefined : yardstick;
  const measured = measuredSince(known, on, today, house, fit);
  const { readings, colour, years, year, first } = measured;
  const shows = [
    Math.min(...effects.map((e) => year + e.seasons[0])),
    Math.max(...works.map((w) => Number(w.on.slice(0, 4)) + effectOf(w.operation)!.seasons[1])),
  ] as const;
  const before = Math.max(...effects.map((e) => e.chance));
  const { answer, chance } = answerBy(measured, before, shows, Number(today.slice(0, 4)));
  const beside = fit?.label;
  return {
    works,
    answer,
    chance,
    before,
    shows,
    readings,
    ...(colour && { colour }),
    years,
    seasons: { before: year - 1, after: first },
    ...(beside && { beside }),
    text: textOf(answer, chance, shows, readings, beside),
    next: coneBack
      ? 'Pull the mulch back off the bark first: a cone undoes the work.'
      : answer === 'unanswered' && instead
        ? `Drop what was planned on this cause, and reassess the tree; most likely now: ${inSentence(instead)}.`
        : NEXT[answer],
    notes: notesOf(readings, coneBack, treated ? yardstick : undefined),
  };
}
