import { inSentence } from '../vocabulary/inSentence';
/**
 * The judgement table is written in words. Each stands for one probability; these are judgements of practice, not
 * measured frequencies, and a firm may change the word but not what it stands for.
 */
export const HOW_OFTEN = {
  never: 0,
  'hardly ever': 0.02,
  seldom: 0.08,
  sometimes: 0.25,
  often: 0.5,
  usually: 0.75,
  'almost always': 0.93,
} as const;

export type HowOften = keyof typeof HOW_OFTEN;

/** Said wherever a chance is shown. */
export const PRACTICE_NOTE =
  'Chances come from a table of practice judgements, not from measured frequencies. They support the consultant’s opinion and are no risk assessment.';

/** How the history of a tree moves the odds of a cause before anything is looked at. */
export const SHIFTS = {
  'much less': 1 / 6,
  less: 1 / 2,
  more: 2,
  'much more': 6,
} as const;

export type Shift = keyof typeof SHIFTS;

/** How sure, in words: from which probability on. */
export const CERTAINTY = [
  { from: 0.93, words: 'almost certain' },
  { from: 0.75, words: 'very likely' },
  { from: 0.5, words: 'more likely than not' },
  { from: 0.25, words: 'possible' },
  { from: 0.08, words: 'not likely' },
  { from: 0, words: 'hardly' },
] as const;

export const certaintyOf = (probability: number): string =>
  CERTAINTY.find((c) => probability >= c.from)!.words;

/**
 * Weight of evidence in decibans, 10 log10 of the factor on the odds (I. J. Good, Probability and the Weighing of
 * Evidence, 1950; from memory), in words.
 */
export function weightWords(decibans: number): string {
  const size = Math.abs(decibans);
  if (size >= 10) return 'settles much';
  if (size >= 5) return 'strong';
  if (size >= 2) return 'moderate';
  return 'slight';
}

/** What hangs on one finding alone, in a sentence. @param text the finding, with its lengths as the reader has them */
export const pivotTold = ({ thenLabel }: { thenLabel: string }, text: string): string =>
  `Without the finding “${text}”, the first cause would be ${inSentence(thenLabel)}.`;
