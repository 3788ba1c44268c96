import type { Question } from '../base/question';

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
    station: 'probe',
    kind: 'grade',
    ask: 'Soil at 20 cm (8 in)',
    answers: [
      { key: 'dry', label: 'dry' },
      { key: 'moist', label: 'moist' },
      { key: 'wet', label: 'wet' },
      { key: 'sour', label: 'wet, grey, smells' },
    ],
  },
  { key: 'probe.topsoil', station: 'probe', kind: 'length', field: 'topsoil', ask: 'Old topsoil thickness' },
  {
    key: 'probe.refusal',
    station: 'probe',
    kind: 'length',
    field: 'refusal',
    ask: 'Rod stops at, below grade',
  },
];
