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
    answers: seen(
      'firm',
      ['slight', 'ground lifts slightly'],
      ['rocks', 'rocks'],
      ['lifts', 'lifts out by hand'],
    ),
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
    key: 'base.adventitious',
    station: 'base',
    kind: 'grade',
    ask: 'Roots from the buried stem',
    hint: 'Part the mulch or soil at the bark with the fingers.',
    answers: seen('not seen', ['few', 'a few'], ['mat', 'a mat']),
  },
  {
    key: 'base.lean',
    station: 'base',
    kind: 'grade',
    ask: 'Leans more than it did?',
    answers: seen('no', ['lean', 'leans more'], ['lifted', 'leans, soil lifted']),
  },
  {
    key: 'base.dbh',
    station: 'base',
    kind: 'length',
    field: 'dbh',
    ask: 'DBH on this visit',
    hint: 'Two visits a year or more apart show how fast the stem grows.',
  },
];

/** Of the base, met at few trees. */
const BASE_SELDOM: readonly Question[] = (
  [
    {
      key: 'base.branch',
      station: 'base',
      kind: 'grade',
      placed: true,
      ask: 'Does a branch go into the ground?',
      answers: seen('no', ['seen', 'yes, buried']),
    },
    {
      key: 'base.line',
      station: 'base',
      kind: 'length',
      field: 'fillDepth',
      ask: 'Dark line on the bark, above the first roots',
      hint: 'Where the stem was laid open: up to there soil or mulch once lay.',
    },
    {
      key: 'base.sinks',
      station: 'base',
      kind: 'length',
      field: 'probeSinks',
      ask: 'Probe or axe sinks into the base',
    },
    {
      key: 'base.gnawing',
      station: 'base',
      kind: 'grade',
      placed: true,
      ask: 'Bark gnawed?',
      answers: seen('no', ['some', 'in places'], ['ring', 'nearly all round']),
    },
    {
      key: 'base.burrows',
      station: 'base',
      kind: 'grade',
      ask: 'Burrows at the stem, in mulch or rubble?',
      answers: seen('not seen', ['some', 'one or two'], ['many', 'many']),
    },
    {
      key: 'base.plate',
      station: 'base',
      kind: 'grade',
      ask: 'Root plate',
      answers: [
        { key: 'none', label: 'roots go down' },
        { key: 'some', label: 'many at the surface' },
        { key: 'flat', label: 'flat, all at the surface' },
      ],
    },
    {
      key: 'base.heave',
      station: 'base',
      kind: 'grade',
      ask: 'Paving or kerb lifted by its roots?',
      answers: seen('no', ['lifted', 'lifted or cracked']),
    },
    {
      key: 'base.ring',
      station: 'base',
      kind: 'grade',
      ask: 'Root-control ring',
      answers: seen(
        'none',
        ['clear', 'clear of the stem'],
        ['over', 'roots over its rim'],
        ['reached', 'stem has reached it'],
      ),
    },
    {
      key: 'base.graft',
      station: 'base',
      kind: 'grade',
      ask: 'Graft union',
      answers: seen('none to be seen', ['above', 'above ground'], ['buried', 'in the ground']),
    },
    {
      key: 'base.rootstock',
      station: 'base',
      kind: 'grade',
      ask: 'Rootstock',
      answers: [
        { key: 'own', label: 'own roots' },
        { key: 'vigorous', label: 'vigorous' },
        { key: 'dwarfing', label: 'dwarfing' },
      ],
    },
    {
      key: 'base.sweep',
      station: 'base',
      kind: 'grade',
      ask: 'Does the stem sweep out of the ground?',
      hint: 'Since it was planted: bowed at the ground, or all roots to one side.',
      answers: seen('upright', ['slight', 'slightly'], ['marked', 'clearly']),
    },
    {
      key: 'base.form',
      station: 'base',
      kind: 'grade',
      ask: 'Stems',
      hint: 'Of several stems the diameter that counts is the root of the sum of their squares.',
      answers: [
        { key: 'single', label: 'one' },
        { key: 'several', label: 'several' },
        { key: 'shrub', label: 'a shrub' },
      ],
    },
  ] satisfies Question[]
).map((q) => ({ ...q, more: true, seldom: true }));

export const BASE_ALL: readonly Question[] = [...BASE_QUESTIONS, ...BASE_SELDOM];
