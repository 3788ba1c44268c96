import type { NetworkFinding } from '../judgement';

/** What a dig lays open. */
export const DIG_FINDINGS: readonly NetworkFinding[] = [
  {
    key: 'dig.girdled',
    station: 'dig',
    about: 'bark compressed by roots',
    answers: [
      ['none', 'hardly any bark compressed'],
      ['some', 'some of the bark compressed'],
      ['much', 'a quarter of the bark compressed or more'],
      ['half', 'half of the bark compressed or more'],
    ],
    leak: { some: 'hardly ever' },
    links: [
      {
        of: 'girdlingRoots',
        makes: { some: 'often', much: 'sometimes', half: 'seldom' },
        why: 'The share compressed is the girdling itself.',
      },
    ],
    minutes: 60,
    tools: 'air tool or hand tools',
  },
  {
    key: 'dig.inAnchor',
    station: 'dig',
    about: 'roots sunk into anchors',
    answers: [
      ['none', 'no root sinks into an anchor'],
      ['some', 'a root has begun to sink into an anchor'],
    ],
    leak: { some: 'hardly ever' },
    links: [
      {
        of: 'girdlingRoots',
        makes: { some: 'sometimes' },
        why: 'Roots that cross the stem cross anchors too.',
      },
      {
        of: 'containerRoots',
        makes: { some: 'seldom' },
        why: 'Roots laid over one another in the pot grow together.',
      },
    ],
    minutes: 60,
    tools: 'air tool or hand tools',
  },
  {
    key: 'dig.mat',
    station: 'dig',
    about: 'adventitious roots above the collar',
    answers: [
      ['none', 'no adventitious roots above the collar'],
      ['few', 'a few adventitious roots above the collar'],
      ['mat', 'many adventitious roots above the collar'],
    ],
    leak: { few: 'seldom' },
    links: [
      {
        of: 'buriedCollar',
        makes: { few: 'sometimes', mat: 'sometimes' },
        why: 'Buried bark puts out roots of its own.',
      },
      {
        of: 'mulchCone',
        makes: { few: 'sometimes', mat: 'sometimes' },
        why: 'Moist mulch against bark draws roots out of it.',
      },
    ],
    minutes: 45,
    tools: 'air tool or hand tools',
  },
  {
    key: 'dig.shape',
    station: 'dig',
    about: 'the shape of the root ball',
    answers: [
      ['none', 'the roots no longer show the pot'],
      ['partly', 'part of the roots keep the shape of the pot'],
      ['wholly', 'the roots keep the shape of the pot'],
    ],
    leak: { partly: 'seldom' },
    links: [
      {
        of: 'containerRoots',
        makes: { partly: 'often', wholly: 'often' },
        why: 'Roots that went round in the pot show it.',
      },
      {
        of: 'confinedRoots',
        makes: { partly: 'seldom' },
        why: 'No root grew out of the ball.',
      },
    ],
    minutes: 30,
    tools: 'hand tools',
  },
  {
    key: 'dig.anchors',
    station: 'dig',
    about: 'sound anchors',
    answers: [
      ['round', 'sound anchors all round'],
      ['gap', 'a wide gap between sound anchors'],
      ['few', 'fewer than three sound anchors'],
    ],
    leak: { gap: 'seldom', few: 'hardly ever' },
    links: [
      {
        of: 'poorAnchorage',
        makes: { gap: 'sometimes', few: 'often' },
        why: 'A tree without anchor roots gives way.',
      },
      { of: 'severed', makes: { gap: 'sometimes' }, why: 'Cut roots no longer anchor it.' },
    ],
    minutes: 60,
    tools: 'air tool or hand tools',
  },
  {
    key: 'dig.decay',
    station: 'dig',
    about: 'decay at the collar',
    answers: [
      ['none', 'collar and roots sound where they were laid open'],
      ['some', 'decay in places at the collar or its roots'],
      ['much', 'much decay at the collar or its roots'],
    ],
    leak: { some: 'seldom' },
    links: [
      {
        of: 'basalDecay',
        makes: { some: 'often', much: 'sometimes' },
        why: 'Decay below ground is worse than the skin shows.',
      },
      { of: 'biotic', makes: { some: 'sometimes', much: 'seldom' }, why: 'Root rots begin below ground.' },
    ],
    minutes: 60,
    tools: 'air tool or hand tools',
  },
  {
    key: 'dig.ring',
    station: 'dig',
    about: 'a ring or barrier in the ground',
    answers: [
      ['none', 'no ring or barrier in the ground'],
      ['there', 'a ring or barrier in the ground'],
    ],
    leak: { there: 'never' },
    links: [{ of: 'barrier', makes: { there: 'almost always' }, why: 'It is there.' }],
    minutes: 15,
    tools: 'spade',
  },
  {
    key: 'dig.ends',
    station: 'dig',
    about: 'cut or torn root ends',
    answers: [
      ['none', 'no cut or torn root ends'],
      ['few', 'a few cut or torn root ends'],
      ['many', 'many cut or torn root ends'],
    ],
    leak: { few: 'seldom' },
    links: [
      {
        of: 'severed',
        makes: { few: 'sometimes', many: 'often' },
        why: 'The ends that were cut are still there.',
      },
      { of: 'gradeRaised', makes: { few: 'seldom' }, why: 'Machines that spread fill also tear roots.' },
    ],
    minutes: 30,
    tools: 'spade',
  },
  {
    key: 'dig.fine',
    station: 'dig',
    about: 'fine roots',
    answers: [
      ['white', 'fine roots white and plenty'],
      ['few', 'fine roots few'],
      ['dead', 'fine roots dark, dead or sour'],
    ],
    leak: { few: 'sometimes', dead: 'hardly ever' },
    links: [
      {
        of: 'oxygenStarved',
        makes: { few: 'sometimes', dead: 'often' },
        why: 'Roots without air die and smell.',
      },
      { of: 'drought', makes: { few: 'often', dead: 'seldom' }, why: 'Fine roots dry off first.' },
      {
        of: 'biotic',
        makes: { few: 'seldom', dead: 'sometimes' },
        why: 'Root rots take the fine roots first.',
      },
      { of: 'salt', makes: { few: 'sometimes', dead: 'sometimes' }, why: 'Salt burns the fine roots.' },
    ],
    minutes: 15,
    tools: 'hand fork',
  },
];
