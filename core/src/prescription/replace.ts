import { named, type QuantityKey } from '../vocabulary/quantities';
import type { Quantity } from '../units/quantity';
import { orNothing, weighedByTable } from './byTable';
import { wateringRounds } from './reset';
import { limit, PRACTICE_SOURCE, used, type Situation, type Weighed } from './operation';

const count = (key: QuantityKey, value: number, formula: string): Quantity => ({
  ...named(key),
  value,
  dimension: 'count',
  working: { formula, inputs: [], source: PRACTICE_SOURCE, notes: [] },
});

/** What a young tree in its place takes. */
export const replacementQuantities = (s: Situation): Quantity[] => [
  count('youngTrees', 1, 'one in its place'),
  count('stakeSets', 1, 'one set of two stakes and a broad tie'),
  {
    ...named('crewHours'),
    value: limit('plantHours'),
    dimension: 'hours',
    working: { formula: 'by practice', inputs: [], source: PRACTICE_SOURCE, notes: [] },
  },
  wateringRounds(s.school('wateringYears')),
];

/** A young tree in its place. */
export function replaceOperation(s: Situation, operations: readonly Weighed[]): Weighed {
  const { advice, why } = weighedByTable('replace', s, operations);
  const reference = s.school('plantingReference');
  const hole = s.school('holeWidth');
  const lasting = s.school('wateringYears');
  return {
    key: 'replace',
    title: 'Replace',
    advice,
    summary: orNothing(
      advice,
      'A young tree with its flare in view and nothing circling, of a species that stands this ground.',
    ),
    why,
    quantities: advice === 'not' ? [] : replacementQuantities(s),
    method: [
      'Mature size against wires, buildings and paving; species against soil wetness and pH.',
      'Stock with a visible flare and no circling roots; ties and wire off.',
      `Planted by ${reference.label}; hole ${hole.label}; a deep prepared hole does what a root-control ring promises.`,
    ],
    cautions: ['Locate buried utilities before any digging.', 'Overhead lines.'],
    acceptance: [
      'Flare at or up to 5 cm above grade under a straight stick; stem upright; firmed, watered in.',
    ],
    schools: [used(reference), used(hole), used(lasting)],
    season: 'Dormant season.',
    missing: [],
  };
}
