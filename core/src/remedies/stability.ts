import { amount, crewHours } from '../weighing/amounts';
import { longMark } from '../units/marks';
import type { Quantity } from '../units/quantity';
import { limit, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import type { Ruled } from '../weighing/ruled';

/** What has to be kept clear, and what closing it takes; the height is reckoned from the stem where it was not measured. */
function quantitiesOf({ tree }: Situation): Quantity[] {
  const stem = tree.dbh ?? tree.stemDiameter;
  const height = tree.height ?? (stem === undefined ? undefined : stem * limit('heightPerDbh'));
  const assessment: Quantity = amount('stabilityAssessments', 1, 'count', 'one for the tree');
  if (height === undefined) return [assessment];
  const radius = height * limit('clearPerHeight');
  const notes = tree.height === undefined ? ['Height estimated from the stem.'] : [];
  const clear: Quantity = amount(
    'radiusKeptClear',
    radius,
    'long length',
    'height × 1.5, for what breaks off as it falls',
    [
      { name: 'height', value: height, dimension: 'long length' },
      { name: 'factor', value: limit('clearPerHeight'), dimension: 'ratio' },
    ],
    { notes: notes },
  );
  const barrier = 2 * Math.PI * radius;
  return [
    assessment,
    clear,
    amount('barrier', barrier, 'long length', '2 π × radius kept clear', [
      { name: 'radius kept clear', value: radius, dimension: 'long length' },
    ]),
    crewHours(barrier / limit('barrierRate'), 'barrier ÷ metres set in an hour', [
      { name: 'barrier', value: barrier, dimension: 'long length' },
      { name: 'metres in an hour', value: limit('barrierRate'), dimension: 'ratio' },
    ]),
  ];
}

/** Keeping people away and having the stability assessed: before all other work wherever the tree may fall. */
function weigh(s: Situation, { advice, why }: Ruled): Weighed {
  const { danger } = s.verdict;
  const quantities = danger ? quantitiesOf(s) : [];
  const radius = quantities.find((q) => q.key === 'radiusKeptClear');
  return {
    key: 'stability',
    title: 'Keep people away, have stability assessed',
    advice,
    summary: danger
      ? `${radius ? `Close the ground within ${longMark(radius.value)} of the stem today` : 'Close the ground below and beside it today'}, and have its stability assessed by a qualified person within ${danger.days} days. No other work before that.`
      : 'No sign that it may fall, and neither poor anchorage nor decay at the base is possible from what was examined.',
    why,
    quantities,
    method: [
      'Close the ground with tape or a fence, move seats, cars and paths out of it, and tell who uses the place, in writing.',
      'A person qualified in tree risk assessment by local rules examines anchorage, base and crown, by instruments where the eye does not settle it.',
      'Until then no digging, no cutting of roots, no climbing, and nobody under it in wind.',
    ],
    cautions: [
      'This record gives decision support; it is no risk assessment. Local codes and licensed practice come first.',
      'In high wind or on soaked ground nobody goes near it, the assessor included.',
      'Roads, rails and power lines within reach: call who runs them before anything else.',
    ],
    acceptance: ['A written assessment with name, date and what may be done; the barrier stands until then.'],
    schools: [],
    season: danger ? `People kept away today; assessed within ${danger.days} days.` : 'When a sign is seen.',
    missing: danger && !radius ? ['height or stem diameter'] : [],
    ...(danger && {
      lookAgain: {
        days: danger.days,
        why: 'The stability assessment is due: nothing else is done before it.',
      },
    }),
  };
}

export const stability: Remedy = {
  treats: [],
  settles: ['poorAnchorage', 'basalDecay'],
  do: [{ when: [{ measured: 'mayFall' }], why: 'Nobody works or walks under a tree that may fall.' }],
  option: [],
  against: [],
  first: [],
  risks: ['It falls or breaks before it was examined: the ground below it is empty of people until then.'],
  followUp: 'What the assessment says comes before everything on this list; reassess the rest with it.',
  weigh,
};
