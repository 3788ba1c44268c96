import { amount } from '../weighing/amounts';
import {
  LIFT_AGAINST,
  LIFT_BARS,
  LIFT_CAUTIONS,
  SET_RIGHT,
  ballOf,
  exposure,
  liftHours,
  holeQuantities,
  liftQuantities,
  shavedOff,
  type Ball,
} from '../weighing/lift';
import { shortMark } from '../units/marks';
import {
  used,
  schoolNote,
  schoolValue,
  yearsInGround,
  type Situation,
  type Weighed,
} from '../weighing/operation';
import type { SchoolInForce } from '../practice';
import type { Quantity } from '../units/quantity';
import type { Remedy } from '../weighing/remedy';
import type { Ruled } from '../weighing/ruled';
import { plantingSeason } from '../weighing/season';
import { wateringQuantity } from '../weighing/watering';

/** Compost blended into the fill of its hole, where the school says so. */
function compostFor(ball: Ball, compost: number, times: number, backfill: SchoolInForce): Quantity[] {
  if (compost <= 0) return [];
  const filled = (Math.PI / 4) * ball.diameter ** 2 * (times ** 2 - 1) * ball.depth;
  return [
    amount(
      'compost',
      compost * filled,
      'volume',
      'share × pi / 4 × (hole² - ball²) × depth of the ball',
      [
        { name: 'share', value: compost, dimension: 'share' },
        { name: 'filled', value: filled, dimension: 'volume' },
      ],
      { school: schoolNote(backfill) },
    ),
  ];
}

/** How far the tree is lifted, m, and from what: the flare, or the soil of the container where a school goes by it. */
function liftOf(s: Situation) {
  const { collar, fill } = s.profile;
  const reference = s.school('plantingReference');
  // By the container soil level only what was laid over it since is undone.
  const byFlare = reference.key === 'flare';
  const below = byFlare ? collar?.depth.value : (fill?.atStem.value ?? 0);
  const proud = schoolValue(s.school('flareHeight'), 'above');
  return {
    byFlare,
    reference,
    proud,
    below,
    lift: collar && below !== undefined ? below + proud : undefined,
  };
}

/** What lifting a ball and setting it again comes to. */
function amountsOf(s: Situation, lifted: Ball, stem: number): Quantity[] {
  const { byFlare, reference, proud, below, lift } = liftOf(s);
  if (lift === undefined) return [];
  const backfill = s.school('backfill');
  const hours = liftHours(s);
  return [
    amount(
      'lift',
      lift,
      'short length',
      byFlare ? 'collar depth + height of the flare above grade' : 'soil added since + height above grade',
      [
        {
          name: byFlare ? 'collar depth' : 'soil added since',
          value: below!,
          dimension: 'short length',
        },
        { name: 'above grade', value: proud, dimension: 'short length' },
      ],
      { school: schoolNote(reference), plusMinus: s.profile.collar?.depth.plusMinus },
    ),
    ...holeQuantities(lifted, s),
    ...liftQuantities(lifted),
    ...shavedOff(lifted, schoolValue(s.school('rootBall'), 'shaved'), s),
    ...compostFor(
      lifted,
      schoolValue(backfill, 'compost'),
      schoolValue(s.school('holeWidth'), 'times'),
      backfill,
    ),
    wateringQuantity(stem, s.school('watering'), s.school('wateringYears')),
    exposure(hours),
    hours,
  ];
}

/** How it is done, by the schools in force. */
const methodOf = (s: Situation): string[] => [
  `${s.species?.foliage === 'evergreen' ? 'Evergreens keep their leaves: work on a dull, damp day and shade the crown for some weeks.' : 'Not in leaf.'} Take soil off the flare and remove every encircling root first.`,
  `Lift with the air tool; root ball: ${s.school('rootBall').label}. About 4 m³/min (150 cfm) at the nozzle do for a small tree, and keep up to 95% of its roots. Keep roots wet and shaded from lift to cover.`,
  'Wide hole, sides roughened, base firm, never glazed; flare checked with a straight stick across the hole.',
  `Backfill: ${s.school('backfill').label}, in crumbs, firmed by hand or toe, not stamped; watered in, topped up, mulched, watered again.`,
  `Stake: ${s.school('staking').label}. Nursery stake, ties, tape, twine and wire come off.`,
];

/** The matters it is done by, in the order they are told. */
const MATTERS = [
  'plantingReference',
  'flareHeight',
  'holeWidth',
  'rootBall',
  'backfill',
  'staking',
  'plantingSeason',
  'watering',
  'wateringYears',
] as const;

/** Lift and reset at the right height, where age, size and findings allow. */
function weigh(s: Situation, { advice, why, barred }: Ruled): Weighed {
  const stem = s.tree.stemDiameter ?? s.tree.dbh;
  const unknown = [
    ...(yearsInGround(s) === undefined ? ['year planted'] : []),
    ...(stem === undefined ? ['stem diameter'] : []),
    ...(s.verdict.facts.collarDeep.state === 'unexamined' ? ['probe points'] : []),
  ];
  const possible = advice === 'option' && unknown.length === 0;
  const { byFlare, proud, lift } = liftOf(s);
  const lifted = ballOf(s);
  return {
    key: 'reset',
    title: 'Lift and reset',
    advice: possible ? advice : 'not',
    summary: possible
      ? `Lift by ${shortMark(lift ?? 0)} so that ${byFlare ? 'the flare' : 'the soil of the container'} stands ${proud > 0 ? `${shortMark(proud)} above grade` : 'flush with grade'}.`
      : barred
        ? `Not for this tree: ${why[0]}.`
        : unknown.length > 0
          ? `Cannot be judged: ${unknown.join(', ')} missing.`
          : 'Nothing calls for it.',
    why: possible || barred ? why : ['It cannot be judged yet, or nothing calls for it.'],
    quantities: possible && lifted ? amountsOf(s, lifted, stem!) : [],
    method: methodOf(s),
    cautions: LIFT_CAUTIONS,
    acceptance: [
      `${SET_RIGHT}, stem upright.`,
      'No air pockets: water stands nowhere and the ball does not move by hand.',
    ],
    schools: MATTERS.map((matter) => used(s.school(matter))),
    season: plantingSeason(s),
    lookAgain: { days: 180, why: 'Re-tie the stake, see whether it settled, push test.' },
    missing: unknown,
  };
}

export const reset: Remedy = {
  treats: [
    'plantedDeep',
    'gradeRaised',
    'mulchCone',
    'containerRoots',
    'confinedHole',
    'barrier',
    'buriedCollar',
    'confinedRoots',
  ],
  settles: [],
  do: [],
  option: [
    {
      when: [
        { node: 'confinedRoots', standing: 'likely' },
        { fact: 'collarDeep', is: 'yes' },
        { measured: 'youngToLift' },
      ],
      why: 'In the hand its roots are opened as well.',
    },
    {
      when: [{ fact: 'collarDeep', is: 'yes' }, { measured: 'youngToLift' }],
      why: 'Lifted now it stands at the right height for good.',
    },
    {
      when: [{ fact: 'plantedDeep', is: 'yes' }, { measured: 'youngToLift' }],
      why: 'Lifted now it stands at the right height for good.',
    },
  ],
  bars: [
    { when: [{ fact: 'collarDeep', is: 'no' }], why: 'There is nothing to lift it out of.' },
    ...LIFT_BARS,
  ],
  against: LIFT_AGAINST,
  first: ['utilities', 'permits'],
  window: 'planting',
  risks: ['Roots dry from lift to cover.', 'The ball sinks on a soft base.'],
  followUp: 'Re-tie at 6 months, push test after the stake is out.',
  weigh,
};
