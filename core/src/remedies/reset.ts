import { amount, crewHours } from '../weighing/amounts';
import { shortMark } from '../units/marks';
import {
  limit,
  used,
  schoolNote,
  schoolValue,
  yearsInGround,
  type Situation,
  type Weighed,
} from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import type { Ruled } from '../weighing/ruled';
import { wateringQuantity } from '../weighing/watering';

/** Ball of a young tree, estimated where it was not measured. Common practice, no source: ten times the stem. */
export const BALL_PER_STEM = 10;

/** Lift and reset at the right height, where age, size and findings allow. */
function weigh(s: Situation, { advice, why, barred }: Ruled): Weighed {
  const hole = s.school('holeWidth');
  const ball = s.school('rootBall');
  const backfill = s.school('backfill');
  const watering = s.school('wateringYears');
  const staking = s.school('staking');
  const reference = s.school('plantingReference');
  const years = yearsInGround(s);
  const stem = s.tree.stemDiameter ?? s.tree.dbh;
  const { collarDeep } = s.verdict.facts;
  const unknown = [
    ...(years === undefined ? ['year planted'] : []),
    ...(stem === undefined ? ['stem diameter'] : []),
    ...(collarDeep.state === 'unexamined' ? ['probe points'] : []),
  ];
  const possible = advice === 'option' && unknown.length === 0;
  const lift = s.profile.collar ? s.profile.collar.depth.value + limit('resetProud') : undefined;
  const ballDiameter = stem === undefined ? undefined : stem * BALL_PER_STEM;
  return {
    key: 'reset',
    title: 'Lift and reset',
    advice: possible ? advice : 'not',
    summary: possible
      ? `Lift by ${shortMark(lift ?? 0)} so that the flare stands ${shortMark(limit('resetProud'))} above grade.`
      : barred
        ? `Not for this tree: ${why[0]}.`
        : unknown.length > 0
          ? `Cannot be judged: ${unknown.join(', ')} missing.`
          : 'Nothing calls for it.',
    why: possible || barred ? why : ['It cannot be judged yet, or nothing calls for it.'],
    quantities:
      possible && lift !== undefined && ballDiameter !== undefined
        ? [
            amount(
              'lift',
              lift,
              'short length',
              'collar depth + height of the flare above grade',
              [
                { name: 'collar depth', value: s.profile.collar!.depth.value, dimension: 'short length' },
                { name: 'flare above grade', value: limit('resetProud'), dimension: 'short length' },
              ],
              { school: schoolNote(reference), plusMinus: s.profile.collar?.depth.plusMinus },
            ),
            amount(
              'holeDiameter',
              ballDiameter * schoolValue(hole, 'times'),
              'long length',
              'root ball × times',
              [
                {
                  name: 'root ball, estimated at ten stems',
                  value: ballDiameter,
                  dimension: 'long length',
                },
                { name: 'times', value: schoolValue(hole, 'times'), dimension: 'ratio' },
              ],
              { school: schoolNote(hole), notes: ['Measure the ball once it is open.'] },
            ),
            wateringQuantity(stem!, watering),
            crewHours(limit('resetHours')),
          ]
        : [],
    method: [
      'Dormant season, not in leaf. Take soil off the flare and remove every encircling root first.',
      `Lift with the air tool; root ball: ${ball.label}. Keep roots wet and shaded from lift to cover.`,
      'Wide hole, sides roughened, base firm, never glazed; flare checked with a straight stick across the hole.',
      `Backfill: ${backfill.label}, in crumbs, firmed by hand or toe, not stamped; watered in, topped up, mulched, watered again.`,
      `Stake: ${staking.label}. Nursery stake, ties, tape, twine and wire come off.`,
    ],
    cautions: [
      'Locate buried utilities before any digging.',
      'Not after a dry season without water; a precipitation deficit of some 20 cm is a warning.',
      'A lifted tree can fall: hold it with a strap while people are in the hole.',
    ],
    acceptance: [
      'Flare at or up to 5 cm above grade under a straight stick, stem upright.',
      'No air pockets: water stands nowhere and the ball does not move by hand.',
    ],
    schools: [reference, hole, ball, backfill, staking, watering].map(used),
    season: 'Dormant season only.',
    lookAgain: { days: 180, why: 'Re-tie the stake, see whether it settled, push test.' },
    missing: unknown,
  };
}

export const reset: Remedy = {
  treats: [
    'plantedDeep',
    'gradeRaised',
    'mulchCone',
    'containerRoots',
    'confinedHole',
    'barrier',
    'buriedCollar',
    'confinedRoots',
  ],
  settles: [],
  do: [],
  option: [
    {
      when: [{ fact: 'collarDeep', is: 'yes' }, { measured: 'youngToLift' }],
      why: 'Lifted now it stands at the right height for good.',
    },
    {
      when: [{ fact: 'plantedDeep', is: 'yes' }, { measured: 'youngToLift' }],
      why: 'Lifted now it stands at the right height for good.',
    },
  ],
  bars: [
    { when: [{ fact: 'collarDeep', is: 'no' }], why: 'There is nothing to lift it out of.' },
    { when: [{ measured: 'tooOldToLift' }], why: 'Roots no longer come up whole.' },
    { when: [{ measured: 'tooLargeToLift' }], why: 'The ball is too heavy to lift whole.' },
    { when: [{ fact: 'conks', is: 'yes' }], why: 'What decays is not worth the lift.' },
    { when: [{ fact: 'hollow', is: 'yes' }], why: 'What decays is not worth the lift.' },
  ],
  against: [
    { when: [{ measured: 'rootsLeftBall' }], why: 'Roots that have left the ball are cut by lifting it.' },
    { when: [{ measured: 'inDrought' }], why: 'Not after a dry season without water.' },
  ],
  first: ['utilities', 'permits'],
  window: { from: 11, to: 3, why: 'In dormancy, not in leaf.' },
  risks: ['Roots dry from lift to cover.', 'The ball sinks on a soft base.'],
  followUp: 'Re-tie at 6 months, push test after the stake is out.',
  weigh,
};
