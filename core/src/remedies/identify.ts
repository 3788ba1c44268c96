import { amount } from '../weighing/amounts';
import type { Situation, Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';

/** A pest or disease named by a plant clinic before anything is done against it. */
function weigh(_: Situation, { advice, why }: Ruled): Weighed {
  return {
    key: 'identify',
    title: 'Have the pest or disease identified',
    advice,
    summary: orNothing(
      advice,
      'Take a sample from the edge of what is affected and have it named by a plant clinic before anything is treated.',
    ),
    why,
    quantities: advice === 'not' ? [] : [amount('laboratoryTests', 1, 'count', 'one sample')],
    method: [
      'Photograph the whole tree, the sign, and the edge between sound and affected tissue.',
      'Leaves and shoots: a handful from that edge, in paper, cool, sent the same day. Wilt: a branch as thick as a finger with stained wood. Rot: a piece of the affected root or the fruit body, whole.',
      'Send species, age, site and what was done with it; dead wood alone shows nothing.',
      'Clean the tools before the next tree.',
    ],
    cautions: [
      'Some pests and diseases have to be reported by law: ask before any material is moved.',
      'Pesticides only by licensed applicators, and only against what was named.',
    ],
    acceptance: ['A written answer that names it, or says that none was found.'],
    schools: [],
    season: 'While the signs are fresh.',
    ...(advice !== 'not' && {
      lookAgain: { days: 30, why: 'The clinic has answered: reassess the verdict with it.' },
    }),
    missing: [],
  };
}

export const identify: Remedy = {
  treats: [],
  settles: ['biotic'],
  do: [
    {
      when: [{ node: 'biotic', standing: 'likely' }],
      why: 'What attacks sound trees spreads, and each one has its own answer.',
    },
  ],
  option: [
    {
      when: [{ node: 'biotic', standing: 'possible' }],
      why: 'Most pests follow weakness: a sample tells one from the other.',
    },
  ],
  against: [],
  first: [],
  risks: ['A pest that followed weakness is treated, and what weakened the tree goes on.'],
  followUp: 'Treat only what was named, in the way that the clinic or local law says.',
  weigh,
};
