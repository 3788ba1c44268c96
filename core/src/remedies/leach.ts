import { amount } from '../weighing/amounts';
import { crownReach } from '../crown';
import { limit, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';
import { LIMITS } from '../practice';
import { longMark, shortMark } from '../units/marks';
import type { Quantity } from '../units/quantity';

/** Water that takes the salt below the roots: as deep as the soil that it passes. */
function quantitiesOf({ tree }: Situation): Quantity[] {
  const radius = crownReach(tree);
  const test = amount('laboratoryTests', 1, 'count', 'one sample of soil, before any water is spent');
  const rounds = amount('waterings', limit('leachRounds'), 'count', 'by practice', [], {
    notes: [LIMITS.leachRounds.reason],
  });
  if (radius === undefined) return [test, rounds];
  return [
    test,
    amount('leachedRadius', radius, 'long length', 'circle that covers as much ground as the crown'),
    amount(
      'waterToLeach',
      1000 * Math.PI * radius ** 2 * limit('leachDepth') * limit('leachWater'),
      'litres',
      'pi × radius² × depth of soil × depth of water for each of soil',
      [
        { name: 'radius', value: radius, dimension: 'long length' },
        { name: 'depth of soil', value: limit('leachDepth'), dimension: 'short length' },
        { name: 'depth of water for each of soil', value: limit('leachWater'), dimension: 'ratio' },
      ],
      { source: LIMITS.leachWater.source, notes: ['Over all rounds together; rain counts.'] },
    ),
    rounds,
  ];
}

/** Salt washed below the roots. */
function weigh(s: Situation, { advice, why, barred }: Ruled): Weighed {
  const quantities = advice === 'not' ? [] : quantitiesOf(s);
  const radius = quantities.find((q) => q.key === 'leachedRadius')?.value;
  return {
    key: 'leach',
    title: 'Wash the salt out',
    advice,
    summary: barred
      ? 'Not while water stands: what does not drain takes no salt along.'
      : orNothing(
          advice,
          `Have the salt measured; where the test finds it, wash it below the roots${radius === undefined ? '' : ` within ${longMark(radius)} of the stem`} in ${limit('leachRounds')} rounds, and keep new salt away.`,
        ),
    why,
    quantities,
    method: [
      `Sample the uppermost ${shortMark(limit('leachDepth'))} on the side the salt comes from; have its conductivity and sodium measured.`,
      'Spread the water slowly enough that none runs off, in rounds a few days apart.',
      'Gypsum only where the test finds sodium.',
      'Keep salt off: a board or kerb on the road side in winter, snow piled elsewhere, grit in place of salt.',
    ],
    cautions: [
      'Not on frozen ground, and not where the day-after look finds water in the hole.',
      'What runs off carries the salt to the next tree or into a pond.',
    ],
    acceptance: ['Measured again, the salt is below what the species tolerates.'],
    schools: [],
    season: 'Early spring, before the buds open.',
    ...(advice !== 'not' && {
      lookAgain: { days: 60, why: 'Have the salt measured again.' },
    }),
    missing: advice === 'not' || radius !== undefined ? [] : ['crown radius'],
  };
}

export const leach: Remedy = {
  treats: ['salt'],
  settles: [],
  do: [{ when: [{ node: 'salt', standing: 'likely' }], why: 'Roots take up no water from salty soil.' }],
  option: [
    {
      when: [{ node: 'salt', standing: 'possible' }],
      why: 'A soil test shows it; margins scorch from drought and from wet as well.',
    },
  ],
  bars: [
    {
      when: [{ node: 'waterlogging', standing: 'likely' }],
      why: 'What does not drain takes no salt along: let the water out first.',
    },
    { when: [{ measured: 'waterStands' }], why: 'What does not drain takes no salt along.' },
  ],
  against: [
    {
      when: [{ finding: 'history.chemicals', among: ['yes'] }],
      why: 'Water spreads a weedkiller further down to the roots: find out what it was first.',
    },
  ],
  first: [],
  window: { from: 2, to: 4, why: 'Before the buds open: what is taken up then burns the new leaves.' },
  risks: ['Drowned roots where the ground takes the water slowly.'],
  followUp: 'Have it measured again after the next winter.',
  weigh,
};
