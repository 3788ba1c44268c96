/**
 * What is measured of a tree's answer to its treatment. How far each moves in a tree that answers, how much that differs
 * from tree to tree, and how much a reading is off by itself are judgements; common practice, no source.
 */
export interface AnswerMeasure {
  label: string;
  /** Logarithm of a ratio (a length against that of the reference tree), or a share of the crown. */
  scale: 'ratio' | 'share';
  /** Sign of an answer. */
  better: 1 | -1;
  /** Middle and spread of the change in a tree that answers, in its best direction. */
  answer: number;
  differs: number;
  /** How much one reading is off, as a standard deviation. */
  reading: number;
  /** How much one season differs from another at a tree alone, as a standard deviation; beside a reference tree it is shared. */
  season: number;
}

export const ANSWER_MEASURES = {
  // A tree set free grows its shoots half as long again to twice as long within three seasons.
  shoots: {
    label: 'Shoots',
    scale: 'ratio',
    better: 1,
    answer: 0.5,
    differs: 0.25,
    reading: 0.16,
    season: 0.25,
  },
  leaf: {
    label: 'Leaf length',
    scale: 'ratio',
    better: 1,
    answer: 0.25,
    differs: 0.12,
    reading: 0.08,
    season: 0.12,
  },
  density: {
    label: 'Crown density',
    scale: 'share',
    better: 1,
    answer: 0.15,
    differs: 0.08,
    reading: 0.06,
    season: 0.06,
  },
  dieback: {
    label: 'Dieback',
    scale: 'share',
    better: -1,
    answer: 0.08,
    differs: 0.06,
    reading: 0.04,
    season: 0.04,
  },
} as const satisfies Record<string, AnswerMeasure>;
export type AnswerKey = keyof typeof ANSWER_MEASURES;

/** Fewest seasons before a work without which its shoots are set against nothing. */
export const SEASONS_BEFORE = 2;
/** Most seasons before a work that count: farther back the tree had not fallen yet. */
export const MOST_SEASONS_BEFORE = 3;
/** From this chance on, at even odds and by what was measured alone, a tree has answered; below the other it has not. */
export const ANSWERED = 0.9;
export const NOT_ANSWERED = 0.1;
/** A remedy's record over all trees is told from so many that were judged. */
export const LEAST_JUDGED = 5;
