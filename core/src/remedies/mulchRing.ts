import { crownReach } from '../crown';
import type { Quantity, Working } from '../units/quantity';
import { longMark, shortMark } from '../units/marks';
import { amount, crewHours } from '../weighing/amounts';
import { limit, schoolNote, schoolValue, used, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';
import { answerTo } from '../questions/question';
import { ringVolume } from './mulch';

/**
 * How far out the ring goes: to the drip line where there is room, never less than what keeps a mower off.
 *
 * @returns m from the centre of the stem, and what decided
 */
function ringOf({ tree }: Situation): { radius: number; notes: string[] } {
  const [least, usual] = [limit('mulchRingLeast'), limit('mulchRingUsual')];
  const { mulchRoom: room } = tree;
  const reach = crownReach(tree);
  if (room !== undefined)
    return {
      radius: Math.min(room, Math.max(least, reach ?? usual)),
      notes:
        room < least
          ? ['The room there is.']
          : [reach === undefined ? 'Crown not measured.' : 'To the drip line, within the room there is.'],
    };
  return {
    radius: Math.max(least, Math.min(usual, reach ?? usual)),
    notes: ['Room not measured: out to the drip line where there is room.'],
  };
}

/** What has to be laid, and what comes off first. */
function quantitiesOf(s: Situation, depth: number, inner: number, school: Working['school']): Quantity[] {
  const { radius, notes } = ringOf(s);
  const cover = answerTo(s.visit.findings, 'mulch.ground')?.answer;
  const stemRadius = s.profile.stemRadius!;
  const mulch = s.profile.mulch;
  // What is dyed or not composted comes off: it counts for nothing.
  const material = answerTo(s.visit.findings, 'mulch.material')?.answer;
  const fit = material !== 'dyed' && material !== 'fresh';
  const lies = mulch && fit ? Math.min(mulch.volume.value, ringVolume(radius, depth, inner)) : 0;
  const volume = ringVolume(radius, depth, inner) - lies;
  const area = Math.PI * (radius ** 2 - stemRadius ** 2);
  const turf = cover === 'grass' ? area : 0;
  const stone = cover === 'stone' ? area * limit('stoneDepth') : 0;
  const scarred = ['some', 'many'].includes(answerTo(s.visit.findings, 'mulch.scalped')?.answer ?? '');
  const soil = scarred && s.school('scalpedRoots').key === 'soil' ? area * limit('soilOverRoots') : 0;
  const of = [
    { name: 'R, ring radius', value: radius, dimension: 'long length' as const },
    {
      key: 'targetDepth' as const,
      name: 't, target depth',
      value: depth,
      dimension: 'short length' as const,
    },
    { name: 'r + c, stem radius and clearance', value: inner, dimension: 'short length' as const },
  ];
  const off = turf * limit('turfDepth') + stone;
  return [
    amount('newRingRadius', radius, 'long length', 'drip line, within the room there is', [], { notes }),
    amount(
      'mulchMissing',
      volume,
      'volume',
      `pi × t × (R² - (r + c)²)${lies > 0 ? ' less what lies there' : ''}`,
      of,
      {
        school,
      },
    ),
    amount('bagsToBring', Math.ceil(volume / limit('bagVolume')), 'count', 'volume / bag, rounded up', [
      { name: 'bag', value: limit('bagVolume'), dimension: 'volume' },
    ]),
    ...(turf > 0
      ? [
          amount('turfOff', turf, 'area', 'pi × (R² - r²)', of),
          amount('turfToTakeAway', turf * limit('turfDepth'), 'volume', 'area × thickness of a spade slice', [
            { name: 'thickness', value: limit('turfDepth'), dimension: 'short length' },
          ]),
        ]
      : []),
    ...(soil > 0
      ? [
          amount('soilToBring', soil, 'volume', 'area × depth over scarred roots', [
            { name: 'depth', value: limit('soilOverRoots'), dimension: 'short length' },
          ]),
        ]
      : []),
    ...(stone > 0
      ? [
          amount('stoneToTakeAway', stone, 'volume', 'area × usual depth of stone', [
            { name: 'depth', value: limit('stoneDepth'), dimension: 'short length' },
          ]),
        ]
      : []),
    crewHours(
      turf * limit('turfHours') + (off + volume) / limit('rakeRate'),
      'turf × hours for each m² + what is moved / rate by rake and barrow',
      [
        { name: 'turf', value: turf, dimension: 'area' },
        { name: 'hours for each m²', value: limit('turfHours'), dimension: 'ratio' },
        { name: 'moved', value: off + volume, dimension: 'volume' },
        { name: 'rate, m³ an hour', value: limit('rakeRate'), dimension: 'ratio' },
      ],
    ),
  ];
}

/** A ring of chips where there is none, or where what lies there is spent, stone or unfit: the cheapest remedy of all. */
function weigh(s: Situation, { advice, why }: Ruled): Weighed {
  const school = s.school('mulchDepth');
  const season = s.school('mulchSeason');
  const scalped = s.school('scalpedRoots');
  const depth = schoolValue(school, 'depth');
  const clearance = schoolValue(school, 'clearance');
  const { stemRadius } = s.profile;
  const cover = answerTo(s.visit.findings, 'mulch.ground')?.answer;
  const scars = answerTo(s.visit.findings, 'mulch.scalped')?.answer;
  const scarred = scars !== undefined && scars !== 'none';
  const wanted = advice !== 'not';
  // Room that ends within the clearance leaves no ground to lay a ring on.
  const room = s.tree.mulchRoom;
  const roomless = room !== undefined && stemRadius !== undefined && room <= stemRadius + clearance;
  const quantities =
    wanted && stemRadius !== undefined && !roomless
      ? quantitiesOf(s, depth, stemRadius + clearance, schoolNote(school))
      : [];
  const radius = quantities.find((q) => q.key === 'newRingRadius')?.value;
  return {
    key: 'mulchRing',
    title: 'Mulch ring',
    advice,
    summary: orNothing(
      advice,
      `${cover === 'grass' ? 'Turf off by hand, then composted' : cover === 'stone' ? 'Stone off, then composted' : 'Composted'} chips ${shortMark(depth)} deep, ${shortMark(clearance)} clear of the bark${radius === undefined ? ', out to the drip line where there is room' : `, out to ${longMark(radius)} from the centre of the stem`}.`,
    ),
    why,
    quantities,
    method: [
      ...(cover === 'stone'
        ? ['Lift stone and any cloth under it by hand; the collar is examined before it is covered.']
        : []),
      ...(cover === 'stone'
        ? []
        : ['Take turf off by hand in a thin spade slice; no root of the tree is cut.']),
      ...(scarred
        ? [
            scalped.key === 'soil'
              ? `Scarred surface roots: no more than ${shortMark(limit('soilOverRoots'))} of soil over them, then chips.`
              : 'Scarred surface roots: chips over them, never soil.',
          ]
        : []),
      'Composted chips of mixed size; no dyed or rubber mulch, no fresh grass clippings, no cloth under them.',
      'Spread evenly with a rake, low at the stem; the bark and the flare stay in view.',
    ],
    cautions: [
      'Look for cables of lamps and sprinklers in the turf before the spade goes in.',
      'Tell whoever mulches this property, in writing: a flat ring, never a cone.',
    ],
    acceptance: [
      `No mulch within ${shortMark(clearance)} of the bark on any side.`,
      `Depth ${shortMark(depth)}, nowhere over ${shortMark(0.075)}, at three points checked with a rod.`,
      'Edge cut clean; a mower passes without touching the stem.',
    ],
    schools: [used(school), used(season), ...(scarred ? [used(scalped)] : [])],
    season: `Laid in ${season.label}; turf off whenever the ground is not frozen.`,
    ...(wanted && {
      lookAgain: { days: 365, why: 'Depth of the ring: topped up below 3 cm, never higher at the stem.' },
    }),
    missing: [
      ...(wanted && stemRadius === undefined ? ['stem diameter'] : []),
      ...(wanted && roomless ? ['room for the ring, beyond what is kept clear of the bark'] : []),
    ],
  };
}

export const mulchRing: Remedy = {
  treats: ['stemInjury', 'transplantShock'],
  settles: [],
  do: [
    {
      when: [{ measured: 'grassToStem' }],
      why: 'Grass takes water and nutrients first, and brings the mower with it.',
    },
    { when: [{ measured: 'rootsScalped' }], why: 'A ring keeps the mower off the roots permanently.' },
    {
      when: [{ measured: 'stoneAtStem' }],
      why: 'Stone heats the soil, adds nothing to it and hides the collar.',
    },
  ],
  option: [
    {
      when: [{ node: 'transplantShock', standing: 'possible' }, { measured: 'noMulchThere' }],
      why: 'The few roots have the water to themselves, and it lasts longer.',
    },
    { when: [{ measured: 'bareToStem' }], why: 'Bare soil crusts over, dries and washes away.' },
    { when: [{ measured: 'mulchSpent' }], why: 'Spent mulch no longer keeps water in or grass out.' },
    {
      when: [{ finding: 'mulch.material', among: ['dyed', 'fresh'] }],
      why: 'Chips that have composted feed the soil; fresh clippings heat and mat, dyed and rubber give nothing.',
    },
    {
      when: [
        { planned: 'excavate' },
        { measured: 'noMulchThere' },
        { matter: 'bark', school: 'dryThenMulch' },
      ],
      why: 'Once the bark has dried the opened ground is covered thinly, off the bark.',
    },
    {
      when: [{ planned: 'excavate' }, { measured: 'noMulchThere' }, { matter: 'bark', school: 'mulch' }],
      why: 'The opened ground is covered thinly at once, off the bark.',
    },
  ],
  bars: [
    {
      when: [{ node: 'waterlogging', standing: 'likely' }],
      why: 'Over wet ground mulch keeps the water in: drain first.',
    },
  ],
  against: [],
  first: [],
  risks: ['The next crew heaps it against the stem.'],
  followUp: 'Look after the maintenance crew’s spring round; top up what is spent.',
  weigh,
};
