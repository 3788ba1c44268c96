import { amount } from '../weighing/amounts';
import { longMark, shortMark } from '../units/marks';
import { dugOut } from '../weighing/bowl';
import { limit, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';

/** A dry wall round the bowl that holds the grade off the stem. */
function weigh(s: Situation, { advice, why }: Ruled): Weighed {
  const dug = dugOut(s);
  const radius = dug && dug.stemRadius + limit('wellRoom');
  const face = dug && 2 * Math.PI * radius! * dug.floor;
  return {
    key: 'treeWell',
    title: 'Tree well',
    advice,
    summary: orNothing(
      advice,
      dug
        ? `A dry wall ${shortMark(dug.floor)} high, ${longMark(radius!)} from the centre of the stem, with a drain at its foot.`
        : '',
    ),
    why,
    quantities:
      advice === 'not' || !dug
        ? []
        : [
            amount('wallRadius', radius!, 'long length', 'stem radius + room from the bark', [
              { name: 'stem radius', value: dug.stemRadius, dimension: 'short length' },
              { name: 'room from the bark', value: limit('wellRoom'), dimension: 'short length' },
            ]),
            amount('faceOfWall', face!, 'area', '2 × pi × radius × height', [
              { name: 'radius', value: radius!, dimension: 'long length' },
              { name: 'height', value: dug.floor, dimension: 'short length' },
            ]),
            amount(
              'crewHours',
              limit('setUpHours') + face! * limit('wallHours'),
              'hours',
              'set-up + face × hours a m²',
              [
                { name: 'face', value: face!, dimension: 'area' },
                { name: 'hours a m²', value: limit('wallHours'), dimension: 'ratio' },
              ],
            ),
          ],
    method: [
      'Stones laid dry on the old surface between the main roots, none on a root; no footing is dug.',
      'Leaning outward against the soil, coarse stone and cloth behind it.',
      'A drain from the foot of the wall to lower ground; a grating or a rail where people walk.',
    ],
    cautions: [
      'Locate buried utilities before any digging.',
      'A wall higher than local codes allow without a design is designed by a licensed person.',
      'Fence the well until it is covered or railed.',
    ],
    acceptance: ['The flare is in view all round; water poured into the well is gone within an hour.'],
    schools: [],
    season: 'Frost-free, not waterlogged.',
    missing: advice === 'not' || dug ? [] : ['probe points', 'stem diameter'],
  };
}

export const treeWell: Remedy = {
  treats: ['gradeRaised', 'oxygenStarved'],
  settles: [],
  do: [],
  option: [
    {
      when: [{ measured: 'beyondABowl' }],
      why: 'Where the grade has to stay, a dry wall keeps it off the stem.',
    },
  ],
  bars: [{ when: [{ planned: 'reset' }], why: 'A tree that is lifted needs no well.' }],
  against: [{ when: [{ measured: 'waterStands' }], why: 'A well without a drain is a cistern.' }],
  first: ['utilities', 'permits'],
  risks: ['People and animals fall into an open well.', 'Leaves fill it within years.'],
  followUp: 'Cleared of leaves every autumn; the drain checked after heavy rain.',
  weigh,
};
