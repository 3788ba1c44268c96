import { amount, crewHours } from '../weighing/amounts';
import type { Quantity } from '../units/quantity';
import { limit, schoolNote, schoolValue, used, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';
import { wateringRounds } from '../weighing/watering';

/** What a young tree in its place takes. */
export const replacementQuantities = (s: Situation): Quantity[] => [
  amount('youngTrees', 1, 'count', 'one in its place'),
  amount('stakeSets', 1, 'count', 'one set of two stakes and a broad tie'),
  ...(s.school('rootRings').key === 'use'
    ? [
        amount('ringsToSet', 1, 'count', 'one round the hole, by school', [], {
          school: schoolNote(s.school('rootRings')),
        }),
      ]
    : []),
  crewHours(limit('plantHours')),
  wateringRounds(s.school('watering'), s.school('wateringYears')),
];

/** A young tree in its place. */
function weigh(s: Situation, { advice, why }: Ruled): Weighed {
  const reference = s.school('plantingReference');
  const hole = s.school('holeWidth');
  const manner = s.school('watering');
  const lasting = s.school('wateringYears');
  const shaping = s.school('structuralPruning');
  const rings = s.school('rootRings');
  const shaped = Number(s.visit.date.slice(0, 4)) + schoolValue(shaping, 'years');
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
      `Structural pruning ${shaping.label}: not before ${shaped}.`,
    ],
    cautions: [
      'Locate buried utilities before any digging.',
      'Overhead lines.',
      ...(rings.warning
        ? [`Root-control ring: ${rings.warning.charAt(0).toLowerCase()}${rings.warning.slice(1)}`]
        : []),
    ],
    acceptance: [
      'Flare at or up to 5 cm above grade under a straight stick; stem upright; firmed, watered in.',
    ],
    schools: [used(reference), used(hole), used(manner), used(lasting), used(shaping), used(rings)],
    season: 'Dormant season.',
    missing: [],
  };
}

export const replace: Remedy = {
  treats: [],
  settles: [],
  do: [{ when: [{ planned: 'remove' }], why: 'The place stays empty otherwise.' }],
  option: [{ when: [{ measured: 'beyondHelp' }], why: 'It is unlikely to come back; a young tree would.' }],
  against: [
    {
      when: [{ node: 'waterlogging', standing: 'likely' }],
      why: 'The next tree meets the same water: drain first, or a species that stands it.',
    },
    {
      when: [{ node: 'compaction', standing: 'likely' }],
      why: 'The next tree meets the same ground: open it first.',
    },
  ],
  first: ['utilities'],
  window: { from: 10, to: 4, why: 'Planted while leafless.' },
  risks: ['Planted as deep as the last one.'],
  followUp: 'Flare in view, stake out after 12 months, two seasons of water.',
  weigh,
};
