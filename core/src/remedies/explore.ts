import { crewHours } from '../weighing/amounts';
import { limit, used, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';
import type { Condition, Rule } from '../weighing/rules';
import type { NodeKey } from '../vocabulary/causes';

const NOT_PROBED: readonly Condition[] = [
  { fact: 'collarDeep', isNot: 'yes' },
  { fact: 'collarDeep', isNot: 'no' },
];
/** What depth tells of: a collar that was probed is known. */
const OF_DEPTH: readonly NodeKey[] = ['plantedDeep', 'gradeRaised', 'buriedCollar'];
const OF_ROOTS: readonly NodeKey[] = ['containerRoots', 'girdlingRoots', 'confinedRoots'];

const rules = (standing: 'likely' | 'possible'): Rule[] => [
  ...OF_DEPTH.map((node) => ({
    when: [{ node, standing }, ...NOT_PROBED],
    why: 'Half an hour with a trowel shows what is so far only a chance.',
  })),
  ...OF_ROOTS.map((node) => ({
    when: [{ node, standing }],
    why: 'The roots at the stem are seen instead of guessed.',
  })),
];

/** A window dug by hand at the stem: the look before a root collar excavation or root pruning is decided. */
function weigh(s: Situation, { advice, why }: Ruled): Weighed {
  return {
    key: 'explore',
    title: 'Inspect the root collar by hand',
    advice,
    summary: orNothing(
      advice,
      'Dig a window by hand on two sides of the stem, down to the first root, and inspect bark and roots before anything larger is decided.',
    ),
    why,
    quantities: advice === 'not' ? [] : [crewHours(limit('exploreHours'))],
    method: [
      'Choose the side where the stem goes in straight or is flattened, and the side across from it.',
      'Trowel and fingers from the bark outward, a spade’s width; nothing is cut.',
      'Enter the depth of the first root, what lies across the stem, and whether bark is firm: at Probe, Base and Dig.',
      'Fill the window with the same soil, no higher than it was, unless the excavation follows within days.',
    ],
    cautions: [
      'Locate buried utilities before any digging.',
      'Wire, labels and glass lie at old stems: gloves.',
    ],
    acceptance: [
      'Depth of the first root known on two sides; what crosses the stem there is drawn or ruled out.',
    ],
    schools: [used(s.school('collarCall'))],
    season: 'Any day that is neither frozen nor waterlogged.',
    ...(advice !== 'not' && {
      lookAgain: { days: 14, why: 'Reassess the verdict with what the window showed.' },
    }),
    missing: [],
  };
}

export const explore: Remedy = {
  treats: [],
  settles: [...OF_DEPTH, ...OF_ROOTS],
  do: [
    {
      when: [
        { matter: 'collarCall', school: 'view' },
        { finding: 'base.entry', among: ['part', 'straight'] },
      ],
      why: 'By that school the flare has to be seen on every side, whatever the rod says.',
    },
    ...rules('likely'),
  ],
  option: rules('possible'),
  bars: [
    { when: [{ measured: 'rootsMapped' }], why: 'There is nothing left to find out.' },
    { when: [{ planned: 'excavate' }], why: 'The excavation lays all of it open.' },
  ],
  against: [],
  first: ['utilities'],
  risks: ['A window on one side says nothing of the other.'],
  followUp: 'What it shows decides between excavation, root pruning and leaving it.',
  weigh,
};
