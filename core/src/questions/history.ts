import { AGE_CLASSES } from '../vocabulary/ages';
import type { Question } from './question';

/** What is asked of the owner. "no" is asked and denied; not answered is not asked. */
export const HISTORY_QUESTIONS: readonly Question[] = [
  {
    key: 'history.onset',
    station: 'history',
    kind: 'grade',
    ask: 'How fast did it come?',
    answers: [
      { key: 'years', label: 'over years' },
      { key: 'season', label: 'within a season' },
      { key: 'weeks', label: 'within weeks' },
    ],
  },
  {
    key: 'history.soil',
    station: 'history',
    kind: 'grade',
    ask: 'Soil added since planting?',
    answers: [
      { key: 'none', label: 'no' },
      { key: 'yes', label: 'yes' },
    ],
  },
  {
    key: 'history.works',
    station: 'history',
    kind: 'grade',
    ask: 'Trenches or digging near it?',
    answers: [
      { key: 'none', label: 'no' },
      { key: 'near', label: 'near it' },
      { key: 'under', label: 'under its crown' },
    ],
  },
  {
    key: 'history.site',
    station: 'history',
    kind: 'grade',
    ask: 'Where does it stand?',
    hint: 'Construction site: ground rolled or filled by machines before planting.',
    answers: [
      { key: 'garden', label: 'garden, park' },
      { key: 'street', label: 'street, verge' },
      { key: 'paved', label: 'in paving' },
      { key: 'built', label: 'construction site' },
    ],
  },
  {
    key: 'history.traffic',
    station: 'history',
    kind: 'grade',
    ask: 'Traffic or paving over the roots?',
    answers: [
      { key: 'none', label: 'no' },
      { key: 'some', label: 'feet, mowers' },
      { key: 'much', label: 'vehicles, works, paving' },
    ],
  },
  {
    key: 'history.wet',
    station: 'history',
    kind: 'grade',
    ask: 'Does water stand after rain?',
    answers: [
      { key: 'none', label: 'no' },
      { key: 'hours', label: 'for hours' },
      { key: 'days', label: 'for days' },
    ],
  },
  {
    key: 'history.watering',
    station: 'history',
    kind: 'grade',
    ask: 'Watered in its first years?',
    answers: [
      { key: 'yes', label: 'yes' },
      { key: 'some', label: 'now and then' },
      { key: 'no', label: 'no' },
    ],
  },
  {
    key: 'history.cohort',
    station: 'history',
    kind: 'grade',
    ask: 'Trees planted with it',
    answers: [
      { key: 'fine', label: 'do well' },
      { key: 'some', label: 'some like it' },
      { key: 'most', label: 'most like it' },
    ],
  },
  {
    key: 'history.salt',
    station: 'history',
    kind: 'grade',
    ask: 'De-icing salt?',
    answers: [
      { key: 'none', label: 'no' },
      { key: 'near', label: 'near it' },
      { key: 'onto', label: 'onto its roots' },
    ],
  },
  {
    key: 'history.chemicals',
    station: 'history',
    kind: 'grade',
    ask: 'Weedkiller or spills?',
    answers: [
      { key: 'none', label: 'no' },
      { key: 'yes', label: 'yes' },
    ],
  },
];

/** Of the history, known of few trees. */
const HISTORY_SELDOM: readonly Question[] = (
  [
    {
      key: 'history.age',
      station: 'history',
      kind: 'grade',
      ask: 'How long has it stood here, where the year is not known?',
      answers: AGE_CLASSES.map(({ key, label }) => ({ key, label })),
    },
    {
      key: 'history.potYears',
      station: 'history',
      kind: 'number',
      unit: 'years',
      min: 0,
      max: 15,
      ask: 'Years in its last pot, known or read from the ball',
    },
    {
      key: 'history.potSize',
      station: 'history',
      kind: 'length',
      field: 'potWidth',
      ask: 'Width of its last pot, known or read from the ball',
    },
    {
      key: 'history.potKind',
      station: 'history',
      kind: 'grade',
      ask: 'Kind of pot',
      answers: [
        { key: 'air', label: 'air-pruning or fabric' },
        { key: 'ribbed', label: 'ribbed' },
        { key: 'smooth', label: 'smooth wall' },
      ],
    },
    {
      key: 'history.planted',
      station: 'history',
      kind: 'number',
      unit: 'trees',
      min: 1,
      max: 5000,
      ask: 'Trees planted with it, itself among them',
    },
    {
      key: 'history.failed',
      station: 'history',
      kind: 'number',
      unit: 'trees',
      min: 0,
      max: 5000,
      ask: 'Of these, failing or dead',
    },
    {
      key: 'history.wires',
      station: 'history',
      kind: 'length',
      field: 'wires',
      ask: 'Wires over it, height above the ground',
    },
    {
      key: 'history.wind',
      station: 'history',
      kind: 'grade',
      ask: 'How windy is the place?',
      answers: [
        { key: 'sheltered', label: 'sheltered' },
        { key: 'usual', label: 'as usual' },
        { key: 'windy', label: 'windy' },
      ],
    },
  ] satisfies Question[]
).map((q) => ({ ...q, more: true, seldom: true }));

export const HISTORY_ALL: readonly Question[] = [...HISTORY_QUESTIONS, ...HISTORY_SELDOM];
