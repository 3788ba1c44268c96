import { used, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import type { Ruled } from '../weighing/ruled';

/** Watch only: always in the list; advised when nothing examined calls for work. */
function weigh(s: Situation, { advice, why }: Ruled): Weighed {
  const fertiliser = s.school('fertiliser');
  const workAdvised = advice === 'not';
  const likely = s.verdict.causes.filter((c) => c.standing === 'likely').map((c) => c.label.toLowerCase());
  const summary = s.verdict.danger
    ? 'Not as it stands: it may fall. People are kept away and its stability is assessed first.'
    : workAdvised
      ? 'The faults found do not mend themselves; each year the stem thickens into them.'
      : likely.length > 0
        ? `No work on this list answers what is likely: ${likely.join(', ')}. Have that seen to; measure again in a year.`
        : 'Nothing measured calls for work now; measure again in a year.';
  return {
    key: 'watch',
    title: 'Watch only',
    advice,
    summary,
    why: workAdvised ? ['Operations are advised for faults that grow.'] : why,
    quantities: [],
    method: [
      'Measure the same shoots, colour, density and stem diameter at the same season.',
      `Fertiliser: ${fertiliser.label}.`,
      'Compare with a healthy tree of the species on the same ground.',
    ],
    cautions: ['Young vigorous trees hide a buried collar for years: a good crown is no proof.'],
    acceptance: ['Shoots no shorter and crown no thinner than at this visit.'],
    schools: [used(fertiliser)],
    season: 'In leaf, about the same date.',
    lookAgain: { days: 365, why: 'Re-measure shoots, density and stem; compare with this visit.' },
    missing: [],
  };
}

export const watch: Remedy = {
  do: [{ when: [{ measured: 'noWorkAdvised' }], why: 'Nothing found that these operations mend.' }],
  option: [],
  against: [],
  first: [],
  risks: ['Faults that grow, grow on.'],
  followUp: 'The same shoots, colour and girth each year.',
  weigh,
};
