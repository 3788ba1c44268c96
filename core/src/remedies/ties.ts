import { crewHours } from '../weighing/amounts';
import { limit, type Situation, type Weighed } from '../weighing/operation';
import { rulesHolding } from '../weighing/conditions';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';

/** Why a stake and its tie stay, where they do. */
function staysTied(s: Situation): string | undefined {
  const reasons = rulesHolding(
    [
      { when: [{ measured: 'dwarfing' }], why: 'dwarfing roots hold no tree' },
      { when: [{ measured: 'justPlanted' }], why: 'its roots do not hold it yet' },
    ],
    s,
    [],
  );
  return reasons[0] && `${reasons[0].found}, and ${reasons[0].why}`;
}

/** Nursery stake, ties, tape, twine, wire and labels off; or the tie opened and moved where the stake is still needed. */
function weigh(s: Situation, { advice, why }: Ruled): Weighed {
  const stays = staysTied(s);
  return {
    key: 'ties',
    title: stays ? 'Tie loosened and moved; wire and labels off' : 'Ties, wire and labels off',
    advice,
    summary: orNothing(
      advice,
      stays
        ? `Open the tie and set it a hand higher or lower, loose enough to sway: ${stays}. Wire, tape and labels come off; what has grown in stays in.`
        : 'Cut every tie, wire, tape and label off the stem; what has grown in stays in.',
    ),
    why,
    quantities: advice === 'not' ? [] : [crewHours(limit('smallWorkHours'))],
    method: [
      ...(stays ? ['The stake stays where it is firm and rubs nowhere; the tie is broad and gives.'] : []),
      'Cut beside the stem and draw out what comes without force.',
      'What bark has closed over is cut at both sides and left.',
    ],
    cautions: ['Wire under tension whips: eye protection.'],
    acceptance: [
      stays
        ? 'The stem sways by a hand’s width; nothing round it that cannot give.'
        : 'Nothing round the stem that cannot give.',
    ],
    ...(stays &&
      advice !== 'not' && {
        lookAgain: { days: 365, why: 'Open and move the tie before it is tight again.' },
      }),
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
