import { named } from '../vocabulary/quantities';
import type { SchoolInForce } from '../practice';
import type { Quantity } from '../units/quantity';
import { shortMark } from '../units/marks';
import { METRES_PER_INCH } from '../units/length';
import { weighedByTable } from './byTable';
import {
  limit,
  PRACTICE_SOURCE,
  schoolNote,
  schoolValue,
  used,
  yearsInGround,
  type Weighed,
  type Situation,
} from './operation';

/** Ball of a young tree, estimated where it was not measured. Common practice, no source: ten times the stem. */
export const BALL_PER_STEM = 10;

/**
 * Water for one watering by the five-gallon rule, litres, in whole 5-gallon buckets.
 *
 * @param stemDiameter m
 * @example wateringByRule(1.5 * 0.0254) // 37.9 L, 10 US gal: 7.5 rounded up
 */
export function wateringByRule(stemDiameter: number): number {
  const perBucket = limit('litresPerInch');
  return Math.ceil((stemDiameter / METRES_PER_INCH) * (1 - 1e-12)) * perBucket;
}

/** Water of one watering with its working. @param lasting the school of how long to water */
export const wateringQuantity = (stemDiameter: number, lasting: SchoolInForce): Quantity => ({
  ...named('waterAtEachWatering'),
  value: wateringByRule(stemDiameter),
  dimension: 'litres',
  working: {
    formula: '5 US gal for each inch of stem, in whole buckets',
    inputs: [{ name: 'stem diameter', value: stemDiameter, dimension: 'short length' }],
    source: PRACTICE_SOURCE,
    school: schoolNote(lasting),
    notes: [`For ${schoolValue(lasting, 'seasons')} growing season(s); probe first, skip when moist.`],
  },
});

/** Rounds of watering over the seasons of the school. */
export const wateringRounds = (lasting: SchoolInForce): Quantity => ({
  ...named('waterings'),
  value: schoolValue(lasting, 'seasons') * limit('wateringsASeason'),
  dimension: 'count',
  working: {
    formula: 'seasons × waterings a season',
    inputs: [
      { name: 'seasons', value: schoolValue(lasting, 'seasons'), dimension: 'count' },
      { name: 'waterings a season', value: limit('wateringsASeason'), dimension: 'count' },
    ],
    source: PRACTICE_SOURCE,
    school: schoolNote(lasting),
    notes: ['The probe decides each time.'],
  },
});

/** Lift and reset at the right height, where age, size and findings allow. */
export function resetOperation(s: Situation): Weighed {
  const hole = s.school('holeWidth');
  const ball = s.school('rootBall');
  const backfill = s.school('backfill');
  const watering = s.school('wateringYears');
  const staking = s.school('staking');
  const reference = s.school('plantingReference');
  const years = yearsInGround(s);
  const stem = s.tree.stemDiameter ?? s.tree.dbh;
  const { collarDeep } = s.verdict.facts;
  const { advice, why, barred } = weighedByTable('reset', s, []);
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
            {
              ...named('lift'),
              value: lift,
              dimension: 'short length',
              plusMinus: s.profile.collar?.depth.plusMinus,
              working: {
                formula: 'collar depth + height of the flare above grade',
                inputs: [
                  { name: 'collar depth', value: s.profile.collar!.depth.value, dimension: 'short length' },
                  { name: 'flare above grade', value: limit('resetProud'), dimension: 'short length' },
                ],
                source: PRACTICE_SOURCE,
                school: schoolNote(reference),
                notes: [],
              },
            },
            {
              ...named('holeDiameter'),
              value: ballDiameter * schoolValue(hole, 'times'),
              dimension: 'long length',
              working: {
                formula: 'root ball × times',
                inputs: [
                  {
                    name: 'root ball, estimated at ten stems',
                    value: ballDiameter,
                    dimension: 'long length',
                  },
                  { name: 'times', value: schoolValue(hole, 'times'), dimension: 'ratio' },
                ],
                source: PRACTICE_SOURCE,
                school: schoolNote(hole),
                notes: ['Measure the ball once it is open.'],
              },
            },
            wateringQuantity(stem!, watering),
            {
              ...named('crewHours'),
              value: limit('resetHours'),
              dimension: 'hours',
              working: { formula: 'by practice', inputs: [], source: PRACTICE_SOURCE, notes: [] },
            },
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
