import type { Question } from './question';

/** Looks that only the walk-round asks, in place of what a visit measures. */
export const LOOK_QUESTIONS: readonly Question[] = [
  {
    key: 'look.flare',
    station: 'base',
    kind: 'grade',
    ask: 'Flare',
    more: true,
    answers: [
      { key: 'flared', label: 'all round' },
      { key: 'part', label: 'some sides' },
      { key: 'straight', label: 'like a post' },
    ],
  },
  {
    key: 'look.mulch',
    station: 'mulch',
    kind: 'grade',
    ask: 'Mulch on the bark',
    more: true,
    answers: [
      { key: 'clear', label: 'clear' },
      { key: 'some', label: 'touches' },
      { key: 'high', label: 'a cone' },
    ],
  },
  {
    key: 'look.density',
    station: 'crown',
    kind: 'grade',
    ask: 'Crown',
    more: true,
    answers: [
      { key: 'full', label: 'full' },
      { key: 'thin', label: 'thin' },
      { key: 'very thin', label: 'half or less' },
    ],
  },
  {
    key: 'look.dieback',
    station: 'crown',
    kind: 'grade',
    ask: 'Dead twigs and limbs',
    more: true,
    answers: [
      { key: 'none', label: 'none' },
      { key: 'some', label: 'some' },
      { key: 'much', label: 'many' },
    ],
  },
];
