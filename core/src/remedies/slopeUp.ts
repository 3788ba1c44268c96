import { amount, crewHours } from '../weighing/amounts';
import { ballOf } from '../weighing/lift';
import { limit, type Situation, type Weighed } from '../weighing/operation';
import { slopeQuantities } from '../weighing/slope';
import { shortMark } from '../units/marks';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';

/** A tree planted too high: soil sloped up to its bare ball, none on the flare. */
function weigh(s: Situation, { advice, why, barred }: Ruled): Weighed {
  const height = Math.max(0, -(s.profile.collar?.depth.value ?? 0));
  const ball = ballOf(s);
  const slope =
    ball && height > 0
      ? slopeQuantities(ball.diameter / 2, height, { radius: 'slopeRadius', soil: 'soilToBring' })
      : [];
  const soil = slope.find((q) => q.key === 'soilToBring')?.value ?? 0;
  return {
    key: 'slopeUp',
    title: 'Slope soil up to the ball',
    advice,
    summary: barred
      ? `Not for this tree: ${why[0]}.`
      : orNothing(
          advice,
          `Its first roots stand ${shortMark(height)} above grade and dry out: slope soil up to the edge of the ball, none on the flare, and mulch the slope.`,
        ),
    why,
    quantities:
      advice === 'not' || slope.length === 0
        ? []
        : [
            amount('ballAboveGrade', height, 'short length', 'first roots above grade', []),
            ...slope,
            crewHours(soil / limit('rakeRate'), 'soil ÷ m³ spread in an hour', [
              { name: 'soil', value: soil, dimension: 'volume' },
              { name: 'm³ in an hour', value: limit('rakeRate'), dimension: 'ratio' },
            ]),
          ],
    method: [
      'Loosen the ground round the ball with a fork, so that the new soil takes hold of the old.',
      'Soil of the site, sloped up to the edge of the ball one in five; firmed by foot, not stamped. None on the flare, none on the bark.',
      'Mulch over the slope, off the bark; water while roots grow out: a ball that stands high dries from the side.',
      'A tree planted within the last year is sooner lifted and set lower.',
    ],
    cautions: ['Locate buried utilities before any digging.'],
    acceptance: ['No side of the ball is bare, and the flare is in view all round.'],
    schools: [],
    season: 'Any day that is neither frozen nor waterlogged; before summer.',
    ...(advice !== 'not' && {
      lookAgain: {
        days: 365,
        why: 'Whether the slope settled or washed; topped up to the ball, never higher.',
      },
    }),
    missing: advice !== 'not' && !ball ? ['stem diameter'] : [],
  };
}

export const slopeUp: Remedy = {
  treats: [],
  settles: [],
  do: [
    {
      when: [{ measured: 'standsHigh' }, { measured: 'youngToLift' }],
      why: 'Planted too high: the side of its ball dries, and mowers cut its roots.',
    },
  ],
  option: [
    {
      when: [{ measured: 'standsHigh' }],
      why: 'Planted too high, or washed bare since: what is bare dries and is mown.',
    },
  ],
  bars: [
    { when: [{ planned: 'raise' }], why: 'It is raised onto a mound, which has its own slope.' },
    { when: [{ planned: 'reset' }], why: 'It is set at the right height by the reset.' },
  ],
  against: [
    {
      when: [{ node: 'basalDecay', standing: 'likely' }],
      why: 'Soil over a base that may decay hides it: have it checked first.',
    },
  ],
  first: ['utilities'],
  risks: ['Soil is heaped over the flare, and the next burial begins.'],
  followUp: 'Topped up where it settles; the flare stays in view.',
  weigh,
};
