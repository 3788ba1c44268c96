import { inSentence } from '../vocabulary/inSentence';
import { used, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import type { Ruled } from '../weighing/ruled';

const STANDS: readonly string[] = ['likely', 'possible'];

/** Watch only: always in the list; advised when nothing examined calls for work. */
function weigh(s: Situation, { advice, why }: Ruled, before: readonly Weighed[]): Weighed {
  const fertiliser = s.school('fertiliser');
  const workAdvised = advice === 'not';
  const named = (standing: 'likely' | 'possible') =>
    s.verdict.causes.filter((c) => c.standing === standing).map((c) => inSentence(c.label));
  const [likely, possible] = [named('likely'), named('possible')];
  const unsettled = s.verdict.mechanisms.some((m) => STANDS.includes(m.standing));
  const summary = s.verdict.danger
    ? 'Not as it stands: it may fall. People are kept away and its stability is assessed first.'
    : s.verdict.alive.state === 'dead'
      ? 'Not for a dead tree.'
      : workAdvised
        ? 'The faults found do not correct themselves; each year of waiting makes them harder to correct.'
        : likely.length > 0
          ? `No work today corrects what is likely: ${likely.join(', ')}. What is done about it stands above; measure again in a year.`
          : possible.length > 0 || unsettled
            ? `Nothing is settled yet${possible.length > 0 ? `; possible: ${possible.join(', ')}` : ''}. ${before.some((o) => o.advice === 'option') ? 'Look first at what stands above as worth considering, then decide.' : 'Make the next checks that the verdict names, then decide.'}`
            : 'Nothing examined calls for work now; measure again in a year.';
  return {
    key: 'watch',
    title: 'Watch only',
    advice,
    summary,
    why:
      s.verdict.alive.state === 'dead'
        ? ['It is dead']
        : workAdvised
          ? ['Work is advised for faults that get worse.']
          : why,
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
    ...(s.verdict.alive.state !== 'dead' && {
      lookAgain: { days: 365, why: 'Re-measure shoots, density and stem; compare with this visit.' },
    }),
    missing: [],
  };
}

export const watch: Remedy = {
  treats: [],
  settles: [],
  do: [{ when: [{ measured: 'noWorkAdvised' }], why: 'Nothing found that these operations correct.' }],
  option: [],
  against: [],
  first: [],
  risks: ['Progressive faults get worse.'],
  followUp: 'The same shoots, colour and girth each year.',
  weigh,
};
