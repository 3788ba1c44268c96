import { used, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';

/** Fertiliser, held back while roots recover. */
function weigh(s: Situation, { advice, why }: Ruled): Weighed {
  const school = s.school('fertiliser');
  const until = `${Number(s.visit.date.slice(0, 4)) + 1}${s.visit.date.slice(4, 7)}`;
  return {
    key: 'fertiliser',
    title: 'Hold fertiliser',
    advice,
    summary: orNothing(advice, `None before ${until}; a soil test, not leaf colour, shows what it lacks.`),
    why,
    quantities: [],
    method: [`${school.label}.`, 'Tell the maintenance contractor in writing.'],
    cautions: [
      'Weed-and-feed on the lawn reaches the roots as well; pesticides only by licensed applicators.',
    ],
    acceptance: ['No fertiliser bought or spread in its root zone within the year.'],
    schools: [used(school)],
    season: 'For a year from the work.',
    ...(advice !== 'not' && {
      lookAgain: {
        days: 365,
        why: 'Soil test in the second year: feed only what it lacks, and nothing where it lacks nothing.',
      },
    }),
    missing: [],
  };
}

export const fertiliser: Remedy = {
  treats: [],
  settles: [],
  do: [
    {
      when: [{ measured: 'fertiliserWanted' }],
      why: 'Salts draw water from roots that have just been opened; leaves feed new roots better than a bag does.',
    },
    {
      when: [{ node: 'transplantShock', standing: 'likely' }],
      why: 'It has no roots to take it up with, and salt draws water from those it has.',
    },
  ],
  option: [],
  against: [],
  first: [],
  risks: ['Feeding pale leaves leaves the cause in place.'],
  followUp: 'A soil test before the first feed.',
  weigh,
};
