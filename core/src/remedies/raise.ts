import { amount } from '../weighing/amounts';
import {
  LIFT_AGAINST,
  LIFT_BARS,
  LIFT_CAUTIONS,
  ballOf,
  exposure,
  liftHours,
  liftQuantities,
} from '../weighing/lift';
import { limit, used, type Situation, type Weighed } from '../weighing/operation';
import type { Quantity } from '../units/quantity';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';
import { slopeQuantities } from '../weighing/slope';
import { plantingSeason } from '../weighing/season';
import { shortMark } from '../units/marks';

/** How high it comes up, and the soil that slopes to it: a straight slope from the ball's edge to nothing. */
function moundOf(s: Situation, ballRadius: number): Quantity[] {
  const proud = limit('moundProud');
  const { collar } = s.profile;
  return [
    amount('ballAboveGrade', proud, 'short length', 'by practice'),
    ...(collar
      ? [
          amount(
            'lift',
            Math.max(0, collar.depth.value) + proud,
            'short length',
            'collar depth + height above grade',
            [
              { name: 'collar depth', value: collar.depth.value, dimension: 'short length' },
              { name: 'above grade', value: proud, dimension: 'short length' },
            ],
            { plusMinus: collar.depth.plusMinus },
          ),
        ]
      : []),
    ...slopeQuantities(ballRadius, proud, { radius: 'moundRadius', soil: 'moundSoil' }),
  ];
}

/** Raised onto a mound where the ground stays wet and cannot be drained. */
function weigh(s: Situation, { advice, why, barred }: Ruled): Weighed {
  const timing = s.school('plantingSeason');
  const ball = ballOf(s);
  const proud = limit('moundProud');
  return {
    key: 'raise',
    title: 'Raise onto a mound',
    advice,
    summary: barred
      ? `Not for this tree: ${why[0]}.`
      : orNothing(
          advice,
          `Lift it until the ball stands ${shortMark(proud)} proud of the ground, and slope soil up to it: its roots come above the water.`,
        ),
    why,
    quantities:
      advice === 'not' || !ball
        ? []
        : [...moundOf(s, ball.diameter / 2), ...liftQuantities(ball), exposure(liftHours(s)), liftHours(s)],
    method: [
      'Take the soil off the flare and every encircling root first.',
      'Loosen the wet ground under it and slope its floor outward, so that no water stands below the ball; nothing glazed.',
      `Set the ball ${shortMark(proud)} proud on firmed soil; slope soil of the site up to its edge one in five, none on its top.`,
      'Mulch over the mound, off the bark. Water once or twice a week in dry spells: moist, not wet; a mound dries from the side.',
      'After a move in leaf shade cloth for a few weeks, taken off step by step.',
    ],
    cautions: LIFT_CAUTIONS,
    acceptance: [
      'Flare above grade all round; a day after filling a hole beside it no water stands at the ball.',
      'The mound holds its slope after the first rain.',
    ],
    schools: [used(s.school('rootBall')), used(timing)],
    season: plantingSeason(s),
    ...(advice !== 'not' && {
      lookAgain: { days: 180, why: 'Whether the mound settled or washed; topped up, push test.' },
    }),
    missing: advice !== 'not' && !ball ? ['stem diameter'] : [],
  };
}

export const raise: Remedy = {
  treats: ['waterlogging', 'oxygenStarved'],
  settles: [],
  do: [],
  option: [
    {
      when: [{ node: 'waterlogging', standing: 'likely' }, { measured: 'youngToLift' }],
      why: 'A young tree is sooner raised than its ground is drained.',
    },
  ],
  bars: [
    { when: [{ planned: 'reset' }], why: 'It is lifted by the reset: set it proud then.' },
    ...LIFT_BARS,
  ],
  against: LIFT_AGAINST,
  first: ['utilities', 'permits'],
  window: 'planting',
  risks: ['The mound dries in summer, or washes off.', 'Roots dry from lift to cover.'],
  followUp: 'Re-tie at 6 months, top up what settled, push test after the stake is out.',
  weigh,
};
