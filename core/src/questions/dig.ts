import type { Question } from './question';

/** What a dig shows that is not drawn. */
export const DIG_QUESTIONS: readonly Question[] = [
  {
    key: 'dig.shape',
    station: 'dig',
    kind: 'grade',
    ask: 'Do the roots keep the shape of the pot?',
    answers: [
      { key: 'none', label: 'no' },
      { key: 'partly', label: 'in part' },
      { key: 'wholly', label: 'yes, nothing grew out' },
    ],
  },
  {
    key: 'dig.ends',
    station: 'dig',
    kind: 'grade',
    ask: 'Old cut or torn root ends',
    answers: [
      { key: 'none', label: 'none' },
      { key: 'few', label: 'a few' },
      { key: 'many', label: 'many' },
    ],
  },
  {
    key: 'dig.fine',
    station: 'dig',
    kind: 'grade',
    ask: 'Fine roots',
    answers: [
      { key: 'white', label: 'white, plenty' },
      { key: 'few', label: 'few' },
      { key: 'dead', label: 'dark, dead or sour' },
    ],
  },
];
