import { amount, crewHours } from '../weighing/amounts';
import { answerTo } from '../questions/question';
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
import type { SchoolInForce } from '../practice';
import type { Quantity } from '../units/quantity';
import type { Remedy } from '../weighing/remedy';
import type { Ruled } from '../weighing/ruled';
import { windowHere } from '../weighing/season';
import { wateringQuantity } from '../weighing/watering';
import { monthName } from '../vocabulary/dates';

/** Ball of a young tree, estimated where it was not measured. Common practice, no source: ten times the stem. */
export const BALL_PER_STEM = 10;

/** What is shaved off a ball, and compost blended into the fill of its hole. */
function ballWork(
  ballDiameter: number,
  shaved: number,
  compost: number,
  times: number,
  ball: SchoolInForce,
  backfill: SchoolInForce,
): Quantity[] {
  const depth = limit('ballDepth') * ballDiameter;
  const filled = (Math.PI / 4) * ballDiameter ** 2 * (times ** 2 - 1) * depth;
  return [
    ...(shaved > 0
      ? [
          amount(
            'ballShavedOff',
            1 - Math.max(0, 1 - (2 * shaved) / ballDiameter) ** 2,
            'share',
            '1 - (1 - 2 × shave / ball)²',
            [
              { name: 'shave', value: shaved, dimension: 'short length' },
              { name: 'ball', value: ballDiameter, dimension: 'long length' },
            ],
            { school: schoolNote(ball), notes: ['No more than a third, and only in a young vigorous tree.'] },
          ),
        ]
      : []),
    ...(compost > 0
      ? [
          amount(
            'compost',
            compost * filled,
            'volume',
            'share × pi / 4 × (hole² - ball²) × depth of the ball',
            [
              { name: 'share', value: compost, dimension: 'share' },
              { name: 'filled', value: filled, dimension: 'volume' },
            ],
            { school: schoolNote(backfill) },
          ),
        ]
      : []),
  ];
}

/** Lift and reset at the right height, where age, size and findings allow. */
function weigh(s: Situation, { advice, why, barred }: Ruled): Weighed {
  const hole = s.school('holeWidth');
  const ball = s.school('rootBall');
  const backfill = s.school('backfill');
  const watering = s.school('watering');
  const lasting = s.school('wateringYears');
  const height = s.school('flareHeight');
  const proud = schoolValue(height, 'above');
  const shaved = schoolValue(ball, 'shaved');
  const compost = schoolValue(backfill, 'compost');
  const staking = s.school('staking');
  const timing = s.school('plantingSeason');
  const months = windowHere('planting', s)!;
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
  const { collar, fill } = s.profile;
  // By the container soil level only what was laid over it since is undone.
  const byFlare = reference.key === 'flare';
  const below = byFlare ? collar?.depth.value : (fill?.atStem.value ?? 0);
  const lift = collar && below !== undefined ? below + proud : undefined;
  const pot = answerTo(s.visit.findings, 'history.potSize')?.number;
  const byStem = stem === undefined ? undefined : stem * BALL_PER_STEM;
  const ballDiameter = byStem === undefined ? undefined : Math.max(byStem, pot ?? 0);
  const ballFrom =
    pot !== undefined && pot === ballDiameter
      ? 'the width of its last pot'
      : 'root ball, estimated at ten stems';
  return {
    key: 'reset',
    title: 'Lift and reset',
    advice: possible ? advice : 'not',
    summary: possible
      ? `Lift by ${shortMark(lift ?? 0)} so that ${byFlare ? 'the flare' : 'the soil of the container'} stands ${proud > 0 ? `${shortMark(proud)} above grade` : 'flush with grade'}.`
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
              byFlare
                ? 'collar depth + height of the flare above grade'
                : 'soil added since + height above grade',
              [
                {
                  name: byFlare ? 'collar depth' : 'soil added since',
                  value: below!,
                  dimension: 'short length',
                },
                { name: 'above grade', value: proud, dimension: 'short length' },
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
                  name: ballFrom,
                  value: ballDiameter,
                  dimension: 'long length',
                },
                { name: 'times', value: schoolValue(hole, 'times'), dimension: 'ratio' },
              ],
              { school: schoolNote(hole), notes: ['Measure the ball once it is open.'] },
            ),
            ...ballWork(ballDiameter, shaved, compost, schoolValue(hole, 'times'), ball, backfill),
            wateringQuantity(stem!, watering, lasting),
            crewHours(
              limit('resetHours') * schoolValue(ball, 'hours'),
              'by practice × work at the ball, by school',
              [{ name: 'work at the ball', value: schoolValue(ball, 'hours'), dimension: 'ratio' }],
              { school: schoolNote(ball) },
            ),
          ]
        : [],
    method: [
      `${s.species?.foliage === 'evergreen' ? 'Evergreens keep their leaves: work on a dull, damp day and shade the crown for some weeks.' : 'Not in leaf.'} Take soil off the flare and remove every encircling root first.`,
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
    schools: [reference, height, hole, ball, backfill, staking, timing, watering, lasting].map(used),
    season: `${monthName(months.from)} to ${monthName(months.to)}. ${months.why}`,
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
  window: 'planting',
  risks: ['Roots dry from lift to cover.', 'The ball sinks on a soft base.'],
  followUp: 'Re-tie at 6 months, push test after the stake is out.',
  weigh,
};
