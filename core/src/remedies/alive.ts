import type { Situation, Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';

/** Whether it lives at all, before anything is done to it. */
function weigh(_: Situation, { advice, why }: Ruled): Weighed {
  return {
    key: 'alive',
    title: 'See whether it lives',
    advice,
    summary: orNothing(
      advice,
      'Scratch the bark at twig, limb and stem, and cut a bud open: nothing else is done before that is known.',
    ),
    why,
    quantities: [],
    method: [
      'With a thumbnail or a knife a scratch no longer than a finger is wide: twig first, then limb, then stem down to the collar.',
      'Green and moist under the bark lives; brown and dry is dead above that place. Try several sides.',
      'Cut a bud open: green inside lives. Bend a twig: one that lives bends, a dead one snaps.',
      'Leafless out of season it may only be late: look again when its neighbours are in leaf.',
    ],
    cautions: ['Not from the ladder, and nobody climbs it: dead limbs break without warning.'],
    acceptance: ['Scratch test and buds noted at the station Crown.'],
    schools: [],
    season: 'Any day; surest when its neighbours are in leaf.',
    ...(advice !== 'not' && {
      lookAgain: { days: 14, why: 'Scratch test and buds: reassess everything with them.' },
    }),
    missing: [],
  };
}

export const alive: Remedy = {
  treats: [],
  settles: [],
  do: [
    {
      when: [{ measured: 'mayBeDead' }],
      why: 'Work on a dead tree is wasted, and a living tree must not be felled.',
    },
  ],
  option: [],
  against: [],
  first: [],
  risks: ['A tree that leafs out late is taken for dead.'],
  followUp: 'Alive: reassess the rest. Dead: take it down, and let the post-mortem speak for its neighbours.',
  weigh,
};
