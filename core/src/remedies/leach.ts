import { amount } from '../weighing/amounts';
import { limit, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';
import { LIMITS } from '../practice';
import { longMark } from '../units/marks';
import type { Quantity } from '../units/quantity';

/** Water that takes the salt below the roots: as deep as the soil that it passes. */
function quantitiesOf({ tree }: Situation): Quantity[] {
  const radius = tree.crownRadius;
  const rounds = amount(
    'waterings',
    limit('leachRounds'),
    'count',
    'by practice',
    [],
    [LIMITS.leachRounds.reason],
  );
  const test = amount('laboratoryTests', 1, 'count', 'one sample of soil, before any water is spent');
  if (radius === undefined) return [test, rounds];
  const litres = 1000 * Math.PI * radius ** 2 * limit('leachDepth') * limit('leachWater');
  const water = amount(
    'waterToLeach',
    litres,
    'litres',
    'pi × radius² × depth of soil × depth of water for each of soil',
    [
      { name: 'radius', value: radius, dimension: 'long length' },
      { name: 'depth of soil', value: limit('leachDepth'), dimension: 'short length' },
      { name: 'depth of water for each of soil', value: limit('leachWater'), dimension: 'ratio' },
    ],
    ['Over all rounds together; rain counts.'],
  );
  return [
    test,
    amount('leachedRadius', radius, 'long length', 'radius of the crown'),
    { ...water, working: { ...water.working, source: LIMITS.leachWater.source } },
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
      'Sample the uppermost 30 cm on the side the salt comes from; have its conductivity and sodium measured.',
      'Spread the water slowly enough that none runs off, in rounds a few days apart.',
      'Gypsum only where the test finds sodium.',
      'Keep salt off: a board or kerb on the road side in winter, snow piled elsewhere, grit in place of salt.',
    ],
    cautions: [
      'Not on frozen ground, and not where the day-after look finds water in the hole.',
      'What runs off carries the salt to the next tree or into a pond.',
    ],
    acceptance: ['Measured again, the salt is below what the species stands.'],
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
      why: 'A test of the soil tells; margins scorch from drought and from wet as well.',
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
  risks: ['Drowned roots where the ground takes the water slowly.'],
  followUp: 'Have it measured again after the next winter.',
  weigh,
};
