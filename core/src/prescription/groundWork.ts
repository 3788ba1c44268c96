import { named } from '../vocabulary/quantities';
import { longMark } from '../units/marks';
import type { Quantity } from '../units/quantity';
import { orNothing, weighedByTable } from './byTable';
import { limit, PRACTICE_SOURCE, used, type Situation, type Weighed } from './operation';

const hours = (value: number, formula: string, inputs: Quantity['working']['inputs'] = []): Quantity => ({
  ...named('crewHours'),
  value,
  dimension: 'hours',
  working: { formula, inputs, source: PRACTICE_SOURCE, notes: [] },
});

/** A drain to lower ground: from the floor of the excavation, or out of ground that holds water. */
export function drainOperation(s: Situation, operations: readonly Weighed[]): Weighed {
  const { advice, why } = weighedByTable('drain', s, operations);
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
            hours(length * limit('drainHours'), 'length × hours a metre', [
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

/** A root-control ring or other wall taken out. */
export function ringOperation(s: Situation, operations: readonly Weighed[]): Weighed {
  const { advice, why } = weighedByTable('ring', s, operations);
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
    quantities: advice === 'not' ? [] : [hours(limit('ringHours'), 'by practice')],
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

/** Fertiliser, held back while roots recover. */
export function fertiliserOperation(s: Situation, operations: readonly Weighed[]): Weighed {
  const { advice, why } = weighedByTable('fertiliser', s, operations);
  const school = s.school('fertiliser');
  const until = `${Number(s.visit.date.slice(0, 4)) + 1}${s.visit.date.slice(4, 7)}`;
  return {
    key: 'fertiliser',
    title: 'Hold fertiliser',
    advice,
    summary: orNothing(
      advice,
      `None before ${until}; what it lacks is told by a soil test, not by its colour.`,
    ),
    why,
    quantities: [],
    method: [`${school.label}.`, 'Tell the maintenance contract in writing.'],
    cautions: [
      'Weed-and-feed on the lawn reaches the roots as well; pesticides only by licensed applicators.',
    ],
    acceptance: ['No fertiliser bought or spread in its root zone within the year.'],
    schools: [used(school)],
    season: 'For a year from the work.',
    missing: [],
  };
}
