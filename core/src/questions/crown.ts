import type { Question } from './question';

/** The station Crown: what the leaves and shoots say. */
export const CROWN_QUESTIONS: readonly Question[] = [
  {
    key: 'crown.colour',
    station: 'crown',
    kind: 'grade',
    ask: 'Leaf colour',
    answers: [
      { key: 'good', label: 'good' },
      { key: 'pale', label: 'evenly pale' },
      { key: 'veins', label: 'pale, veins green' },
      { key: 'scorched', label: 'margins scorched' },
    ],
  },
  {
    key: 'crown.leaf',
    station: 'crown',
    kind: 'grade',
    ask: 'Leaf size',
    answers: [
      { key: 'normal', label: 'normal' },
      { key: 'small', label: 'small' },
      { key: 'very small', label: 'under half' },
    ],
  },
  {
    key: 'crown.scratch',
    station: 'crown',
    kind: 'grade',
    ask: 'Bark scratched: green below?',
    hint: 'Where it looks dead: twig, limb, stem.',
    more: true,
    answers: [
      { key: 'green', label: 'green to the twigs' },
      { key: 'part', label: 'green on the stem, twigs brown' },
      { key: 'dry', label: 'brown and dry down to the stem' },
    ],
  },
  {
    key: 'crown.buds',
    station: 'crown',
    kind: 'grade',
    ask: 'Buds',
    more: true,
    answers: [
      { key: 'plump', label: 'plump or open' },
      { key: 'weak', label: 'weak or crowded' },
      { key: 'dry', label: 'dry or none' },
    ],
  },
  { key: 'crown.density', station: 'crown', kind: 'percent', ask: 'Crown density, of a full crown' },
  { key: 'crown.dieback', station: 'crown', kind: 'percent', ask: 'Dieback, share of the crown' },
  {
    key: 'crown.pattern',
    station: 'crown',
    kind: 'grade',
    ask: 'Where is the dieback?',
    answers: [
      { key: 'none', label: 'none' },
      { key: 'top', label: 'top down' },
      { key: 'bottom', label: 'bottom up' },
      { key: 'side', label: 'one side' },
      { key: 'scattered', label: 'scattered' },
    ],
  },
  {
    key: 'crown.autumn',
    station: 'crown',
    kind: 'grade',
    ask: 'Early autumn colour?',
    answers: [
      { key: 'none', label: 'no' },
      { key: 'part', label: 'part of the crown' },
      { key: 'whole', label: 'whole crown' },
    ],
  },
  {
    key: 'crown.pests',
    station: 'crown',
    kind: 'grade',
    ask: 'Leaf spot, mildew, aphids, cankers?',
    hint: 'In a weak tree these usually follow; they are seldom the cause.',
    answers: [
      { key: 'none', label: 'not seen' },
      { key: 'light', label: 'light' },
      { key: 'heavy', label: 'heavy' },
      { key: 'cankers', label: 'cankers or wilt' },
    ],
  },
  {
    key: 'crown.wilt',
    station: 'crown',
    kind: 'grade',
    ask: 'Wilted suddenly?',
    answers: [
      { key: 'none', label: 'no' },
      { key: 'limb', label: 'one limb' },
      { key: 'whole', label: 'the whole crown' },
    ],
  },
  {
    key: 'crown.epicormics',
    station: 'crown',
    kind: 'grade',
    ask: 'Epicormic shoots',
    answers: [
      { key: 'none', label: 'none' },
      { key: 'some', label: 'some' },
      { key: 'many', label: 'many' },
    ],
  },
  {
    key: 'crown.neighbours',
    station: 'crown',
    kind: 'grade',
    ask: 'Neighbours of the same species',
    answers: [
      { key: 'healthy', label: 'healthy' },
      { key: 'some', label: 'some like it' },
      { key: 'all', label: 'all like it' },
    ],
  },
  {
    key: 'crown.extension',
    station: 'crown',
    kind: 'years',
    field: 'twigExtension',
    ask: 'Twig extension by year',
    hint: 'From bud-scale scars, newest first, 5 to 8 years.',
  },
];

/** Of the crown, met at few trees. */
const CROWN_SELDOM: readonly Question[] = (
  [
    {
      key: 'crown.leafLength',
      station: 'crown',
      kind: 'length',
      field: 'leafLength',
      ask: 'Leaf length',
      hint: 'Mean of ten full-grown leaves of this year, from the same height each time: with the shoots the first to show that a tree recovers.',
    },
    {
      key: 'crown.growing',
      station: 'crown',
      kind: 'grade',
      ask: 'Is it growing?',
      hint: 'Where no shoot was measured: as others of its kind and age do.',
      answers: [
        { key: 'yes', label: 'as it should' },
        { key: 'slow', label: 'slowly' },
        { key: 'no', label: 'not at all' },
      ],
    },
    {
      key: 'crown.yellowing',
      station: 'crown',
      kind: 'grade',
      ask: 'Yellow leaves, where?',
      answers: [
        { key: 'none', label: 'none' },
        { key: 'below', label: 'from below or inside' },
        { key: 'top', label: 'youngest leaves first' },
        { key: 'all', label: 'all over' },
      ],
    },
    {
      key: 'crown.browning',
      station: 'crown',
      kind: 'grade',
      ask: 'Whole leaves brown?',
      answers: [
        { key: 'none', label: 'no' },
        { key: 'some', label: 'some' },
        { key: 'most', label: 'most' },
      ],
    },
    {
      key: 'crown.drop',
      station: 'crown',
      kind: 'grade',
      ask: 'Leaves dropped in summer?',
      answers: [
        { key: 'none', label: 'no' },
        { key: 'some', label: 'some' },
        { key: 'most', label: 'most' },
      ],
    },
    {
      key: 'crown.others',
      station: 'crown',
      kind: 'grade',
      ask: 'Trees of other kinds near by',
      answers: [
        { key: 'healthy', label: 'healthy' },
        { key: 'some', label: 'some fail too' },
        { key: 'most', label: 'most fail too' },
      ],
    },
    {
      key: 'crown.limbs',
      station: 'crown',
      kind: 'grade',
      ask: 'Large limbs sound?',
      answers: [
        { key: 'sound', label: 'sound' },
        { key: 'cracked', label: 'cracked or hollow' },
        { key: 'hanging', label: 'broken, hanging' },
      ],
    },
  ] satisfies Question[]
).map((q) => ({ ...q, more: true, seldom: true }));

export const CROWN_ALL: readonly Question[] = [...CROWN_QUESTIONS, ...CROWN_SELDOM];

/** Further shoots, and rings where a core or a cut shows them: they make the year of the fall surer. */
export const GROWTH_QUESTIONS: readonly Question[] = [
  ...['second', 'third'].map((which, i): Question => ({
    key: `crown.extension.${i + 2}`,
    station: 'crown',
    kind: 'years',
    field: 'twigExtension',
    ask: `Extension by year, ${which} shoot`,
    more: true,
  })),
  {
    key: 'base.rings',
    station: 'crown',
    kind: 'years',
    field: 'ringWidth',
    ask: 'Ring width by year',
    hint: 'From a core or a cut, where there is one.',
    more: true,
  },
];
