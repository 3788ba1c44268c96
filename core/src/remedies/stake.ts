import { amount, crewHours } from '../weighing/amounts';
import { limit, used, schoolNote, type Situation, type Weighed } from '../weighing/operation';
import { stakeQuantities } from '../weighing/staking';
import { rulesHolding } from '../weighing/conditions';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';

/** Staking, for as long as the school says. */
function weigh(s: Situation, weighed: Ruled): Weighed {
  const school = s.school('staking');
  const { advice, barred: never } = weighed;
  // A dwarfing rootstock keeps its stake, whatever the school of other trees.
  const forGood = rulesHolding([{ when: [{ measured: 'dwarfing' }], why: '' }], s, []).length > 0;
  const months = forGood ? undefined : school.values?.months;
  const battens = school.key === 'battens' && !forGood;
  return {
    key: 'stake',
    title: 'Stake',
    advice,
    summary: never
      ? `Not by the school followed: ${school.label}.`
      : orNothing(
          advice,
          battens
            ? 'Two laths pinned across the ball into firm ground, clear of the stem; they rot by themselves.'
            : months === undefined
              ? `Stakes in undisturbed ground, ties loose enough to sway: ${forGood ? 'for good, on its dwarfing rootstock' : school.label}.`
              : `Stakes in undisturbed ground, ties loose enough to sway, out after ${months} months.`,
        ),
    why: weighed.why,
    quantities:
      advice === 'not'
        ? []
        : [
            ...(battens
              ? [
                  amount('stakeSets', 1, 'count', 'one set of two laths and four pins', [], {
                    school: schoolNote(school),
                  }),
                ]
              : stakeQuantities(s)),
            crewHours(limit('stakeHours')),
          ],
    method: battens
      ? [
          'Two laths flat across the top of the ball, one on each side of the stem, a hand clear of it.',
          'Pinned at both ends into firm ground beyond the hole; nothing is tied to the stem.',
        ]
      : [
          'Stakes outside the root ball in undisturbed ground, one to windward where there is one.',
          'One broad tie low enough that the crown can move.',
        ],
    cautions: ['A stake driven through a main kills: utilities located first.'],
    acceptance: ['The stem sways by a hand’s width and rubs nowhere.'],
    schools: [used(school)],
    season: 'With the work.',
    missing: [],
    ...(advice !== 'not' && {
      lookAgain: battens
        ? { days: 365, why: 'Push test: new roots hold it, or the laths are pinned again.' }
        : months === undefined
          ? { days: 365, why: 'Open and move the ties; the stake stays.' }
          : months <= 6
            ? { days: 30 * months, why: 'Stakes out; push test.' }
            : { days: 180, why: 'Open and move the ties; push test when the stakes are out.' },
    }),
  };
}

export const stake: Remedy = {
  treats: ['poorAnchorage'],
  settles: [],
  do: [
    {
      when: [{ planned: 'straighten' }],
      why: 'It leans back until new roots hold it.',
    },
    {
      when: [{ planned: 'raise' }],
      why: 'A lifted tree holds by its weight until new roots do.',
    },
    {
      when: [{ planned: 'move' }],
      why: 'A lifted tree holds by its weight until new roots do.',
    },
    {
      when: [{ planned: 'openBall' }],
      why: 'A lifted tree holds by its weight until new roots do.',
    },
    {
      when: [{ planned: 'reset' }],
      why: 'A lifted tree holds by its weight until new roots do.',
    },
  ],
  option: [
    {
      when: [{ measured: 'dwarfing' }],
      why: 'Dwarfing roots never hold a crown full of fruit: it is staked for good.',
    },
    {
      when: [{ fact: 'rocks', is: 'yes' }],
      why: 'It rocks: hold it while roots grow, once stability has been judged.',
    },
  ],
  bars: [
    { when: [{ measured: 'isShrub' }], why: 'A shrub holds itself by its many stems.' },
    {
      when: [{ fact: 'rocks', is: 'yes' }, { measured: 'notSmallToStake' }],
      why: 'A tree of this size is not held by a stake: have its stability assessed.',
    },
    {
      when: [{ fact: 'rocks', is: 'yes' }, { measured: 'baseDecays' }],
      why: 'A stake hides what decay does to anchorage: have its stability assessed.',
    },
    { when: [{ matter: 'staking', school: 'none' }], why: 'A stem that sways builds its own strength.' },
  ],
  against: [],
  first: [],
  risks: ['A tight tie strangles; a rigid one keeps the stem from building strength.'],
  followUp: 'Ties opened and moved every autumn, the push test again when the stakes are out.',
  weigh,
};
