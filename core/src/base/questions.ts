import type { Question } from './question';

const seen = (no: string, ...yes: [string, string][]) =>
  [{ key: 'none', label: no }, ...yes.map(([key, label]) => ({ key, label }))] as const;

/** The station Base: what the stem shows where it enters the ground. "none" is looked, not seen. */
export const BASE_QUESTIONS: readonly Question[] = [
  {
    key: 'base.entry',
    station: 'base',
    kind: 'sectors',
    ask: 'How does the stem enter the ground?',
    hint: 'A stem that goes in like a post is buried on that side.',
    answers: [
      { key: 'flared', label: 'flared' },
      { key: 'straight', label: 'straight' },
    ],
  },
  {
    key: 'base.bark',
    station: 'base',
    kind: 'sectors',
    ask: 'Bark at the soil line',
    answers: [
      { key: 'sound', label: 'sound' },
      { key: 'dark', label: 'dark, damp' },
      { key: 'soft', label: 'soft' },
      { key: 'loose', label: 'loose, missing' },
    ],
  },
  {
    key: 'base.push',
    station: 'base',
    kind: 'grade',
    ask: 'Push test: does the base rock?',
    hint: 'Five years after planting it must not.',
    answers: seen('firm', ['slight', 'ground lifts slightly'], ['rocks', 'rocks']),
  },
  {
    key: 'base.girdling',
    station: 'base',
    kind: 'grade',
    placed: true,
    ask: 'Root seen across the stem?',
    answers: seen(
      'not seen',
      ['touching', 'touching'],
      ['pressing', 'pressing in'],
      ['embedded', 'grown in'],
    ),
  },
  {
    key: 'base.flat',
    station: 'base',
    kind: 'grade',
    placed: true,
    ask: 'Stem flattened or pinched at the ground?',
    answers: seen('no', ['slight', 'on one side, slightly'], ['marked', 'clearly']),
  },
  {
    key: 'base.sound',
    station: 'base',
    kind: 'grade',
    placed: true,
    ask: 'Mallet at the base',
    answers: seen('sound', ['dull', 'dull'], ['hollow', 'hollow']),
  },
  {
    key: 'base.conks',
    station: 'base',
    kind: 'grade',
    placed: true,
    ask: 'Conks or fungal fans at the base?',
    answers: seen('not seen', ['few', 'one or few'], ['many', 'several, fresh']),
  },
  {
    key: 'base.ooze',
    station: 'base',
    kind: 'grade',
    placed: true,
    ask: 'Ooze or bleeding?',
    answers: seen('not seen', ['old', 'dry streaks'], ['fresh', 'fresh, wet']),
  },
  {
    key: 'base.borers',
    station: 'base',
    kind: 'grade',
    placed: true,
    ask: 'Frass or exit holes?',
    answers: seen('not seen', ['few', 'a few'], ['many', 'many, fresh frass']),
  },
  {
    key: 'base.wounds',
    station: 'base',
    kind: 'grade',
    placed: true,
    ask: 'Mower, trimmer or stake wounds?',
    answers: seen('none', ['closed', 'closed over'], ['open', 'open'], ['repeated', 'open, repeated']),
  },
  {
    key: 'base.ties',
    station: 'base',
    kind: 'grade',
    placed: true,
    ask: 'Ties, wire, labels, guard',
    answers: seen('none', ['loose', 'loose'], ['tight', 'tight'], ['grown in', 'grown in']),
  },
  {
    key: 'base.dbh',
    station: 'base',
    kind: 'length',
    field: 'dbh',
    ask: 'DBH on this visit',
    hint: 'Two visits a year or more apart tell how fast the stem grows.',
  },
];
