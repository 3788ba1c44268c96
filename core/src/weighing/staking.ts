import { answerTo } from '../questions/question';
import type { Quantity } from '../units/quantity';
import { amount } from './amounts';
import { limit, schoolNote, type Situation } from './operation';

/** Stakes by height and wind: how many, how long and where they are tied. Without a height the usual two. */
export function stakeQuantities(s: Situation): Quantity[] {
  const school = schoolNote(s.school('staking'));
  const wind = answerTo(s.visit.findings, 'history.wind')?.answer;
  const { height } = s.tree;
  const [windy, sheltered] = [wind === 'windy', wind === 'sheltered'];
  const stakes =
    windy || (height ?? 0) >= limit('threeStakesFrom')
      ? 3
      : sheltered && height !== undefined && height <= limit('oneStakeTo')
        ? 1
        : 2;
  const sets = amount(
    'stakeSets',
    Math.ceil(stakes / 2),
    'count',
    'sets of two stakes and a broad tie, rounded up',
    [{ name: 'stakes', value: stakes, dimension: 'count' }],
    { school },
  );
  const needed = amount('stakesNeeded', stakes, 'count', 'by height and wind', [], {
    school,
    notes: [
      ...(wind === undefined ? ['How windy the place is was not noted: as usual.'] : []),
      ...(height === undefined ? ['Height not measured.'] : []),
      ...(windy ? ['One to windward.'] : []),
    ],
  });
  if (height === undefined) return [needed, sets];
  const share = limit(windy ? 'tieShareWindy' : 'tieShare');
  const tie = share * height;
  return [
    needed,
    amount('tieHeight', tie, 'long length', 'share of the height', [
      { name: 'share', value: share, dimension: 'share' },
      { name: 'height of the tree', value: height, dimension: 'long length' },
    ]),
    amount(
      'stakeLength',
      limit('stakeInGround') + tie + limit('stakeOverTie'),
      'long length',
      'in the ground + height of the tie + what stands over it',
      [
        { name: 'in the ground', value: limit('stakeInGround'), dimension: 'short length' },
        { name: 'tie', value: tie, dimension: 'long length' },
        { name: 'over the tie', value: limit('stakeOverTie'), dimension: 'short length' },
      ],
    ),
    sets,
  ];
}
