import type { NetworkFinding } from '../judgement';

/** Told, or asked of the owner. */
export const HISTORY_FINDINGS: readonly NetworkFinding[] = [
  {
    key: 'history.onset',
    station: 'history',
    about: 'how fast it came',
    answers: [
      ['years', 'it came on over years'],
      ['season', 'it came within a season'],
      ['weeks', 'it came within weeks'],
    ],
    leak: { season: 'sometimes', weeks: 'hardly ever' },
    links: [
      {
        of: 'transplantShock',
        makes: { season: 'usually' },
        why: 'It begins in the first summer after the move.',
      },
      { of: 'drought', makes: { season: 'usually' }, why: 'A dry year shows in that year or the next.' },
      {
        of: 'biotic',
        makes: { season: 'often', weeks: 'sometimes' },
        why: 'Wilts and cankers run in a season.',
      },
      { of: 'salt', makes: { season: 'often', weeks: 'sometimes' }, why: 'A burn shows at once.' },
      {
        of: 'waterlogging',
        makes: { season: 'sometimes', weeks: 'sometimes' },
        why: 'Buried and wet together kill in weeks.',
      },
      { of: 'severed', makes: { season: 'often' }, why: 'Cut roots show within a season or two.' },
    ],
    minutes: 1,
  },
  {
    key: 'history.soil',
    station: 'history',
    about: 'whether soil was added',
    answers: [
      ['none', 'no soil was added, as reported'],
      ['yes', 'soil was added'],
    ],
    leak: { yes: 'seldom' },
    links: [{ of: 'gradeRaised', makes: { yes: 'usually' }, why: 'Someone remembers the soil being added.' }],
    minutes: 1,
  },
  {
    key: 'history.works',
    station: 'history',
    about: 'digging near the tree',
    answers: [
      ['none', 'no digging near it, as reported'],
      ['near', 'something was dug near it'],
      ['under', 'a trench was dug under its crown'],
    ],
    leak: { near: 'seldom', under: 'hardly ever' },
    links: [
      { of: 'severed', makes: { near: 'sometimes', under: 'usually' }, why: 'Roots are cut by digging.' },
      { of: 'gradeRaised', makes: { near: 'sometimes' }, why: 'Spoil of works is spread where they were.' },
    ],
    minutes: 1,
  },
  {
    key: 'history.salt',
    station: 'history',
    about: 'de-icing salt',
    answers: [
      ['none', 'no de-icing salt near it'],
      ['near', 'salt is spread near it'],
      ['onto', 'salted snow or water comes onto its roots'],
    ],
    leak: { near: 'sometimes', onto: 'hardly ever' },
    links: [
      {
        of: 'salt',
        makes: { near: 'sometimes', onto: 'often' },
        why: 'The salt has to come from somewhere.',
      },
    ],
    minutes: 1,
  },
  {
    key: 'history.chemicals',
    station: 'history',
    about: 'weedkiller or spills',
    answers: [
      ['none', 'no weedkiller or spill known'],
      ['yes', 'weedkiller or a spill near it'],
    ],
    leak: { yes: 'seldom' },
    links: [{ of: 'salt', makes: { yes: 'often' }, why: 'A chemical has to come from somewhere.' }],
    minutes: 1,
  },
  {
    key: 'history.watering',
    station: 'history',
    about: 'water in the first years',
    answers: [
      ['yes', 'watered in its first years'],
      ['some', 'watered now and then in its first years'],
      ['no', 'not watered in its first years'],
    ],
    leak: { some: 'sometimes', no: 'seldom' },
    links: [
      { of: 'drought', makes: { some: 'sometimes', no: 'sometimes' }, why: 'What was not watered ran dry.' },
    ],
    minutes: 1,
  },
  {
    key: 'history.wet',
    station: 'history',
    about: 'standing water after rain',
    answers: [
      ['none', 'no water stands after rain'],
      ['hours', 'water stands some hours after rain'],
      ['days', 'water stands for days after rain'],
    ],
    leak: { hours: 'seldom', days: 'hardly ever' },
    links: [
      {
        of: 'waterlogging',
        makes: { hours: 'sometimes', days: 'often' },
        why: 'Standing water drives the air out of the soil.',
      },
      {
        of: 'compaction',
        makes: { hours: 'often' },
        why: 'Compacted soil sheds rain or holds it at the surface.',
      },
      {
        of: 'confinedHole',
        makes: { hours: 'sometimes' },
        why: 'A loosened hole in clay fills like a bathtub.',
      },
    ],
    minutes: 1,
  },
  {
    key: 'history.traffic',
    station: 'history',
    about: 'traffic over the roots',
    answers: [
      ['none', 'no traffic or paving over the roots'],
      ['some', 'feet or mowers over the roots'],
      ['much', 'vehicles, works or paving over the roots'],
    ],
    leak: { some: 'often', much: 'seldom' },
    links: [
      { of: 'compaction', makes: { some: 'sometimes', much: 'often' }, why: 'Load presses the pores shut.' },
      {
        of: 'confinedHole',
        makes: { much: 'sometimes' },
        why: 'Planting pits are small where the ground is paved.',
      },
    ],
    minutes: 1,
  },
  {
    key: 'history.cohort',
    station: 'history',
    about: 'trees planted with it',
    answers: [
      ['fine', 'the trees planted with it do well'],
      ['some', 'some trees planted with it fail too'],
      ['most', 'most trees planted with it fail too'],
    ],
    leak: { some: 'sometimes', most: 'hardly ever' },
    links: [
      { of: 'transplantShock', makes: { some: 'often', most: 'sometimes' }, why: 'All were moved at once.' },
      {
        of: 'plantedDeep',
        makes: { some: 'often', most: 'sometimes' },
        why: 'The same crew plants the same way.',
      },
      {
        of: 'containerRoots',
        makes: { some: 'often', most: 'sometimes' },
        why: 'Trees from one nursery share its faults.',
      },
      {
        of: 'mulchCone',
        makes: { some: 'sometimes', most: 'sometimes' },
        why: 'One maintenance contract mulches them all.',
      },
      {
        of: 'drought',
        makes: { some: 'sometimes', most: 'often' },
        why: 'Weather does not single out one tree.',
      },
      {
        of: 'compaction',
        makes: { some: 'sometimes', most: 'sometimes' },
        why: 'Trees on one site share its soil.',
      },
      {
        of: 'gradeRaised',
        makes: { some: 'often', most: 'seldom' },
        why: 'Construction works run along a row of trees.',
      },
    ],
    minutes: 3,
  },
  {
    key: 'event.irrigation',
    station: 'history',
    about: 'irrigation',
    answers: [
      ['none', 'no irrigation'],
      ['yes', 'it is irrigated'],
    ],
    leak: { yes: 'sometimes' },
    links: [{ of: 'waterlogging', makes: { yes: 'often' }, why: 'Lawn water by the clock keeps roots wet.' }],
    minutes: 1,
    toldOnly: true,
  },
  {
    key: 'event.drought',
    station: 'history',
    about: 'a dry year of the last three',
    answers: [
      ['none', 'no dry year of late'],
      ['yes', 'a dry year within the last three'],
    ],
    leak: { yes: 'sometimes' },
    links: [{ of: 'drought', makes: { yes: 'usually' }, why: 'There was a dry year for it to follow.' }],
    minutes: 1,
    toldOnly: true,
  },
  {
    key: 'event.flood',
    station: 'history',
    about: 'a flood of the last three years',
    answers: [
      ['none', 'no flood of late'],
      ['yes', 'a flood within the last three years'],
    ],
    leak: { yes: 'hardly ever' },
    links: [
      { of: 'waterlogging', makes: { yes: 'often' }, why: 'There was a flood that could drown the roots.' },
    ],
    minutes: 1,
    toldOnly: true,
  },
  {
    key: 'event.ring',
    station: 'history',
    about: 'a ring or barrier at planting',
    answers: [
      ['none', 'no ring or barrier'],
      ['yes', 'a root-control ring or barrier was set'],
    ],
    leak: { yes: 'hardly ever' },
    links: [{ of: 'barrier', makes: { yes: 'almost always' }, why: 'What was set is still there.' }],
    minutes: 1,
    toldOnly: true,
  },
  {
    key: 'history.potYears',
    station: 'history',
    about: 'years in its last pot',
    answers: [
      ['short', 'no more than two years in its last pot'],
      ['long', 'years in its last pot'],
    ],
    leak: { long: 'sometimes' },
    links: [
      {
        of: 'containerRoots',
        makes: { long: 'often' },
        why: 'Each year in one pot is another round at its wall.',
      },
    ],
    minutes: 1,
    toldOnly: true,
  },
  {
    key: 'history.potKind',
    station: 'history',
    about: 'the kind of pot',
    answers: [
      ['air', 'from an air-pruning pot'],
      ['wall', 'from a pot with a wall'],
    ],
    leak: { wall: 'often' },
    links: [
      {
        of: 'containerRoots',
        makes: { wall: 'almost always' },
        why: 'Roots turn at a wall; in the air their tips dry off.',
      },
    ],
    minutes: 1,
    toldOnly: true,
  },
];
