import type { NetworkFinding } from '../judgement';

/** What the soil probe, the holes and the laboratory tell. */
export const SOIL_FINDINGS: readonly NetworkFinding[] = [
  {
    key: 'probe.moisture',
    station: 'soil',
    about: 'soil moisture at 20 cm',
    answers: [
      ['moist', 'soil moist'],
      ['dry', 'soil dry'],
      ['wet', 'soil wet'],
      ['sour', 'soil wet, grey and smelling'],
    ],
    leak: { dry: 'sometimes', wet: 'seldom' },
    links: [
      { of: 'drought', makes: { dry: 'usually' }, why: 'The soil is dry where roots drink.' },
      {
        of: 'waterlogging',
        makes: { wet: 'often', sour: 'sometimes' },
        why: 'Wet, grey and smelling: no air.',
      },
      {
        of: 'confinedHole',
        makes: { wet: 'sometimes', sour: 'seldom' },
        why: 'A hole in clay holds water like a bathtub.',
      },
      { of: 'gradeRaised', makes: { wet: 'seldom' }, why: 'Fill closes the old surface.' },
    ],
    minutes: 2,
    tools: 'soil probe',
  },
  {
    key: 'probe.colour',
    station: 'soil',
    about: 'soil colour',
    answers: [
      ['dark', 'soil dark'],
      ['pale', 'soil pale, little organic matter'],
      ['mottled', 'soil grey or mottled'],
    ],
    leak: { pale: 'sometimes', mottled: 'hardly ever' },
    links: [
      { of: 'waterlogging', makes: { mottled: 'often' }, why: 'Grey and mottles mean long wet.' },
      { of: 'confinedHole', makes: { mottled: 'seldom' }, why: 'Water stands in the hole.' },
      { of: 'chlorosis', makes: { pale: 'sometimes' }, why: 'Poor soil feeds poorly.' },
    ],
    minutes: 2,
    tools: 'soil probe',
  },
  {
    key: 'probe.topsoil',
    station: 'soil',
    about: 'topsoil thickness',
    answers: [
      ['good', 'topsoil thick enough'],
      ['thin', 'topsoil thin'],
      ['none', 'hardly any topsoil'],
    ],
    leak: { thin: 'sometimes', none: 'seldom' },
    links: [
      {
        of: 'compaction',
        makes: { thin: 'sometimes', none: 'sometimes' },
        why: 'Construction sites have lost their topsoil.',
      },
      { of: 'chlorosis', makes: { thin: 'sometimes', none: 'sometimes' }, why: 'Subsoil feeds poorly.' },
    ],
    minutes: 2,
    tools: 'soil probe',
  },
  {
    key: 'probe.refusal',
    station: 'soil',
    about: 'how deep the soil stays open',
    answers: [
      ['open', 'soil open to 30 cm and more'],
      ['tight', 'soil compacted within 30 cm'],
      ['very tight', 'soil compacted within 15 cm'],
    ],
    leak: { tight: 'sometimes', 'very tight': 'seldom' },
    links: [
      {
        of: 'compaction',
        makes: { tight: 'often', 'very tight': 'often' },
        why: 'The rod stops where roots stop.',
      },
      { of: 'confinedHole', makes: { tight: 'sometimes' }, why: 'Compacted ground outside the hole.' },
    ],
    minutes: 5,
    tools: 'rod or penetrometer',
  },
  {
    key: 'probe.drain',
    station: 'soil',
    about: 'the drainage test',
    answers: [
      ['drained', 'the test hole drained by the next day'],
      ['damp', 'the test hole was still saturated the next day'],
      ['standing', 'water stood in the test hole the next day'],
    ],
    leak: { damp: 'seldom' },
    links: [
      {
        of: 'waterlogging',
        makes: { damp: 'often', standing: 'sometimes' },
        why: 'Still saturated means it does not drain.',
      },
      {
        of: 'confinedHole',
        makes: { damp: 'sometimes', standing: 'sometimes' },
        why: 'A glazed hole does not drain.',
      },
      { of: 'compaction', makes: { damp: 'sometimes' }, why: 'Compacted soil drains slowly.' },
    ],
    minutes: 20,
    tools: 'spade, water; look again the next day',
  },
  {
    key: 'probe.wall',
    station: 'soil',
    about: 'the edge of the planting hole',
    answers: [
      ['none', 'no edge of the planting hole to be felt'],
      ['felt', 'the soil changes at the edge of the hole'],
      ['glazed', 'the wall of the hole is smooth and glazed'],
    ],
    leak: { felt: 'sometimes' },
    links: [
      {
        of: 'confinedHole',
        makes: { felt: 'often', glazed: 'often' },
        why: 'Augered holes glaze, and roots turn back.',
      },
      { of: 'compaction', makes: { felt: 'sometimes' }, why: 'Loose inside, compacted outside.' },
    ],
    minutes: 8,
    tools: 'rod, spade',
  },
  {
    key: 'probe.out',
    station: 'soil',
    about: 'roots beyond the planting hole',
    answers: [
      ['many', 'roots found well beyond the planting hole'],
      ['few', 'few roots beyond the planting hole'],
      ['none', 'no roots beyond the planting hole'],
    ],
    leak: { few: 'seldom' },
    links: [
      {
        of: 'confinedRoots',
        makes: { few: 'often', none: 'often' },
        why: 'After three years roots should be about 2 m out.',
      },
      { of: 'drought', makes: { few: 'seldom' }, why: 'Roots die back in dry ground.' },
    ],
    minutes: 10,
    tools: 'spade',
  },
  {
    key: 'soil.density',
    station: 'soil',
    about: 'bulk density of the soil',
    answers: [
      ['open', 'the soil is loose enough for roots'],
      ['affected', 'the soil is dense enough to hold roots back'],
      ['tight', 'the soil is too dense for roots'],
    ],
    leak: { affected: 'seldom', tight: 'hardly ever' },
    links: [
      {
        of: 'compaction',
        makes: { affected: 'often', tight: 'sometimes' },
        why: 'Pressed soil weighs more for its volume.',
      },
      {
        of: 'confinedHole',
        makes: { affected: 'sometimes', tight: 'seldom' },
        why: 'Compacted ground round the hole is what confines.',
      },
    ],
    minutes: 30,
    tools: 'core ring, oven or laboratory',
  },
  {
    key: 'soil.ph',
    station: 'soil',
    about: 'soil pH',
    answers: [
      ['fits', 'soil pH fits the species'],
      ['high', 'soil pH high for the species'],
      ['very high', 'soil pH far too high for the species'],
    ],
    leak: { high: 'seldom' },
    links: [
      {
        of: 'chlorosis',
        makes: { high: 'often', 'very high': 'sometimes' },
        why: 'Lime holds back iron and manganese.',
      },
    ],
    minutes: 5,
    tools: 'soil test',
  },
  {
    key: 'soil.salt',
    station: 'soil',
    about: 'salt in the soil',
    answers: [
      ['none', 'no salt in the soil'],
      ['raised', 'salt raised in the soil'],
      ['high', 'much salt in the soil'],
    ],
    leak: { raised: 'hardly ever' },
    links: [
      {
        of: 'salt',
        makes: { raised: 'sometimes', high: 'often' },
        why: 'What burned it is still in the soil.',
      },
    ],
    minutes: 5,
    tools: 'soil test',
  },
];
