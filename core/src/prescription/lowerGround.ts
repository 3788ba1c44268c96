import { named, type QuantityKey } from '../vocabulary/quantities';
import { roundMean } from '../geometry';
import { longMark, shortMark } from '../units/marks';
import type { Quantity } from '../units/quantity';
import { orNothing, weighedByTable } from './byTable';
import { bowl } from './excavate';
import { limit, PRACTICE_SOURCE, type Situation, type Weighed } from './operation';

type Inputs = Quantity['working']['inputs'];

const quantity = (
  key: QuantityKey,
  value: number,
  dimension: Quantity['dimension'],
  formula: string,
  inputs: Inputs,
  notes: string[] = [],
): Quantity => ({
  ...named(key),
  value,
  dimension,
  working: { formula, inputs, source: PRACTICE_SOURCE, notes },
});

/** Depth of the collar by bearing, and the bowl that is dug in any case; undefined where it was not probed. */
function dugOut({ profile: { collar, stemRadius } }: Situation) {
  if (!collar || stemRadius === undefined) return undefined;
  const depths = collar.byBearing;
  return {
    depths,
    stemRadius,
    floor: Math.max(0, roundMean(depths)),
    bowl: bowl(depths, stemRadius, limit('workingRoom'), limit('featherRun')),
  };
}

const MISSING = ['probe points', 'stem diameter'];

/** A wide, gentle fall in place of the steep side of the bowl, where the collar lies too deep for one. */
export function regradeOperation(s: Situation, operations: readonly Weighed[]): Weighed {
  const { advice, why } = weighedByTable('regrade', s, operations);
  const dug = dugOut(s);
  const wide = dug && bowl(dug.depths, dug.stemRadius, limit('workingRoom'), limit('regradeRun'));
  const soil = wide && Math.max(0, wide.volume - dug.bowl.volume);
  return {
    key: 'regrade',
    title: 'Wider regrade',
    advice,
    summary: orNothing(
      advice,
      wide
        ? `Ground falls gently from ${longMark(wide.outerRadius)} out to the floor of the bowl, 1 in ${limit('regradeRun')}.`
        : '',
    ),
    why,
    quantities:
      advice === 'not' || !wide
        ? []
        : [
            quantity(
              'regradeRadius',
              wide.outerRadius,
              'long length',
              'stem radius + working room + run × depth',
              [
                { name: 'stem radius', value: dug.stemRadius, dimension: 'short length' },
                { name: 'working room', value: limit('workingRoom'), dimension: 'short length' },
                { name: 'run for each unit of depth', value: limit('regradeRun'), dimension: 'ratio' },
                { name: 'mean depth', value: dug.floor, dimension: 'short length' },
              ],
            ),
            quantity('soilToTakeOut', soil!, 'volume', 'the wide bowl less the steep one', [
              { name: 'wide bowl', value: wide.volume, dimension: 'volume' },
              { name: 'root collar excavation', value: dug.bowl.volume, dimension: 'volume' },
            ]),
            quantity('spoilHeap', soil! * limit('soilSwell'), 'volume', 'soil × swell', [
              { name: 'swell', value: limit('soilSwell'), dimension: 'ratio' },
            ]),
            quantity(
              'crewHours',
              limit('setUpHours') + soil! / limit('airRate'),
              'hours',
              'set-up + soil / rate of the air tool',
              [
                { name: 'set-up', value: limit('setUpHours'), dimension: 'hours' },
                { name: 'rate, m³ an hour', value: limit('airRate'), dimension: 'ratio' },
              ],
            ),
            quantity('airTool', soil! / limit('airRate'), 'hours', 'soil / rate of the tool', [
              { name: 'rate, m³ an hour', value: limit('airRate'), dimension: 'ratio' },
            ]),
          ],
    method: [
      'From the bowl outward with air or by hand; no machine drives over the root zone.',
      'Stop at the old surface: the change of colour, an old turf layer. Roots of the tree stay whole.',
      'Shape the fall so that water passes the stem by; the edge meets the ground without a step.',
    ],
    cautions: [
      'Locate buried utilities before any digging.',
      'Fence the open ground until it is mulched or sown.',
    ],
    acceptance: [
      'No step and no hollow under a long straight stick; a bucket poured at the edge passes the stem.',
    ],
    schools: [],
    season: 'Frost-free, not waterlogged; before winter rain or after it.',
    missing: advice === 'not' || wide ? [] : MISSING,
  };
}

/** A dry wall round the bowl that holds the grade off the stem. */
export function treeWellOperation(s: Situation, operations: readonly Weighed[]): Weighed {
  const { advice, why } = weighedByTable('treeWell', s, operations);
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
            quantity('wallRadius', radius!, 'long length', 'stem radius + room from the bark', [
              { name: 'stem radius', value: dug.stemRadius, dimension: 'short length' },
              { name: 'room from the bark', value: limit('wellRoom'), dimension: 'short length' },
            ]),
            quantity('faceOfWall', face!, 'area', '2 × pi × radius × height', [
              { name: 'radius', value: radius!, dimension: 'long length' },
              { name: 'height', value: dug.floor, dimension: 'short length' },
            ]),
            quantity(
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
    missing: advice === 'not' || dug ? [] : MISSING,
  };
}
