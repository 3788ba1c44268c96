import { amount, crewHours } from '../weighing/amounts';
import { groundFall, outletOf, type Outlet } from '../weighing/drainage';
import type { Quantity } from '../units/quantity';
import { fineMark, longMark } from '../units/marks';
import { limit, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';

/** What a pipe to lower ground comes to, or a sump where none comes to the surface. */
function quantitiesOf(depth: number, fall: number | undefined, outlet: Outlet): Quantity[] {
  if (outlet.way === 'none')
    return [
      amount('sumps', 1, 'count', 'one at the lowest place'),
      amount('stoneForSump', limit('sumpVolume'), 'volume', 'by practice'),
      crewHours(limit('sumpHours')),
    ];
  const length = outlet.way === 'daylight' ? outlet.length : limit('drainUsual');
  return [
    outlet.way === 'daylight'
      ? amount('drain', length, 'long length', 'depth / (fall of the ground - fall of the pipe)', [
          { name: 'depth', value: depth, dimension: 'short length' },
          { name: 'fall of the ground', value: fall!, dimension: 'ratio' },
          { name: 'fall of the pipe', value: limit('drainFall'), dimension: 'ratio' },
        ])
      : amount('drain', length, 'long length', 'by practice', [], {
          notes: [
            'The fall of the ground was not measured: find with a level whether a pipe comes to the surface.',
          ],
        }),
    crewHours(length * limit('drainHours'), 'length × hours a metre', [
      { name: 'length', value: length, dimension: 'long length' },
      { name: 'hours a metre', value: limit('drainHours'), dimension: 'ratio' },
    ]),
  ];
}

const SUMMARY = {
  daylight: (length: number) =>
    `A drain of ${longMark(length)} to lower ground, with a fall of 2%, between the anchors.`,
  none: () =>
    'The ground falls no faster than a pipe, so no drain comes to the surface: a sump, a wider regrade, or the tree raised.',
  unknown: () =>
    'A drain to lower ground, if a level finds any: it comes to the surface only where the ground falls faster than 2%.',
};

/** Water led away: to lower ground from the floor of the excavation or out of wet ground, or into a sump. */
function weigh(s: Situation, { advice, why }: Ruled, operations: readonly Weighed[]): Weighed {
  const floor = operations
    .find((o) => o.key === 'excavate' && o.advice !== 'not')
    ?.quantities.find((q) => q.key === 'floorBelowGrade')?.value;
  const depth = floor !== undefined && floor > limit('basinDepth') ? floor : limit('drainDepth');
  const fall = groundFall(s.visit);
  const outlet = outletOf(depth, fall);
  return {
    key: 'drain',
    title: outlet.way === 'none' ? 'Sump, regrade or raise' : 'Drain',
    advice,
    summary: orNothing(
      advice,
      outlet.way === 'daylight' ? SUMMARY.daylight(outlet.length) : SUMMARY[outlet.way](),
    ),
    why,
    quantities: advice === 'not' ? [] : quantitiesOf(depth, fall, outlet),
    method: [
      ...(outlet.way === 'none'
        ? [
            'A shaft at the lowest place, below the floor and outside the anchors, filled with washed stone under cloth.',
            'Where the hole beside it still holds water the next day a sump fills as well: regrade wider, or raise the tree.',
          ]
        : [
            'Find with a level where lower ground begins; keep the fall even.',
            'Washed stone round the pipe, cloth over it, soil back; the outlet stays open and is shown on the plan.',
          ]),
      `Dig by hand or with air between the roots; none from ${fineMark(0.025)} on is cut.`,
    ],
    cautions: ['Locate buried utilities before any digging.', 'Open trenches are fenced.'],
    acceptance: [
      outlet.way === 'none'
        ? 'A bucket poured at the stem is gone the next day; the floor is dry the day after rain.'
        : 'A bucket poured at the stem runs from the outlet; the floor is dry the day after rain.',
    ],
    schools: [],
    season: 'When the ground carries a barrow.',
    missing: advice === 'not' || outlet.way !== 'unknown' ? [] : ['fall of the ground'],
  };
}

export const drain: Remedy = {
  treats: ['waterlogging', 'oxygenStarved'],
  settles: [],
  do: [
    {
      when: [{ node: 'waterlogging', standing: 'likely' }],
      why: 'Water has to leave before roots can breathe.',
    },
    {
      when: [{ measured: 'basinPlanned' }, { measured: 'waterStands' }],
      why: 'The bowl ends below grade in ground that holds water.',
    },
  ],
  option: [
    { when: [{ node: 'waterlogging', standing: 'possible' }], why: 'Test the hole for a day first.' },
    { when: [{ measured: 'basinPlanned' }], why: 'The bowl ends below grade.' },
  ],
  against: [],
  first: ['utilities'],
  risks: [
    'A drain cut through anchor roots costs the tree its anchorage.',
    'Without fall it only moves the water.',
  ],
  followUp: 'Look the day after heavy rain.',
  weigh,
};
