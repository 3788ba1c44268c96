import { crewHours } from '../weighing/amounts';
import { limit, used, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';

/** A root-control ring or other wall taken out. */
function weigh(s: Situation, { advice, why }: Ruled): Weighed {
  const rings = s.school('rootRings');
  return {
    key: 'ring',
    title: 'Take out the root-control ring',
    advice,
    summary: orNothing(
      advice,
      'Dig along the ring, cut it and draw it out in pieces; roots that circle at it are cut back straight.',
    ),
    why,
    quantities: advice === 'not' ? [] : [crewHours(limit('ringHours'), 'by practice')],
    method: [
      'Open one side first and look: what grew over the rim is freed before the ring is drawn.',
      'Cut the wall every half metre; no pulling with a machine.',
      'Roots that circle along it are cut where they still point outward; soil beyond is loosened.',
    ],
    cautions: ['Locate buried utilities before any digging; rings stand beside paving and mains.'],
    acceptance: ['No piece of the wall left in the ground; soil open across where it stood.'],
    schools: [used(rings)],
    season: 'Dormant season where roots are cut.',
    missing: [],
  };
}

export const ring: Remedy = {
  treats: ['barrier', 'confinedRoots'],
  settles: [],
  do: [
    {
      when: [
        { node: 'barrier', standing: 'likely' },
        { matter: 'rootRings', school: 'never' },
      ],
      why: 'Roots that meet a wall circle along it for as long as it stands.',
    },
  ],
  option: [
    {
      when: [
        { node: 'barrier', standing: 'likely' },
        { matter: 'rootRings', school: 'use' },
      ],
      why: 'Though rings are used by the school followed, roots that meet a wall circle along it.',
    },
    {
      when: [{ node: 'barrier', standing: 'possible' }],
      why: 'Dig at one place to see whether a ring is there.',
    },
  ],
  against: [],
  first: ['utilities'],
  risks: ['Roots grown over the rim are torn where the ring is pulled.'],
  followUp: 'See next season whether new roots cross where it stood.',
  weigh,
};
