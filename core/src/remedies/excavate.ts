import { amount, crewHours } from '../weighing/amounts';
import { roundMean } from '../geometry';
import type { Profile } from '../profile';
import { longMark, shortMark } from '../units/marks';
import type { Quantity } from '../units/quantity';
import { bowl, belowGrade } from '../weighing/bowl';
import { limit, used, type Situation, type Weighed } from '../weighing/operation';
import { groundFall, outletOf, type Outlet } from '../weighing/drainage';
import type { Remedy } from '../weighing/remedy';
import type { Ruled } from '../weighing/ruled';

type Collar = NonNullable<Profile['collar']>;

export type CollarTool = 'rake' | 'hand' | 'air' | 'water' | 'regrade';

/**
 * The tool by depth of the collar, m, unless the school names one; limits in practice/limits.
 *
 * @param school key of the school of the tool
 */
export function toolFor(depth: number, school = 'byDepth'): CollarTool {
  if (depth <= limit('collarByRake')) return 'rake';
  if (depth <= limit('collarByAir') && (school === 'hand' || school === 'air' || school === 'water'))
    return school;
  if (depth <= limit('collarByHand')) return 'hand';
  return depth <= limit('collarByAir') ? 'air' : 'regrade';
}

const TOOL_WORDS: Record<CollarTool, string> = {
  rake: 'rake',
  hand: 'hand tools',
  air: 'air tool, with a feathered edge',
  water: 'water, with a feathered edge',
  regrade: 'air tool, then a wider regrade or a tree well',
};

/** How fast each of them digs. */
const RATES = {
  rake: 'rakeRate',
  hand: 'handRate',
  air: 'airRate',
  water: 'waterRate',
  regrade: 'airRate',
} as const satisfies Record<CollarTool, string>;

const METHOD: Record<CollarTool, string[]> = {
  rake: ['Rake soil and mulch off the flare all round.'],
  hand: ['Dig by hand from the bark outward, trowel and fingers at the roots.'],
  air: [
    'Wet the ground the day before; work from the bark outward with the air tool.',
    'Feather the edge out so that the bowl does not become a basin.',
  ],
  water: [
    'Low pressure, from the bark outward; the slurry is led or pumped off to where it does no harm.',
    'Feather the edge out so that the bowl does not become a basin.',
  ],
  regrade: [
    'Excavate to the flare with the air tool, then decide on the wider regrade or the tree well before closing.',
  ],
};

const CAUTIONS = [
  'Locate buried utilities before any digging; hand-dig near marks.',
  'Have stability judged by a qualified person before roots are exposed; not in high wind or on saturated ground.',
  'Air tool: eye, face and hearing protection, dust mask against silica, bystanders away, tool grounded, hose tied against whip.',
  'Fence the open excavation.',
  'Check permits for protected trees and the nesting season first. Local codes and licensed practice take precedence over this sheet.',
];

/** What becomes of the water in a bowl. */
const OUTLET_WORDS: Record<Outlet['way'], string> = {
  daylight: 'A drain to lower ground comes to the surface there.',
  none: 'The ground falls no faster than a pipe: no drain comes to the surface. A sump, a wider regrade, or the tree raised.',
  unknown:
    'Measure the fall of the ground: a drain comes to the surface only where it falls faster than the pipe.',
};

/** What holds however deep the collar lies. */
function atAnyDepth(s: Situation, { advice, why }: Ruled): Weighed {
  const bark = s.school('bark');
  return {
    key: 'excavate',
    title: 'Root collar excavation',
    advice,
    summary: '',
    why: advice === 'not' ? [] : why,
    quantities: [],
    method: ['Probe the collar on eight bearings first: its depth decides the tool.', ...toTheEnd(s)],
    cautions: CAUTIONS,
    acceptance: [
      'First structural roots in view all round, no soil or mulch on the flare.',
      'Water poured on the floor drains away from the stem or soaks in within an hour.',
      'Bark left to dry; photographs taken at eight bearings.',
    ],
    schools: [used(s.school('collarTool')), used(bark)],
    season: 'Any frost-free, not waterlogged day; dormant season preferred where many roots will be cut.',
    lookAgain:
      bark.key === 'mulch'
        ? { days: 30, why: 'Draw the thin mulch aside: inspect the bark that was buried.' }
        : { days: 14, why: 'Buried bark has dried: inspect it again, and what was hidden.' },
    missing: [],
  };
}

/** What is done with roots and bark whatever the tool. */
function toTheEnd(s: Situation): string[] {
  const bark = s.school('bark');
  return [
    'Follow each root from the stem outward; keep exposed roots moist and shaded.',
    bark.key === 'mulch' ? 'Thin mulch at once, none touching the bark.' : `Bark: ${bark.label}.`,
  ];
}

/** The bowl that is dug, with its floor below grade, m, and how sure its volume is, m3. */
function bowlOf({ byBearing, depth }: Collar, stemRadius: number) {
  const dug = (deeper: number) =>
    bowl(
      byBearing.map((d) => (deeper === 0 ? d : { ...d, value: d.value + deeper })),
      stemRadius,
      limit('workingRoom'),
      limit('featherRun'),
    );
  const spread = depth.plusMinus;
  return {
    shape: dug(0),
    floor: roundMean(byBearing.map(belowGrade)),
    spread,
    volumeSpread: spread === undefined ? undefined : (dug(spread).volume - dug(-spread).volume) / 2,
  };
}

/** What the bowl comes to: how deep and wide, how much soil, how long, and the drain where it has one. */
function amountsOf(
  { byBearing, depth }: Collar,
  { shape, floor, spread, volumeSpread }: ReturnType<typeof bowlOf>,
  stemRadius: number,
  tool: CollarTool,
  drain: { length: number; fall: number } | undefined,
): Quantity[] {
  const partlyAbove = byBearing.some((d) => d.value < 0);
  const rate = limit(RATES[tool]);
  const rateInput = { name: 'rate, m³ an hour', value: rate, dimension: 'ratio' as const };
  return [
    amount(
      'floorBelowGrade',
      floor,
      'short length',
      'collar depth: the flare stands flush on its undisturbed base',
      [{ name: 'collar depth', value: depth.value, dimension: 'short length' }],
      {
        plusMinus: spread,
        notes: partlyAbove ? ['Where the roots stand above grade the floor counts as level with it.'] : [],
      },
    ),
    amount('bowlRadius', shape.outerRadius, 'long length', 'stem radius + working room + run × depth', [
      { name: 'stem radius', value: stemRadius, dimension: 'short length' },
      { name: 'working room', value: limit('workingRoom'), dimension: 'short length' },
      { name: 'run for each unit of depth', value: limit('featherRun'), dimension: 'ratio' },
    ]),
    amount(
      'soilToTakeOut',
      shape.volume,
      'volume',
      'volume of the bowl, depth integrated over radius and bearing',
      [
        { name: 'floor below grade', value: floor, dimension: 'short length' },
        { name: 'bowl radius', value: shape.outerRadius, dimension: 'long length' },
      ],
      { plusMinus: volumeSpread },
    ),
    amount('spoilHeap', shape.volume * limit('soilSwell'), 'volume', 'soil × swell', [
      { name: 'swell', value: limit('soilSwell'), dimension: 'ratio' },
    ]),
    crewHours(limit('setUpHours') + shape.volume / rate, 'set-up + soil / rate of the tool', [
      { name: 'set-up', value: limit('setUpHours'), dimension: 'hours' },
      rateInput,
    ]),
    ...(tool === 'air' || tool === 'regrade'
      ? [amount('airTool', shape.volume / rate, 'hours', 'soil / rate of the tool', [rateInput])]
      : []),
    ...(drain
      ? [
          amount(
            'drainToDaylight',
            drain.length,
            'long length',
            'floor below grade / (fall of the ground - fall of the pipe)',
            [
              { name: 'floor below grade', value: floor, dimension: 'short length' },
              { name: 'fall of the ground', value: drain.fall, dimension: 'ratio' },
              { name: 'fall of the pipe', value: limit('drainFall'), dimension: 'ratio' },
            ],
          ),
        ]
      : []),
  ];
}

/** Root collar excavation: quantities of the bowl, tool by depth, basin warning. */
function weigh(s: Situation, ruled: Ruled): Weighed {
  const { collar, stemRadius } = s.profile;
  const { collarDeep } = s.verdict.facts;
  const base = atAnyDepth(s, ruled);
  const whyOr = (other: string) => (base.why.length > 0 ? base.why : [other]);
  if (!collar || stemRadius === undefined) {
    return {
      ...base,
      summary: base.advice === 'not' ? 'Nothing calls for it.' : 'Depth not probed: probe before pricing.',
      why: whyOr('Nothing seen that calls for digging.'),
      missing: [...(collar ? [] : ['probe points']), ...(stemRadius === undefined ? ['stem diameter'] : [])],
    };
  }
  const deepest = collar.deepest.value;
  if (deepest <= 0)
    return {
      ...base,
      summary: 'The first roots stand above grade all round; there is nothing to dig away.',
      why: whyOr(collarDeep.text),
    };
  const tool = toolFor(deepest, s.school('collarTool').key);
  const dug = bowlOf(collar, stemRadius);
  const { shape, floor } = dug;
  const basin = floor > limit('basinDepth');
  const fall = groundFall(s.visit);
  const outlet = outletOf(floor, fall);
  const drain = basin && outlet.way === 'daylight' ? { length: outlet.length, fall: fall! } : undefined;
  return {
    ...base,
    quantities: amountsOf(collar, dug, stemRadius, tool, drain),
    method: [...METHOD[tool], ...toTheEnd(s)],
    cautions: basin
      ? [
          `Basin: the floor ends ${shortMark(floor)} below grade and will hold water where the soil does not take it. Feather it out. ${OUTLET_WORDS[outlet.way]}`,
          ...base.cautions,
        ]
      : base.cautions,
    summary:
      base.advice === 'not'
        ? collarDeep.state === 'unexamined'
          ? 'Too uncertain to call for digging: probe more bearings.'
          : `No digging: ${collarDeep.text}.`
        : `Dig a bowl of ${longMark(shape.outerRadius)} radius round the stem, its floor ${shortMark(floor)} below grade, by ${TOOL_WORDS[tool]}.`,
    why: whyOr(collarDeep.text),
  };
}

export const excavate: Remedy = {
  treats: ['plantedDeep', 'gradeRaised', 'mulchCone', 'buriedCollar', 'oxygenStarved'],
  settles: ['containerRoots', 'girdlingRoots', 'basalDecay'],
  do: [
    {
      when: [{ fact: 'collarDeep', is: 'yes' }],
      why: 'Bark under soil stays wet, and roots below it want for air.',
    },
    {
      when: [
        { fact: 'fillPresent', is: 'yes' },
        { fact: 'collarDeep', isNot: 'no' },
      ],
      why: 'Soil that was added buries what stood in the open.',
    },
  ],
  option: [
    {
      when: [
        { fact: 'flareHidden', is: 'yes' },
        { fact: 'collarDeep', isNot: 'no' },
      ],
      why: 'A stem that goes into the ground like a post is buried on that side.',
    },
    {
      when: [
        { fact: 'girdlingSeen', is: 'yes' },
        { fact: 'collarDeep', isNot: 'no' },
      ],
      why: 'What girdles above ground goes on below it.',
    },
    {
      when: [
        { fact: 'barkSoft', is: 'yes' },
        { fact: 'collarDeep', isNot: 'no' },
      ],
      why: 'Decay at the base is worse below ground than the skin shows.',
    },
  ],
  against: [
    {
      when: [{ fact: 'rocks', is: 'yes' }],
      why: 'A base that rocks may fall once the soil that holds it is out: stability first.',
    },
  ],
  first: ['utilities', 'stability', 'permits'],
  risks: ['A bowl that does not drain is a basin.', 'Roots bared in heat or frost die.'],
  followUp: 'Inspect the dried bark within weeks.',
  weigh,
};
