import { amount, crewHours } from '../weighing/amounts';
import { limit, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';

/** A guard against mowers, trimmers and rodents. */
function weigh(s: Situation, { advice, why }: Ruled): Weighed {
  return {
    key: 'guard',
    title: 'Guard',
    advice,
    summary: orNothing(advice, 'A guard that stands off the bark, on before winter and off in spring.'),
    why,
    quantities:
      advice === 'not'
        ? []
        : [amount('guards', 1, 'count', 'one for the stem'), crewHours(limit('smallWorkHours'))],
    method: ['Open mesh, a finger’s width off the bark all round, not pushed into the soil.'],
    cautions: ['Look for rodent holes under mulch and rubble.'],
    acceptance: ['Stands without touching the bark; a date for taking it off is in the calendar.'],
    schools: [],
    season: 'On before winter, off in spring.',
    missing: [],
  };
}

export const guard: Remedy = {
  treats: ['stemInjury'],
  settles: [],
  do: [],
  option: [
    {
      when: [{ node: 'stemInjury', standing: 'possible' }],
      why: 'What wounds the stem goes on until it is kept off.',
    },
    {
      when: [{ finding: 'base.wounds', among: ['open', 'repeated'] }],
      why: 'Mowers and trimmers reach the bark.',
    },
  ],
  against: [],
  first: [],
  risks: ['A guard left on in summer keeps bark damp and shelters ants.'],
  followUp: 'On before winter, off in spring; a mulch ring keeps mowers away all year.',
  weigh,
};
