import type { NetworkFinding } from '../judgement';

const LEAF = 'in leaf';

/** What leaves and shoots say. Most of it tells only that the crown declines, not why. */
export const CROWN_FINDINGS: readonly NetworkFinding[] = [
  {
    key: 'crown.colour',
    station: 'crown',
    about: 'leaf colour',
    answers: [
      ['good', 'leaves of good colour'],
      ['pale', 'leaves evenly pale'],
      ['veins', 'leaves pale between green veins'],
      ['scorched', 'leaf margins scorched'],
    ],
    leak: { pale: 'seldom', veins: 'hardly ever', scorched: 'hardly ever' },
    links: [
      {
        of: 'transplantShock',
        makes: { pale: 'seldom', scorched: 'seldom' },
        why: 'Leaves run dry while few roots bring water.',
      },
      {
        of: 'crownDecline',
        makes: { pale: 'sometimes', scorched: 'hardly ever' },
        why: 'A crown that declines feeds poorly.',
      },
      {
        of: 'plantedDeep',
        makes: { pale: 'sometimes' },
        why: 'Roots short of air leave the leaves evenly pale.',
      },
      {
        of: 'gradeRaised',
        makes: { pale: 'sometimes' },
        why: 'Roots short of air leave the leaves evenly pale.',
      },
      {
        of: 'mulchCone',
        makes: { pale: 'sometimes' },
        why: 'Roots that left for the mulch feed the crown poorly.',
      },
      {
        of: 'compaction',
        makes: { pale: 'sometimes', scorched: 'seldom' },
        why: 'Compacted soil feeds and waters poorly.',
      },
      {
        of: 'waterlogging',
        makes: { pale: 'often', scorched: 'sometimes' },
        why: 'Drowned roots take nothing up, and margins dry as in a drought.',
      },
      {
        of: 'chlorosis',
        makes: { pale: 'sometimes', veins: 'often' },
        why: 'Iron and manganese lack shows between the veins.',
      },
      { of: 'drought', makes: { scorched: 'often' }, why: 'Scorched margins are leaves run dry.' },
      { of: 'salt', makes: { scorched: 'usually' }, why: 'Salt burns from the margin in.' },
    ],
    minutes: 1,
    season: LEAF,
  },
  {
    key: 'crown.leaf',
    station: 'crown',
    about: 'leaf size',
    answers: [
      ['normal', 'leaves of normal size'],
      ['small', 'leaves small'],
      ['very small', 'leaves under half their size'],
    ],
    leak: { small: 'seldom' },
    links: [
      {
        of: 'transplantShock',
        makes: { small: 'often', 'very small': 'sometimes' },
        why: 'Leaves stay small for the first years after a move.',
      },
      {
        of: 'crownDecline',
        makes: { small: 'often', 'very small': 'seldom' },
        why: 'Leaves shrink where too little comes up.',
      },
    ],
    minutes: 1,
    season: LEAF,
  },
  {
    key: 'crown.density',
    station: 'crown',
    about: 'crown density',
    answers: [
      ['full', 'crown nearly full'],
      ['thin', 'crown thin'],
      ['very thin', 'crown less than half full'],
    ],
    leak: { thin: 'seldom' },
    links: [
      {
        of: 'crownDecline',
        makes: { thin: 'often', 'very thin': 'sometimes' },
        why: 'A declining crown thins.',
      },
    ],
    minutes: 1,
    season: LEAF,
  },
  {
    key: 'crown.dieback',
    station: 'crown',
    about: 'dieback',
    answers: [
      ['none', 'hardly any dieback'],
      ['some', 'some dieback'],
      ['much', 'much dieback'],
    ],
    leak: { some: 'seldom' },
    links: [
      {
        of: 'crownDecline',
        makes: { some: 'often', much: 'sometimes' },
        why: 'Dieback is the end of any decline, whatever began it.',
      },
      {
        of: 'severed',
        makes: { some: 'sometimes', much: 'seldom' },
        why: 'Limbs die above the roots that were cut.',
      },
    ],
    minutes: 1,
  },
  {
    key: 'crown.buds',
    station: 'crown',
    about: 'buds',
    answers: [
      ['plump', 'buds plump'],
      ['weak', 'buds weak or crowded'],
      ['dry', 'buds dry or none'],
    ],
    leak: { weak: 'seldom' },
    links: [
      {
        of: 'crownDecline',
        makes: { weak: 'often', dry: 'sometimes' },
        why: 'Short shoots end in small crowded buds; dead twigs bear dry ones.',
      },
    ],
    minutes: 1,
  },
  {
    key: 'crown.pattern',
    station: 'crown',
    about: 'pattern of the dieback',
    answers: [
      ['none', 'no dieback'],
      ['bottom', 'dieback from the bottom up'],
      ['scattered', 'dieback scattered'],
      ['top', 'dieback from the top down'],
      ['side', 'dieback on one side'],
    ],
    leak: { bottom: 'seldom', scattered: 'seldom', top: 'hardly ever', side: 'hardly ever' },
    links: [
      {
        of: 'crownDecline',
        makes: { scattered: 'seldom', top: 'sometimes', side: 'seldom' },
        why: 'A crown short of water and nutrients dies back from the top.',
      },
      { of: 'plantedDeep', makes: { top: 'sometimes' }, why: 'Roots short of air starve the top first.' },
      { of: 'gradeRaised', makes: { top: 'sometimes' }, why: 'Roots short of air starve the top first.' },
      {
        of: 'biotic',
        makes: { bottom: 'seldom', scattered: 'often', side: 'seldom' },
        why: 'A disease takes limbs here and there.',
      },
      { of: 'severed', makes: { side: 'often' }, why: 'The side whose roots were cut dies back first.' },
      { of: 'stemInjury', makes: { side: 'sometimes' }, why: 'The wounded side dies back first.' },
    ],
    minutes: 1,
  },
  {
    key: 'crown.autumn',
    station: 'crown',
    about: 'early autumn colour',
    answers: [
      ['none', 'no early autumn colour'],
      ['part', 'part of the crown colours early'],
      ['whole', 'the whole crown colours early'],
    ],
    leak: { part: 'seldom', whole: 'hardly ever' },
    links: [
      {
        of: 'transport',
        makes: { part: 'sometimes', whole: 'sometimes' },
        why: 'What is shut off colours first.',
      },
      { of: 'drought', makes: { part: 'seldom', whole: 'sometimes' }, why: 'A dry tree closes early.' },
    ],
    minutes: 1,
    season: 'late summer',
  },
  {
    key: 'crown.pests',
    station: 'crown',
    about: 'pests and disease in the crown',
    answers: [
      ['none', 'no pests or disease in the crown'],
      ['light', 'light pests or leaf spot, which follow weakness'],
      ['heavy', 'heavy pests or leaf spot'],
      ['cankers', 'cankers or wilt in the crown'],
    ],
    leak: { light: 'sometimes', heavy: 'seldom', cankers: 'hardly ever' },
    links: [
      { of: 'crownDecline', makes: { light: 'sometimes', heavy: 'seldom' }, why: 'Pests follow weakness.' },
      {
        of: 'biotic',
        makes: { light: 'hardly ever', heavy: 'sometimes', cankers: 'often' },
        why: 'Cankers and wilts kill on their own.',
      },
    ],
    minutes: 3,
    tools: 'binoculars',
  },
  {
    key: 'crown.wilt',
    station: 'crown',
    about: 'sudden wilting',
    answers: [
      ['none', 'nothing wilted suddenly'],
      ['limb', 'a limb wilted suddenly'],
      ['whole', 'the whole crown wilted'],
    ],
    leak: { limb: 'hardly ever' },
    links: [
      { of: 'transplantShock', makes: { whole: 'seldom' }, why: 'A crown on too few roots flags in heat.' },
      {
        of: 'biotic',
        makes: { limb: 'sometimes', whole: 'hardly ever' },
        why: 'A wilt takes a limb overnight.',
      },
      { of: 'drought', makes: { whole: 'sometimes' }, why: 'A dry tree wilts all over.' },
      { of: 'waterlogging', makes: { whole: 'seldom' }, why: 'Drowned roots take up no water.' },
      { of: 'severed', makes: { limb: 'seldom', whole: 'seldom' }, why: 'Cut roots take up no water.' },
    ],
    minutes: 1,
    season: LEAF,
  },
  {
    key: 'crown.neighbours',
    station: 'crown',
    about: 'neighbours of the same species',
    answers: [
      ['healthy', 'its neighbours are healthy'],
      ['some', 'some neighbours suffer alike'],
      ['all', 'all its neighbours suffer alike'],
    ],
    leak: { some: 'sometimes', all: 'hardly ever' },
    links: [
      {
        of: 'drought',
        makes: { some: 'seldom', all: 'usually' },
        why: 'Weather does not single out one tree.',
      },
      { of: 'salt', makes: { some: 'often', all: 'seldom' }, why: 'Salt comes along a whole edge.' },
      {
        of: 'compaction',
        makes: { some: 'sometimes', all: 'seldom' },
        why: 'Trees on the same site share the fault.',
      },
      {
        of: 'chlorosis',
        makes: { some: 'sometimes', all: 'sometimes' },
        why: 'Trees in the same soil lack the same nutrient.',
      },
      {
        of: 'plantedDeep',
        makes: { some: 'sometimes', all: 'hardly ever' },
        why: 'The same crew plants the same way.',
      },
      {
        of: 'gradeRaised',
        makes: { some: 'sometimes' },
        why: 'Construction works run along a row of trees.',
      },
      {
        of: 'mulchCone',
        makes: { some: 'sometimes', all: 'hardly ever' },
        why: 'One maintenance contract mulches them all.',
      },
      { of: 'biotic', makes: { some: 'seldom' }, why: 'Some diseases spread, slowly.' },
    ],
    minutes: 2,
  },
  {
    key: 'crown.shoots',
    station: 'crown',
    about: 'how long the shoots are',
    answers: [
      ['fair', 'shoots of a fair length'],
      ['short', 'short shoots every year'],
    ],
    leak: { short: 'seldom' },
    links: [
      {
        of: 'transplantShock',
        makes: { short: 'usually' },
        why: 'Shoots are short until the roots are out.',
      },
      {
        of: 'crownDecline',
        makes: { short: 'often' },
        why: 'Short shoots are low vigour, whether they grew shorter or were never long.',
      },
    ],
    minutes: 6,
    tools: 'tape, pole pruner or fallen twigs',
  },
  {
    key: 'crown.extension',
    station: 'crown',
    about: 'twig extension over the years',
    answers: [
      ['held', 'shoots as long as before'],
      ['fell', 'shoots have shortened'],
      ['collapsed', 'shoots are under half of what they were'],
    ],
    leak: { fell: 'seldom' },
    links: [
      {
        of: 'crownDecline',
        makes: { fell: 'often', collapsed: 'sometimes' },
        why: 'Shoots shorten before girth does.',
      },
      {
        of: 'plantedDeep',
        makes: { fell: 'sometimes' },
        why: 'Burial shows in the shoots before the girth.',
      },
      { of: 'gradeRaised', makes: { fell: 'sometimes' }, why: 'Shoots shorten within years of the fill.' },
    ],
    minutes: 6,
    tools: 'tape, pole pruner or fallen twigs',
  },
  {
    key: 'crown.epicormics',
    station: 'crown',
    about: 'epicormic shoots',
    answers: [
      ['none', 'no epicormic shoots'],
      ['some', 'some epicormic shoots'],
      ['many', 'many epicormic shoots'],
    ],
    leak: { some: 'seldom' },
    links: [
      {
        of: 'crownDecline',
        makes: { some: 'sometimes', many: 'seldom' },
        why: 'A starved crown shoots from old wood.',
      },
    ],
    minutes: 1,
  },
  {
    key: 'crown.growing',
    station: 'crown',
    about: 'whether it grows',
    answers: [
      ['yes', 'it grows as it should'],
      ['slow', 'it grows slowly'],
      ['no', 'it does not grow'],
    ],
    leak: { slow: 'sometimes', no: 'hardly ever' },
    links: [
      {
        of: 'transplantShock',
        makes: { slow: 'often', no: 'often' },
        why: 'It stands still until its roots are out.',
      },
      {
        of: 'crownDecline',
        makes: { slow: 'often', no: 'sometimes' },
        why: 'A crown that declines puts on little, then nothing.',
      },
    ],
    minutes: 1,
  },
  {
    key: 'crown.yellowing',
    station: 'crown',
    about: 'where leaves are yellow',
    answers: [
      ['none', 'no yellow leaves'],
      ['below', 'leaves yellow from below or inside'],
      ['top', 'the youngest leaves yellow first'],
      ['all', 'leaves yellow all over'],
    ],
    leak: { below: 'seldom', top: 'hardly ever' },
    links: [
      {
        of: 'waterlogging',
        makes: { below: 'sometimes', all: 'sometimes' },
        why: 'Drowned roots let the oldest leaves go first.',
      },
      { of: 'drought', makes: { below: 'often' }, why: 'It sheds the leaves it needs least.' },
      {
        of: 'chlorosis',
        makes: { top: 'often', all: 'seldom' },
        why: 'Iron does not move: the youngest leaves lack it first.',
      },
      { of: 'compaction', makes: { below: 'seldom' }, why: 'Compacted soil feeds poorly.' },
    ],
    minutes: 1,
    season: LEAF,
  },
  {
    key: 'crown.browning',
    station: 'crown',
    about: 'whole leaves brown',
    answers: [
      ['none', 'no leaves brown as a whole'],
      ['some', 'some leaves brown as a whole'],
      ['most', 'most leaves brown as a whole'],
    ],
    leak: { some: 'seldom' },
    links: [
      {
        of: 'drought',
        makes: { some: 'sometimes', most: 'seldom' },
        why: 'A leaf that ran dry is brown all over.',
      },
      {
        of: 'waterlogging',
        makes: { some: 'sometimes', most: 'seldom' },
        why: 'Without roots leaves dry up in wet ground.',
      },
      {
        of: 'biotic',
        makes: { some: 'sometimes', most: 'seldom' },
        why: 'A wilt or a blight kills leaf by leaf.',
      },
      {
        of: 'salt',
        makes: { some: 'sometimes', most: 'seldom' },
        why: 'A burn runs from the margin over the leaf.',
      },
    ],
    minutes: 1,
    season: LEAF,
  },
  {
    key: 'crown.drop',
    station: 'crown',
    about: 'leaves dropped in summer',
    answers: [
      ['none', 'no leaves dropped in summer'],
      ['some', 'some leaves dropped in summer'],
      ['most', 'most leaves dropped in summer'],
    ],
    leak: { some: 'seldom' },
    links: [
      {
        of: 'transplantShock',
        makes: { some: 'sometimes', most: 'seldom' },
        why: 'It sheds leaves it cannot supply.',
      },
      { of: 'drought', makes: { some: 'often', most: 'seldom' }, why: 'Fewer leaves need less water.' },
      {
        of: 'waterlogging',
        makes: { some: 'sometimes', most: 'sometimes' },
        why: 'Drowned roots cannot keep the leaves supplied.',
      },
      { of: 'severed', makes: { some: 'sometimes' }, why: 'It sheds what the remaining roots cannot feed.' },
      {
        of: 'biotic',
        makes: { some: 'sometimes', most: 'seldom' },
        why: 'Leaf diseases bare a crown early.',
      },
    ],
    minutes: 1,
    season: LEAF,
  },
  {
    key: 'crown.others',
    station: 'crown',
    about: 'trees of other kinds near by',
    answers: [
      ['healthy', 'trees of other kinds near by are healthy'],
      ['some', 'some trees of other kinds near by fail too'],
      ['most', 'most trees of other kinds near by fail too'],
    ],
    leak: { some: 'seldom', most: 'hardly ever' },
    links: [
      {
        of: 'compaction',
        makes: { some: 'sometimes', most: 'seldom' },
        why: 'The ground is the same for all.',
      },
      { of: 'waterlogging', makes: { some: 'often', most: 'sometimes' }, why: 'Wet ground is wet for all.' },
      { of: 'drought', makes: { some: 'often', most: 'sometimes' }, why: 'The weather is the same for all.' },
      { of: 'salt', makes: { some: 'sometimes', most: 'sometimes' }, why: 'Salt spares few kinds.' },
      {
        of: 'gradeRaised',
        makes: { some: 'sometimes', most: 'seldom' },
        why: 'Fill is laid over a whole bed.',
      },
    ],
    minutes: 2,
    season: LEAF,
  },
];
