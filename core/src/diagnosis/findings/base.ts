import type { NetworkFinding } from '../judgement';

/** What the stem shows where it enters the ground. */
export const BASE_FINDINGS: readonly NetworkFinding[] = [
  {
    key: 'base.entry',
    station: 'base',
    about: 'how the stem enters the ground',
    answers: [
      ['flared', 'the flare shows on nearly every side'],
      ['part', 'the flare is hidden on some sides'],
      ['straight', 'the stem enters the ground like a post'],
    ],
    leak: { part: 'seldom', straight: 'hardly ever' },
    links: [
      {
        of: 'buriedCollar',
        makes: { part: 'sometimes', straight: 'usually' },
        why: 'A buried collar shows no flare.',
      },
    ],
    minutes: 1,
  },
  {
    key: 'base.oneSided',
    station: 'base',
    about: 'sides without flare',
    answers: [
      ['alike', 'the stem is alike all round'],
      ['some', 'the stem is straight on a few sides only'],
    ],
    leak: { some: 'seldom' },
    links: [
      {
        of: 'girdlingRoots',
        makes: { some: 'often' },
        why: 'The straight side is where a root lies across.',
      },
      { of: 'gradeRaised', makes: { some: 'sometimes' }, why: 'Fill lies against the uphill side.' },
      { of: 'plantedDeep', makes: { some: 'seldom' }, why: 'A leaning ball buries one side more.' },
    ],
    minutes: 1,
  },
  {
    key: 'base.bark',
    station: 'base',
    about: 'bark at the soil line',
    answers: [
      ['sound', 'bark sound at the soil line'],
      ['dark', 'bark dark and damp at the soil line'],
      ['soft', 'bark soft or loose at the soil line'],
    ],
    leak: { dark: 'seldom', soft: 'hardly ever' },
    links: [
      {
        of: 'basalDecay',
        makes: { dark: 'sometimes', soft: 'usually' },
        why: 'Soft or loose bark is decay at work.',
      },
      { of: 'gradeRaised', makes: { dark: 'often', soft: 'seldom' }, why: 'Bark under soil stays wet.' },
      { of: 'plantedDeep', makes: { dark: 'sometimes', soft: 'seldom' }, why: 'Bark under soil stays wet.' },
      { of: 'mulchCone', makes: { dark: 'often', soft: 'seldom' }, why: 'Bark under a cone stays damp.' },
    ],
    minutes: 2,
  },
  {
    key: 'base.sound',
    station: 'base',
    about: 'the sound of the base',
    answers: [
      ['none', 'the base sounds solid'],
      ['dull', 'the base sounds dull'],
      ['hollow', 'the base sounds hollow'],
    ],
    leak: { dull: 'seldom', hollow: 'hardly ever' },
    links: [
      {
        of: 'basalDecay',
        makes: { dull: 'often', hollow: 'sometimes' },
        why: 'A mallet reveals decay that sound bark hides.',
      },
    ],
    minutes: 2,
    tools: 'mallet',
  },
  {
    key: 'base.conks',
    station: 'base',
    about: 'conks at the base',
    answers: [
      ['none', 'no conks at the base'],
      ['few', 'one or a few conks at the base'],
      ['many', 'several fresh conks at the base'],
    ],
    leak: { few: 'hardly ever' },
    links: [
      {
        of: 'basalDecay',
        makes: { few: 'sometimes', many: 'sometimes' },
        why: 'Fruiting bodies stand on decayed wood.',
      },
      { of: 'biotic', makes: { many: 'seldom' }, why: 'A rot that attacks sound trees fruits freely.' },
    ],
    minutes: 1,
  },
  {
    key: 'base.ooze',
    station: 'base',
    about: 'ooze on the stem',
    answers: [
      ['none', 'no ooze on the stem'],
      ['old', 'dry streaks of ooze'],
      ['fresh', 'fresh ooze on the stem'],
    ],
    leak: { old: 'hardly ever' },
    links: [
      {
        of: 'biotic',
        makes: { old: 'seldom', fresh: 'often' },
        why: 'Fresh ooze is a bark disease until shown otherwise.',
      },
      {
        of: 'basalDecay',
        makes: { old: 'seldom', fresh: 'seldom' },
        why: 'Ooze at the soil line marks dying bark.',
      },
    ],
    minutes: 1,
  },
  {
    key: 'base.borers',
    station: 'base',
    about: 'frass or exit holes',
    answers: [
      ['none', 'no frass or exit holes'],
      ['few', 'a few exit holes'],
      ['many', 'fresh frass or many exit holes'],
    ],
    leak: { few: 'seldom' },
    links: [
      {
        of: 'crownDecline',
        makes: { few: 'sometimes', many: 'seldom' },
        why: 'Most borers follow weakness.',
      },
      { of: 'biotic', makes: { few: 'sometimes', many: 'sometimes' }, why: 'Some borers take sound trees.' },
    ],
    minutes: 2,
  },
  {
    key: 'base.wounds',
    station: 'base',
    about: 'wounds at the base',
    answers: [
      ['none', 'no wounds at the base'],
      ['closed', 'closed wounds at the base'],
      ['open', 'open wounds at the base'],
      ['repeated', 'open wounds at the base, again and again'],
    ],
    leak: { closed: 'sometimes', open: 'seldom' },
    links: [
      {
        of: 'stemInjury',
        makes: { closed: 'seldom', open: 'often', repeated: 'sometimes' },
        why: 'The wound is the injury itself.',
      },
    ],
    minutes: 1,
  },
  {
    key: 'base.ties',
    station: 'base',
    about: 'ties, wire, labels, guard',
    answers: [
      ['none', 'no tie, wire or guard'],
      ['loose', 'tie or guard loose'],
      ['tight', 'tie, wire or guard tight'],
      ['grown in', 'tie, wire or guard grown in'],
    ],
    leak: { loose: 'sometimes', tight: 'hardly ever' },
    links: [
      {
        of: 'stemInjury',
        makes: { tight: 'sometimes', 'grown in': 'sometimes' },
        why: 'What is tied round a growing stem grows in.',
      },
    ],
    minutes: 1,
  },
  {
    key: 'base.push',
    station: 'base',
    about: 'the push test',
    answers: [
      ['none', 'the base is firm when pushed'],
      ['slight', 'the ground lifts slightly when it is pushed'],
      ['rocks', 'the base rocks when pushed'],
      ['lifts', 'the tree lifts out by hand'],
    ],
    leak: { slight: 'hardly ever' },
    links: [
      {
        of: 'poorAnchorage',
        makes: { slight: 'sometimes', rocks: 'often', lifts: 'hardly ever' },
        why: 'A tree that is poorly anchored gives way when pushed.',
      },
      {
        of: 'containerRoots',
        makes: { lifts: 'seldom' },
        why: 'Roots that never left the ball come out with it.',
      },
    ],
    minutes: 1,
  },
  {
    key: 'base.girdling',
    station: 'base',
    about: 'roots across the stem in view',
    answers: [
      ['none', 'no root across the stem in view'],
      ['touching', 'a root touches the stem'],
      ['pressing', 'a root presses into the stem'],
      ['embedded', 'a root has grown into the stem'],
    ],
    leak: { touching: 'seldom', pressing: 'hardly ever' },
    links: [
      {
        of: 'girdlingRoots',
        makes: { touching: 'seldom', pressing: 'sometimes', embedded: 'seldom' },
        why: 'Seen at the surface; most of it lies below.',
      },
    ],
    minutes: 2,
  },
  {
    key: 'base.flat',
    station: 'base',
    about: 'the shape of the stem at the ground',
    answers: [
      ['none', 'the stem is round at the ground'],
      ['slight', 'the stem is slightly flat on one side'],
      ['marked', 'the stem is clearly flattened or pinched'],
    ],
    leak: { slight: 'seldom', marked: 'hardly ever' },
    links: [
      {
        of: 'girdlingRoots',
        makes: { slight: 'sometimes', marked: 'sometimes' },
        why: 'A stem pinched at the ground is compressed there.',
      },
      { of: 'stemInjury', makes: { slight: 'seldom', marked: 'seldom' }, why: 'Wire and ties pinch too.' },
    ],
    minutes: 1,
  },
  {
    key: 'base.adventitious',
    station: 'base',
    about: 'roots from the buried stem',
    answers: [
      ['none', 'no roots from the stem above its collar'],
      ['few', 'a few roots from the buried stem'],
      ['mat', 'a mat of roots from the buried stem'],
    ],
    leak: { few: 'hardly ever' },
    links: [
      {
        of: 'buriedCollar',
        makes: { few: 'sometimes', mat: 'seldom' },
        why: 'Buried bark puts out roots of its own.',
      },
      {
        of: 'mulchCone',
        makes: { few: 'sometimes', mat: 'sometimes' },
        why: 'Moist mulch against bark draws roots out of it.',
      },
    ],
    minutes: 3,
    tools: 'hand fork',
  },
  {
    key: 'base.lean',
    station: 'base',
    about: 'a new lean',
    answers: [
      ['none', 'no new lean'],
      ['lean', 'it leans more than it did'],
      ['lifted', 'it leans and the soil is lifted or cracked'],
    ],
    leak: { lean: 'seldom' },
    links: [
      {
        of: 'poorAnchorage',
        makes: { lean: 'sometimes', lifted: 'seldom' },
        why: 'A poorly anchored tree leans.',
      },
    ],
    minutes: 1,
  },
  {
    key: 'base.branch',
    station: 'base',
    about: 'a branch that goes into the ground',
    answers: [
      ['none', 'no branch goes into the ground'],
      ['seen', 'a branch goes into the ground'],
    ],
    leak: {},
    links: [
      {
        of: 'gradeRaised',
        makes: { seen: 'seldom' },
        why: 'The lowest branch was above ground when it grew.',
      },
      {
        of: 'plantedDeep',
        makes: { seen: 'hardly ever' },
        why: 'A feathered tree set far too deep buries its lowest branch.',
      },
    ],
    minutes: 1,
  },
  {
    key: 'base.line',
    station: 'base',
    about: 'a dark line on the bark above the first roots',
    answers: [
      ['none', 'the bark is of one colour down to the first roots'],
      ['low', 'a dark line on the bark a little above the first roots'],
      ['high', 'a dark line on the bark far above the first roots'],
    ],
    leak: { low: 'hardly ever' },
    links: [
      {
        of: 'buriedCollar',
        makes: { low: 'sometimes', high: 'often' },
        why: 'Bark that lay in soil or mulch stays dark.',
      },
    ],
    minutes: 5,
    tools: 'hand fork',
  },
  {
    key: 'base.sinks',
    station: 'base',
    about: 'how far a probe sinks into the base',
    answers: [
      ['none', 'a probe does not sink into the base'],
      ['some', 'a probe sinks a little into the base'],
      ['deep', 'a probe sinks far into the base'],
    ],
    leak: { some: 'hardly ever' },
    links: [
      {
        of: 'basalDecay',
        makes: { some: 'often', deep: 'sometimes' },
        why: 'Sound wood stops a probe.',
      },
    ],
    minutes: 2,
    tools: 'probe or axe',
  },
  {
    key: 'base.gnawing',
    station: 'base',
    about: 'gnawed bark',
    answers: [
      ['none', 'no bark gnawed'],
      ['some', 'bark gnawed in places'],
      ['ring', 'bark gnawed nearly all round'],
    ],
    leak: { some: 'hardly ever' },
    links: [
      {
        of: 'stemInjury',
        makes: { some: 'seldom', ring: 'seldom' },
        why: 'Voles, rabbits and deer strip bark like any wound.',
      },
    ],
    minutes: 1,
  },
  {
    key: 'base.burrows',
    station: 'base',
    about: 'burrows at the stem',
    answers: [
      ['none', 'no burrows at the stem'],
      ['some', 'one or two burrows at the stem'],
      ['many', 'many burrows at the stem'],
    ],
    leak: { some: 'hardly ever' },
    links: [
      {
        of: 'mulchCone',
        makes: { some: 'sometimes', many: 'seldom' },
        why: 'Deep mulch shelters voles.',
      },
      { of: 'gradeRaised', makes: { some: 'seldom' }, why: 'Rubble fill is full of holes.' },
      { of: 'stemInjury', makes: { some: 'seldom' }, why: 'Animals that live there gnaw the bark.' },
    ],
    minutes: 1,
  },
  {
    key: 'base.plate',
    station: 'base',
    about: 'the root plate',
    answers: [
      ['none', 'roots go down from the stem'],
      ['some', 'many roots at the surface'],
      ['flat', 'a flat root plate, all roots at the surface'],
    ],
    leak: { some: 'sometimes', flat: 'hardly ever' },
    links: [
      { of: 'compaction', makes: { some: 'often', flat: 'sometimes' }, why: 'Roots stay where the air is.' },
      { of: 'waterlogging', makes: { some: 'sometimes', flat: 'sometimes' }, why: 'Roots end at the water.' },
    ],
    minutes: 1,
  },
  {
    key: 'base.heave',
    station: 'base',
    about: 'paving lifted by roots',
    answers: [
      ['none', 'no paving lifted'],
      ['lifted', 'paving or kerb lifted by its roots'],
    ],
    leak: { lifted: 'seldom' },
    links: [
      {
        of: 'compaction',
        makes: { lifted: 'sometimes' },
        why: 'Roots run in the only air there is, under the slab.',
      },
      {
        of: 'confinedHole',
        makes: { lifted: 'sometimes' },
        why: 'They leave the pit where the slab lets them.',
      },
    ],
    minutes: 1,
  },
  {
    key: 'base.graft',
    station: 'base',
    about: 'where the graft union is',
    answers: [
      ['above', 'the graft union is above ground'],
      ['buried', 'the graft union is in the ground'],
    ],
    leak: { buried: 'seldom' },
    links: [{ of: 'buriedCollar', makes: { buried: 'often' }, why: 'It was above ground when it was made.' }],
    minutes: 1,
  },
];
