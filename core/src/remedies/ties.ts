import { crewHours } from '../weighing/amounts';
import { limit, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';

/** Nursery stake, ties, tape, twine, wire and labels off. */
function weigh(s: Situation, { advice, why }: Ruled): Weighed {
  return {
    key: 'ties',
    title: 'Ties, wire and labels off',
    advice,
    summary: orNothing(
      advice,
      'Cut every tie, wire, tape and label off the stem; what has grown in stays in.',
    ),
    why,
    quantities: advice === 'not' ? [] : [crewHours(limit('smallWorkHours'))],
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

export const ties: Remedy = {
  treats: ['stemInjury'],
  settles: [],
  do: [
    {
      when: [{ finding: 'base.ties', among: ['tight', 'grown in'] }],
      why: 'A tie that no longer gives strangles the stem.',
    },
  ],
  option: [
    {
      when: [{ finding: 'base.ties', among: ['loose'] }],
      why: 'What is loose today is tight in a few years.',
    },
  ],
  against: [],
  first: [],
  risks: ['Pulling out what has grown in tears bark.'],
  followUp: 'Ties that stay are opened and moved every autumn.',
  weigh,
};
