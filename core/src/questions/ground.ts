import type { Question } from './question';

/** What is seen, not measured, at the stations Mulch and grade, and Probe. */
export const GROUND_QUESTIONS: readonly Question[] = [
  {
    key: 'mulch.material',
    station: 'mulch',
    kind: 'grade',
    ask: 'Material',
    answers: [
      { key: 'composted', label: 'composted chips' },
      { key: 'fresh', label: 'fresh chips or clippings' },
      { key: 'dyed', label: 'dyed or rubber' },
      { key: 'soil', label: 'soil' },
    ],
  },
  {
    key: 'mulch.roots',
    station: 'mulch',
    kind: 'grade',
    ask: 'Fine roots living in the mulch?',
    answers: [
      { key: 'none', label: 'not seen' },
      { key: 'few', label: 'few' },
      { key: 'mat', label: 'a mat' },
    ],
  },
  {
    key: 'mulch.renewed',
    station: 'mulch',
    kind: 'grade',
    ask: 'Pushed back up by the maintenance crew?',
    answers: [
      { key: 'none', label: 'no' },
      { key: 'unsure', label: 'not known' },
      { key: 'yearly', label: 'every year' },
    ],
  },
  {
    key: 'probe.moisture',
    station: 'soil',
    kind: 'grade',
    ask: 'Soil at 20 cm (8 in)',
    answers: [
      { key: 'dry', label: 'dry' },
      { key: 'moist', label: 'moist' },
      { key: 'wet', label: 'wet' },
      { key: 'sour', label: 'wet, grey, smells' },
    ],
  },
  { key: 'probe.topsoil', station: 'soil', kind: 'length', field: 'topsoil', ask: 'Old topsoil thickness' },
  {
    key: 'probe.refusal',
    station: 'soil',
    kind: 'length',
    field: 'refusal',
    ask: 'Rod stops at, below grade',
  },
  {
    key: 'probe.oldGrade',
    station: 'probe',
    kind: 'grade',
    ask: 'Old turf layer or bark line below grade',
    answers: [
      { key: 'none', label: 'not seen' },
      { key: 'seen', label: 'seen' },
    ],
  },
  {
    key: 'probe.colour',
    station: 'soil',
    kind: 'grade',
    ask: 'Soil colour',
    hint: 'Pale: little organic matter. Grey or mottled: long wet.',
    answers: [
      { key: 'dark', label: 'dark' },
      { key: 'pale', label: 'pale' },
      { key: 'mottled', label: 'grey, mottled' },
    ],
  },
  {
    key: 'probe.drain',
    station: 'soil',
    kind: 'grade',
    ask: 'Drainage test, the next day',
    hint: 'Fill the hole until water stands; look a day later.',
    answers: [
      { key: 'drained', label: 'drained' },
      { key: 'damp', label: 'still saturated' },
      { key: 'standing', label: 'water stands' },
    ],
  },
  {
    key: 'probe.wall',
    station: 'soil',
    kind: 'grade',
    ask: 'Edge of the planting hole',
    answers: [
      { key: 'none', label: 'not to be felt' },
      { key: 'felt', label: 'soil changes there' },
      { key: 'glazed', label: 'smooth, glazed wall' },
    ],
  },
  {
    key: 'probe.out',
    station: 'soil',
    kind: 'grade',
    ask: 'Roots beyond the planting hole',
    hint: 'After three years roots should be about 2 m out.',
    answers: [
      { key: 'many', label: 'many' },
      { key: 'few', label: 'few' },
      { key: 'none', label: 'none' },
    ],
  },
  {
    key: 'soil.ph',
    station: 'soil',
    kind: 'grade',
    ask: 'Soil pH for this species',
    answers: [
      { key: 'fits', label: 'fits' },
      { key: 'high', label: 'high' },
      { key: 'very high', label: 'far too high' },
    ],
  },
  {
    key: 'soil.salt',
    station: 'soil',
    kind: 'grade',
    ask: 'Salt in the soil, by test',
    answers: [
      { key: 'none', label: 'none' },
      { key: 'raised', label: 'raised' },
      { key: 'high', label: 'high' },
    ],
  },
];
