import { named } from '../vocabulary/quantities';
import { orNothing, weighedByTable } from './byTable';
import { limit, PRACTICE_SOURCE, schoolNote, used, type Situation, type Weighed } from './operation';
import type { Quantity } from '../units/quantity';

const hours = (value: number): Quantity => ({
  ...named('crewHours'),
  value,
  dimension: 'hours',
  working: { formula: 'by practice', inputs: [], source: PRACTICE_SOURCE, notes: [] },
});

/** Nursery stake, ties, tape, twine, wire and labels off. */
export function tiesOperation(s: Situation, operations: readonly Weighed[]): Weighed {
  const { advice, why } = weighedByTable('ties', s, operations);
  return {
    key: 'ties',
    title: 'Ties, wire and labels off',
    advice,
    summary: orNothing(
      advice,
      'Cut every tie, wire, tape and label off the stem; what has grown in stays in.',
    ),
    why,
    quantities: advice === 'not' ? [] : [hours(limit('smallWorkHours'))],
    method: [
      'Cut beside the stem and draw out what comes without force.',
      'What bark has closed over is cut at both sides and left.',
    ],
    cautions: ['Wire under tension whips: eye protection.'],
    acceptance: ['Nothing round the stem that cannot give.'],
    schools: [],
    season: 'At once.',
    missing: [],
  };
}

/** Staking, for as long as the school says. */
export function stakeOperation(s: Situation, operations: readonly Weighed[]): Weighed {
  const school = s.school('staking');
  const weighed = weighedByTable('stake', s, operations);
  const { advice, barred: never } = weighed;
  const months = school.values?.months;
  return {
    key: 'stake',
    title: 'Stake',
    advice,
    summary: never
      ? `Not by the school followed: ${school.label}.`
      : orNothing(
          advice,
          months === undefined
            ? `Stakes in undisturbed ground, ties loose enough to sway: ${school.label}.`
            : `Stakes in undisturbed ground, ties loose enough to sway, out after ${months} months.`,
        ),
    why: weighed.why,
    quantities:
      advice === 'not'
        ? []
        : [
            {
              ...named('stakeSets'),
              value: 1,
              dimension: 'count',
              working: {
                formula: 'one set of two stakes and a broad tie',
                inputs: [],
                source: PRACTICE_SOURCE,
                school: schoolNote(school),
                notes: [],
              },
            },
            hours(limit('stakeHours')),
          ],
    method: [
      'Stakes outside the root ball, one to windward where there is one.',
      'One broad tie low enough that the crown can move.',
    ],
    cautions: ['A stake driven through a main kills: utilities located first.'],
    acceptance: ['The stem sways by a hand’s width and rubs nowhere.'],
    schools: [used(school)],
    season: 'With the work.',
    missing: [],
    ...(advice !== 'not' && {
      lookAgain: { days: 180, why: 'Open and move the ties; push test when the stakes are out.' },
    }),
  };
}

/** A guard against mowers, trimmers and rodents. */
export function guardOperation(s: Situation, operations: readonly Weighed[]): Weighed {
  const { advice, why } = weighedByTable('guard', s, operations);
  return {
    key: 'guard',
    title: 'Guard',
    advice,
    summary: orNothing(advice, 'A guard that stands off the bark, on before winter and off in spring.'),
    why,
    quantities:
      advice === 'not'
        ? []
        : [
            {
              ...named('guards'),
              value: 1,
              dimension: 'count',
              working: { formula: 'one for the stem', inputs: [], source: PRACTICE_SOURCE, notes: [] },
            },
            hours(limit('smallWorkHours')),
          ],
    method: ['Open mesh, a finger’s width off the bark all round, not pushed into the soil.'],
    cautions: ['Look for rodent holes under mulch and rubble.'],
    acceptance: ['Stands without touching the bark; a date for taking it off is in the calendar.'],
    schools: [],
    season: 'On before winter, off in spring.',
    missing: [],
  };
}
