import { amount, crewHours } from '../weighing/amounts';
import {
  BALL_METHOD,
  LIFT_AGAINST,
  LIFT_BARS,
  LIFT_CAUTIONS,
  SET_RIGHT,
  ballOf,
  exposure,
  holeQuantities,
  liftHours,
  liftQuantities,
} from '../weighing/lift';
import { limit, used, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';
import { plantingSeason } from '../weighing/season';

/** Moved to another place, bare of soil by air: where the place and not the tree is at fault. */
function weigh(s: Situation, { advice, why, barred }: Ruled): Weighed {
  const timing = s.school('plantingSeason');
  const hole = s.school('holeWidth');
  const ball = ballOf(s);
  const lifting = liftHours(s);
  return {
    key: 'move',
    title: 'Move to another place',
    advice,
    summary: barred
      ? `Not for this tree: ${why[0]}.`
      : orNothing(
          advice,
          'Blow its roots bare, carry it to a place that suits it, and set it there with the flare in view: the fault lies in the place.',
        ),
    why,
    quantities:
      advice === 'not' || !ball
        ? []
        : [
            ...holeQuantities(ball, s),
            ...liftQuantities(ball),
            exposure(lifting),
            amount('airTool', limit('airLiftHours'), 'hours', 'by practice'),
            crewHours(lifting.value + limit('plantHours'), 'lifting + planting', [
              { name: 'lifting', value: lifting.value, dimension: 'hours' },
              { name: 'planting', value: limit('plantHours'), dimension: 'hours' },
            ]),
          ],
    method: [
      'Choose and mark the new place first: room, light, drainage by a filled hole, nothing buried; loosen it by air.',
      'Blow the roots bare from the stem outward; about 4 m³/min (150 cfm) at the nozzle do, and keep up to 95% of them, where a spade keeps a fifth.',
      'Roots damp and shaded at every moment from lift to cover: wet sacking, no wind; the same day.',
      ...BALL_METHOD.slice(1),
      'Set with the flare at grade or a little above it, roots spread; soil worked in between them in crumbs, no air pockets, watered in, topped up, mulched.',
      'The old hole is filled and marked until it has settled.',
    ],
    cautions: LIFT_CAUTIONS,
    acceptance: [
      `${SET_RIGHT}, stem upright, ball does not move by hand.`,
      'No root was dry or in the sun on the way.',
    ],
    schools: [used(hole), used(s.school('rootBall')), used(timing)],
    season: plantingSeason(s),
    ...(advice !== 'not' && {
      lookAgain: { days: 180, why: 'Re-tie the stake, see whether it settled, push test.' },
    }),
    missing: advice !== 'not' && !ball ? ['stem diameter'] : [],
  };
}

export const move: Remedy = {
  treats: ['confinedHole', 'barrier', 'salt', 'confinedRoots'],
  settles: [],
  do: [],
  option: [
    {
      when: [{ node: 'confinedHole', standing: 'likely' }, { measured: 'youngToLift' }],
      why: 'The place has no room for its roots; while it is young it can still go where there is.',
    },
    {
      when: [{ node: 'barrier', standing: 'likely' }, { measured: 'youngToLift' }],
      why: 'What stands round it stays; the tree need not.',
    },
    {
      when: [{ node: 'salt', standing: 'likely' }, { measured: 'youngToLift' }],
      why: 'The salt comes back every winter.',
    },
  ],
  bars: [
    { when: [{ planned: 'reset' }], why: 'It is reset where it stands.' },
    { when: [{ planned: 'raise' }], why: 'It is raised where it stands.' },
    ...LIFT_BARS,
  ],
  against: LIFT_AGAINST,
  first: ['utilities', 'permits'],
  window: 'planting',
  risks: ['Roots dry on the way.', 'The new place has the faults of the old one.'],
  followUp: 'Two seasons of water, stake out after 12 months, push test.',
  weigh,
};
