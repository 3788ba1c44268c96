import type { NetworkFinding } from '../judgement';

/** Mulch and grade. */
export const MULCH_FINDINGS: readonly NetworkFinding[] = [
  {
    key: 'mulch.onBark',
    station: 'mulch',
    about: 'mulch on the bark',
    answers: [
      ['clear', 'mulch clear of the bark'],
      ['some', 'some mulch on the bark'],
      ['high', 'mulch high on the bark'],
    ],
    leak: { some: 'seldom', high: 'hardly ever' },
    links: [
      {
        of: 'mulchCone',
        makes: { some: 'sometimes', high: 'usually' },
        why: 'Mulch against the stem is the fault itself.',
      },
    ],
    minutes: 2,
    tools: 'tape',
  },
  {
    key: 'mulch.cone',
    station: 'mulch',
    about: 'the shape of the mulch',
    answers: [
      ['blanket', 'mulch lies as a blanket'],
      ['cone', 'mulch rises to a cone'],
    ],
    leak: { cone: 'hardly ever' },
    links: [{ of: 'mulchCone', makes: { cone: 'usually' }, why: 'The cone is the fault itself.' }],
    minutes: 4,
    tools: 'rod',
  },
  {
    key: 'mulch.material',
    station: 'mulch',
    about: 'mulch material',
    answers: [
      ['composted', 'composted chips'],
      ['fresh', 'fresh chips or clippings'],
      ['dyed', 'dyed or rubber mulch'],
      ['soil', 'soil in place of mulch'],
    ],
    leak: { fresh: 'sometimes', dyed: 'seldom', soil: 'hardly ever' },
    links: [
      { of: 'gradeRaised', makes: { soil: 'sometimes' }, why: 'What looks like mulch may be fill.' },
      {
        of: 'mulchCone',
        makes: { fresh: 'sometimes', dyed: 'seldom' },
        why: 'Cones are built from whatever is at hand.',
      },
    ],
    minutes: 1,
  },
  {
    key: 'mulch.roots',
    station: 'mulch',
    about: 'roots in the mulch',
    answers: [
      ['none', 'no roots in the mulch'],
      ['few', 'fine roots live in the mulch'],
      ['mat', 'a mat of fine roots lives in the mulch'],
    ],
    leak: { few: 'seldom' },
    links: [
      {
        of: 'mulchCone',
        makes: { few: 'often', mat: 'sometimes' },
        why: 'Roots in the mulch show how long it has lain there.',
      },
      { of: 'waterlogging', makes: { few: 'sometimes' }, why: 'Roots come up out of wet soil.' },
      {
        of: 'compaction',
        makes: { few: 'sometimes' },
        why: 'Roots come up where the soil is closed to them.',
      },
    ],
    minutes: 2,
    tools: 'hand fork',
  },
  {
    key: 'mulch.renewed',
    station: 'mulch',
    about: 'whether mulch is renewed',
    answers: [
      ['none', 'mulch is not renewed'],
      ['yearly', 'mulch is renewed every year'],
    ],
    leak: { yearly: 'sometimes' },
    links: [{ of: 'mulchCone', makes: { yearly: 'usually' }, why: 'A yearly contract rebuilds the cone.' }],
    minutes: 1,
  },
  {
    key: 'probe.fill',
    station: 'mulch',
    about: 'soil over the original grade',
    answers: [
      ['none', 'no soil added over the original grade'],
      ['some', 'soil added over the original grade'],
      ['much', 'much soil added over the original grade'],
    ],
    leak: { some: 'hardly ever' },
    links: [
      {
        of: 'gradeRaised',
        makes: { some: 'often', much: 'often' },
        why: 'Soil over the old grade is the fault itself.',
      },
    ],
    minutes: 8,
    tools: 'soil probe',
  },
];
