import { amount } from '../weighing/amounts';
import {
  BALL_METHOD,
  LIFT_AGAINST,
  LIFT_BARS,
  LIFT_CAUTIONS,
  SET_RIGHT,
  ballOf,
  exposure,
  liftHours,
  liftQuantities,
  shavedOff,
} from '../weighing/lift';
import { limit, schoolValue, used, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';
import { plantingSeason } from '../weighing/season';

/** A third of the ball is the most that may go. Common practice, no source. */
const MOST_SHAVED = 1 / 3;

/** A young tree whose roots still go round in the shape of the pot: lifted out, its roots opened by hand, set again. */
function weigh(s: Situation, { advice, why, barred }: Ruled): Weighed {
  const school = s.school('rootBall');
  const timing = s.school('plantingSeason');
  const ball = ballOf(s);
  const shave = Math.max(limit('shave'), schoolValue(school, 'shaved'));
  const shaved = ball ? shavedOff(ball, shave, s) : [];
  const tooMuch = (shaved[0]?.value ?? 0) > MOST_SHAVED;
  return {
    key: 'openBall',
    title: 'Open the root ball',
    advice,
    summary: barred
      ? `Not for this tree: ${why[0]}.`
      : orNothing(
          advice,
          'Lift it out, unwind and straighten what bends, cut what does not, shave the rest, and set it again at the same height. It may be beyond help: say so, try, look again.',
        ),
    why,
    quantities:
      advice === 'not' || !ball
        ? []
        : [
            amount('ballDiameter', ball.diameter, 'long length', ball.from),
            ...liftQuantities(ball),
            ...shaved,
            exposure(liftHours(s)),
            liftHours(s),
          ],
    method: [
      ...(tooMuch
        ? [
            'The ball is so small that a shave takes more than a third of it: unwind and slice, and shave nothing.',
          ]
        : []),
      ...BALL_METHOD,
      'Set it in a wide hole on a firm base, roots spread outward; firmed by hand, watered in, topped up, mulched.',
      'A stake for two seasons at most.',
    ],
    cautions: LIFT_CAUTIONS,
    acceptance: [
      'No root left that goes round; roots point outward, cuts clean.',
      `${SET_RIGHT}; no air pockets.`,
    ],
    schools: [used(school), used(timing)],
    season: plantingSeason(s),
    ...(advice !== 'not' && {
      lookAgain: { days: 365, why: 'Whether it grows; push test. If it stands still, replace it.' },
    }),
    missing: advice !== 'not' && !ball ? ['stem diameter'] : [],
  };
}

export const openBall: Remedy = {
  treats: ['containerRoots', 'confinedRoots'],
  settles: [],
  do: [],
  option: [
    {
      when: [{ node: 'containerRoots', standing: 'likely' }, { measured: 'youngToLift' }],
      why: 'What still bends can be straightened; in a few years it only can be cut.',
    },
    {
      when: [{ finding: 'base.push', among: ['lifts'] }, { measured: 'youngToLift' }],
      why: 'It comes out as it went in: nothing left the ball.',
    },
  ],
  bars: [{ when: [{ planned: 'reset' }], why: 'The reset opens the ball as well.' }, ...LIFT_BARS],
  against: [
    {
      when: [{ planned: 'raise' }],
      why: 'It is lifted for the mound as well: do both at once, and count the lift once.',
    },
    ...LIFT_AGAINST,
  ],
  first: ['utilities', 'permits'],
  window: 'planting',
  risks: ['Roots dry from lift to cover.', 'More is cut than the tree can spare.'],
  followUp: 'Water for two seasons, stake out after two at most, push test.',
  weigh,
};
