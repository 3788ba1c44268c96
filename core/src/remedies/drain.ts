import { crewHours } from '../weighing/amounts';
import { named } from '../vocabulary/quantities';
import { longMark } from '../units/marks';
import { limit, PRACTICE_SOURCE, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';

/** A drain to lower ground: from the floor of the excavation, or out of ground that holds water. */
function weigh(s: Situation, { advice, why }: Ruled, operations: readonly Weighed[]): Weighed {
  const basin = operations
    .find((o) => o.key === 'excavate')
    ?.quantities.find((q) => q.key === 'drainToDaylight');
  const length = basin?.value ?? limit('drainUsual');
  return {
    key: 'drain',
    title: 'Drain',
    advice,
    summary: orNothing(
      advice,
      `A drain of ${longMark(length)} to lower ground, with a fall of 2 cm in a metre, between the anchors.`,
    ),
    why,
    quantities:
      advice === 'not'
        ? []
        : [
            {
              ...named('drain'),
              value: length,
              dimension: 'long length',
              working: basin
                ? basin.working
                : {
                    formula: 'by practice',
                    inputs: [],
                    source: PRACTICE_SOURCE,
                    notes: ['No level was read: find where lower ground begins.'],
                  },
            },
            crewHours(length * limit('drainHours'), 'length × hours a metre', [
              { name: 'length', value: length, dimension: 'long length' },
              { name: 'hours a metre', value: limit('drainHours'), dimension: 'ratio' },
            ]),
          ],
    method: [
      'Find with a level where lower ground begins; keep the fall even.',
      'Dig by hand or with air between the roots; none from 25 mm on is cut.',
      'Washed stone round the pipe, cloth over it, soil back; the outlet stays open and is shown on the plan.',
    ],
    cautions: ['Locate buried utilities before any digging.', 'Open trenches are fenced.'],
    acceptance: ['A bucket poured at the stem runs from the outlet; the floor is dry the day after rain.'],
    schools: [],
    season: 'When the ground carries a barrow.',
    missing: advice === 'not' || basin ? [] : ['levels to lower ground'],
  };
}

export const drain: Remedy = {
  treats: ['waterlogging', 'oxygenStarved'],
  settles: [],
  do: [
    {
      when: [{ node: 'waterlogging', standing: 'likely' }],
      why: 'Water has to leave before roots can breathe.',
    },
    {
      when: [{ measured: 'basinPlanned' }, { measured: 'waterStands' }],
      why: 'The bowl ends below grade in ground that holds water.',
    },
  ],
  option: [
    { when: [{ node: 'waterlogging', standing: 'possible' }], why: 'Test the hole for a day first.' },
    { when: [{ measured: 'basinPlanned' }], why: 'The bowl ends below grade.' },
  ],
  against: [],
  first: ['utilities'],
  risks: ['A drain through anchor roots costs the tree its hold.', 'Without fall it only moves the water.'],
  followUp: 'Look the day after heavy rain.',
  weigh,
};
