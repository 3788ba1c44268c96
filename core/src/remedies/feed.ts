import { amount } from '../weighing/amounts';
import { used, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';

/** pH or iron put right, by what a test finds and by nothing else. */
function weigh(s: Situation, { advice, why }: Ruled): Weighed {
  return {
    key: 'feed',
    title: 'Correct pH or iron by a soil test',
    advice,
    summary: orNothing(
      advice,
      'Have soil and leaves tested; then what the test calls for, in the amount that it says, and nothing before it.',
    ),
    why,
    quantities: advice === 'not' ? [] : [amount('laboratoryTests', 2, 'count', 'one of soil, one of leaves')],
    method: [
      'Test pH, lime, iron and manganese of the soil, and the leaves beside those of a green tree. Check drainage too: cold, wet ground pales leaves as well.',
      'Little lime: sulphur, worked in shallowly. Much lime: chelated iron into the soil in spring, again each year.',
      'Leaf mould or wood chips over the root zone, off the bark.',
    ],
    cautions: [
      'Salts burn roots that have just been opened: not in the year of work at the roots.',
      'Injections wound the stem: only where nothing else reaches, by a licensed applicator.',
    ],
    acceptance: ['The leaves of the next season are green between the veins.'],
    schools: [used(s.school('fertiliser'))],
    season: 'Tested now, corrected in early spring.',
    ...(advice !== 'not' && {
      lookAgain: { days: 30, why: 'The tests are back: decide by them.' },
    }),
    missing: [],
  };
}

export const feed: Remedy = {
  treats: ['chlorosis'],
  settles: [],
  do: [
    {
      when: [{ node: 'chlorosis', standing: 'likely' }],
      why: 'The soil locks up what the leaves lack.',
    },
  ],
  option: [
    {
      when: [{ node: 'chlorosis', standing: 'possible' }],
      why: 'Pale leaves have many reasons; a test finds this one.',
    },
  ],
  against: [
    {
      when: [{ measured: 'waterStands' }],
      why: 'Wet roots take up no iron, however much there is: drain first.',
    },
  ],
  first: [],
  risks: ['The leaves green for a year, and the ground stays as it is.'],
  followUp: 'Where lime is the reason, the lasting answer is a species that tolerates it.',
  weigh,
};
