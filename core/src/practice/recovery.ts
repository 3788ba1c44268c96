/**
 * What is measured of a tree's answer to its treatment. How far each moves in a tree that answers, how much that differs
 * from tree to tree, and how much a reading is off by itself are judgements; common practice, no source.
 */
export interface AnswerMeasure {
  label: string;
  /** Logarithm of a ratio (a length against that of the reference tree), a share of the crown, or m of stem a year. */
  scale: 'ratio' | 'share' | 'rate';
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
  // A stem that put on a few millimetres a year puts on as much again; how far a tape is off follows from the stem.
  girth: {
    label: 'Stem growth',
    scale: 'rate',
    better: 1,
    answer: 0.004,
    differs: 0.002,
    reading: 0,
    season: 0.0015,
  },
} as const satisfies Record<string, AnswerMeasure>;
export type AnswerKey = keyof typeof ANSWER_MEASURES;

/**
 * Leaves that were not green at the last look before the work, and leaves that were: how often they are green at the newest
 * look since, in a tree that answers, in one that stays as it was, and in one that falls. Judgement: colour follows the
 * weather and the eye, so that it never tells by itself.
 */
export const GREEN_SINCE = {
  notGreen: { answers: 0.7, stays: 0.3, falls: 0.1 },
  green: { answers: 0.9, stays: 0.85, falls: 0.5 },
} as const;
/** Two measurements of a stem tell its growth from so many days apart on. Judgement: a season. */
export const STEM_DAYS = 300;

/** Fewest seasons before a work without which its shoots are set against nothing. */
export const SEASONS_BEFORE = 2;
/** Most seasons before a work that count: farther back the tree had not fallen yet. */
export const MOST_SEASONS_BEFORE = 3;
/** From this chance on, at even odds and by what was measured alone, a tree has answered; below the other it has not. */
export const ANSWERED = 0.9;
export const NOT_ANSWERED = 0.1;
/** A remedy's record over all trees is told from so many that were judged. */
export const LEAST_JUDGED = 5;

/** Two trees side by side do not share so much of the spread of a season. Judgement: weather is most of it. */
export const APART = 0.6;
/** The spread of a season is known as from so many seasons before any is read. Judgement. */
export const KNOWN_SEASONS = 6;
/** Works farther apart than this are two treatments, days. Judgement: a season and what follows it. */
export const ONE_TREATMENT_DAYS = 500;
/** Days within which a look at the reference tree counts beside one at the tree. Judgement: one part of a season. */
export const BESIDE_DAYS = 60;
/** Years of shoots that count as those of a visit, where two visits are set side by side. Judgement. */
export const SHOOT_YEARS = 3;
/** A tape round the stem is off by so much of itself, as a standard deviation. Judgement. */
export const GIRTH_ERROR = 0.01;
