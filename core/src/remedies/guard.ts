import { amount, crewHours } from '../weighing/amounts';
import { limit, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';

/** Findings that speak of what gnaws and burrows. */
const RODENTS: readonly string[] = ['base.gnawing', 'base.burrows'];

/** A guard against mowers, trimmers and rodents. */
function weigh(s: Situation, { advice, why }: Ruled): Weighed {
  const rodents = s.verdict.evidence.some((e) => RODENTS.includes(e.key) && e.answer !== 'none');
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
    method: [
      'Open mesh, a finger’s width off the bark all round, not pushed into the soil; against voles fine mesh, a hand deep in the ground and clear of roots.',
      ...(rodents
        ? [
            'Mulch, weeds and rubble a hand’s width away from the stem; burrows closed, and checked again in a week: what is open again is lived in.',
          ]
        : []),
    ],
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
  do: [
    {
      when: [{ finding: 'base.gnawing', among: ['some', 'ring'] }],
      why: 'Gnawing animals come back every winter.',
    },
  ],
  option: [
    {
      when: [{ finding: 'base.burrows', among: ['some', 'many'] }],
      why: 'Animals that live at the stem gnaw it.',
    },
    {
      when: [{ node: 'stemInjury', standing: 'possible' }],
      why: 'Whatever wounds the stem goes on until it is kept away.',
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
