import { CAUSE_KEYS, MECHANISM_KEYS } from '../vocabulary/causes';
import { crewHours } from '../weighing/amounts';
import { limit, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';

/** What killed it, read at stem, collar, ball and hole: it speaks for the rest of its planting. */
function weigh(_: Situation, { advice, why }: Ruled): Weighed {
  return {
    key: 'postmortem',
    title: 'Post-mortem',
    advice,
    summary: orNothing(
      advice,
      'Read at the stem and at the lifted stump what killed it, note it here, and inspect the others of its planting.',
    ),
    why,
    quantities: advice === 'not' ? [] : [crewHours(limit('postmortemHours'))],
    method: [
      'Before it is felled: height of the dark line on the stem above today’s grade, wounds, ties, fruit bodies, and the collar with the rod.',
      'Lift the stump instead of grinding it, and wash the ball: its shape, roots that went round, where roots ended, depth of the first roots.',
      'In the hole: wall smooth or loose, water, smell and colour of the soil, what lies under the ball.',
      'Note it at the stations as of any tree: base, probe, dig, soil. The verdict then says what killed it.',
      'Write into the record of the work what the next planting has to do otherwise.',
    ],
    cautions: [
      'Nobody climbs it: use a lift, or fell it from the ground.',
      'Locate buried utilities before the stump is lifted.',
    ],
    acceptance: [
      'Findings noted at base, probe, dig and soil; what the next planting does otherwise written down; the others of the planting on a list to inspect.',
    ],
    schools: [],
    season: 'With the felling, before the stump is ground.',
    ...(advice !== 'not' && {
      lookAgain: { days: 60, why: 'What the post-mortem showed is held against the others of its planting.' },
    }),
    missing: [],
  };
}

export const postmortem: Remedy = {
  treats: [],
  settles: [...CAUSE_KEYS, ...MECHANISM_KEYS],
  do: [
    {
      when: [{ measured: 'dead' }],
      why: 'What killed one is in the others of its planting as well, and they can still be helped.',
    },
  ],
  option: [],
  against: [],
  first: ['utilities'],
  risks: ['The stump is ground, and with it what it would have shown.'],
  followUp: 'Inspect its neighbours of the same planting first.',
  weigh,
};
