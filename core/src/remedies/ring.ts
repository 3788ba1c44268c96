import { amount, crewHours } from '../weighing/amounts';
import { limit, schoolNote, schoolValue, used, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';

/** A root-control ring or other wall, opened by sectors, taken out or left, by school. */
function weigh(s: Situation, { advice, why, barred }: Ruled): Weighed {
  const there = s.school('ringThere');
  const share = schoolValue(there, 'share');
  const opens = share < 1;
  return {
    key: 'ring',
    title: opens ? 'Open the root-control ring' : 'Take out the root-control ring',
    advice,
    summary: barred
      ? `Left by the school followed: ${there.label}.`
      : orNothing(
          advice,
          opens
            ? 'Dig along the ring where roots press against it or the stem comes near, and cut those sectors out; where the tree holds by it, it stays.'
            : 'Dig along the ring, cut it and draw it out in pieces; roots that circle at it are cut back straight.',
        ),
    why,
    quantities:
      advice === 'not'
        ? []
        : [
            amount('ringOpened', share, 'share', 'by school', [], { school: schoolNote(there) }),
            crewHours(limit('ringHours') * share, 'hours along the whole ring × share opened', [
              { name: 'whole ring, hours', value: limit('ringHours'), dimension: 'hours' },
              { name: 'share opened', value: share, dimension: 'share' },
            ]),
          ],
    method: [
      'Open one side first and look: what grew over the rim is freed before anything is drawn; deeper roots that turned at the wall are looked for as well.',
      opens
        ? 'Cut out the sectors where roots press, no two neighbours in one season; no pulling with a machine.'
        : 'Cut the wall every half metre; no pulling with a machine.',
      'Roots that circle along it are cut where they still point outward; soil beyond is loosened.',
    ],
    cautions: [
      'Locate buried utilities before any digging; rings stand beside paving and mains.',
      'Opening it cuts roots: water through the next seasons, and have anchorage judged where it leans or gives.',
    ],
    acceptance: [
      opens
        ? 'No root presses against what is left of the wall; soil open across the gaps.'
        : 'No piece of the wall left in the ground; soil open across where it stood.',
    ],
    schools: [used(there)],
    season: 'Dormant season where roots are cut.',
    ...(advice !== 'not' && {
      lookAgain: {
        days: 365,
        why: 'Whether roots cross where the ring stood, and how near the stem is to what is left.',
      },
    }),
    missing: [],
  };
}

export const ring: Remedy = {
  treats: ['barrier', 'confinedRoots'],
  settles: [],
  do: [
    {
      when: [{ measured: 'ringReached' }],
      why: 'From now on it strangles the stem more each year.',
    },
    {
      when: [{ measured: 'rootsOverRing' }],
      why: 'What grew over the rim is pinched by it as it thickens.',
    },
    {
      when: [{ node: 'barrier', standing: 'likely' }],
      why: 'Roots that meet a wall circle along it for as long as it stands.',
    },
  ],
  option: [
    {
      when: [{ node: 'barrier', standing: 'possible' }],
      why: 'Dig at one place to see whether a ring is there.',
    },
  ],
  bars: [
    {
      when: [
        { node: 'barrier', standing: 'possible' },
        { matter: 'ringThere', school: 'leave' },
      ],
      why: 'Measure the stem against it each year.',
    },
  ],
  against: [],
  first: ['utilities'],
  risks: ['Roots grown over the rim are torn where the ring is pulled.'],
  followUp: 'See next season whether new roots cross where it stood.',
  weigh,
};
