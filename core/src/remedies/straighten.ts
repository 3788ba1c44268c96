import { amount, crewHours } from '../weighing/amounts';
import { LIFT_CAUTIONS, ballOf, exposure } from '../weighing/lift';
import { limit, used, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';
import { plantingSeason } from '../weighing/season';

/** A young tree whose stem or roots sweep to one side: freed on that side, turned upright, staked, and looked at in a year. */
function weigh(s: Situation, { advice, why, barred }: Ruled): Weighed {
  const timing = s.school('plantingSeason');
  const hours = crewHours(limit('straightenHours'));
  const ball = ballOf(s);
  return {
    key: 'straighten',
    title: 'Correct the sweep',
    advice,
    summary: barred
      ? `Not for this tree: ${why[0]}.`
      : orNothing(
          advice,
          'Free the roots on the side it is to turn away from, turn the stem upright, firm, stake, and look again in a year.',
        ),
    why,
    quantities:
      advice === 'not'
        ? []
        : [
            ...(ball ? [amount('ballDiameter', ball.diameter, 'long length', ball.from)] : []),
            exposure(hours),
            hours,
          ],
    method: [
      'Water the day before. Mark the side the stem is to turn to, and the flare.',
      'Dig by hand or with air on the side it turns away from, from the ball outward, until the ball moves; roots that sweep round are straightened or cut clean.',
      'Turn ball and stem together, never the stem alone: what bends above the roots springs back.',
      'Firm soil under the lifted side, no air pockets; flare at the height it had; water in, mulch.',
      'A stake on the side it leaned to, one broad tie; a stem that bows above the ball is left to straighten by itself.',
    ],
    cautions: LIFT_CAUTIONS,
    acceptance: ['Stem upright from two sides, flare in view, ball does not move by hand.'],
    schools: [used(timing)],
    season: plantingSeason(s),
    ...(advice !== 'not' && {
      lookAgain: {
        days: 365,
        why: 'Whether it stayed upright; turn it again or leave it, stake out, push test.',
      },
    }),
    missing: [],
  };
}

export const straighten: Remedy = {
  treats: [],
  settles: [],
  do: [
    {
      when: [{ measured: 'sweeps' }, { measured: 'youngToLift' }],
      why: 'While it is young it turns as a whole; later it leans for good, on roots of one side.',
    },
  ],
  option: [],
  bars: [
    { when: [{ planned: 'reset' }], why: 'It is set upright by the reset.' },
    { when: [{ planned: 'raise' }], why: 'It is set upright when it is raised.' },
    { when: [{ planned: 'openBall' }], why: 'It is set upright with its opened ball.' },
    { when: [{ planned: 'move' }], why: 'It is set upright in its new place.' },
    {
      when: [{ measured: 'tooOldToLift' }],
      why: 'Its roots hold it as it stands: turning it would tear them.',
    },
    {
      when: [{ measured: 'tooLargeToLift' }],
      why: 'Its roots hold it as it stands: turning it would tear them.',
    },
    {
      when: [{ finding: 'base.lean', among: ['lean', 'lifted'] }],
      why: 'It leans more than it did: have its stability assessed, and turn nothing.',
    },
  ],
  against: [{ when: [{ measured: 'inDrought' }], why: 'Not after a dry season without water.' }],
  first: ['utilities'],
  window: 'planting',
  risks: ['It springs back where the stem alone is pulled.', 'Roots on the freed side dry.'],
  followUp: 'Two seasons of water, the stake out after a year, push test.',
  weigh,
};
