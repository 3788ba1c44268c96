import { inSentence } from '../vocabulary/inSentence';
import { answerTo } from '../questions/question';
import { amount, crewHours } from '../weighing/amounts';
import { standingOf } from '../diagnosis';
import { speciesForPlace, STRESS_WORDS, type Stress } from '../species';
import type { Quantity } from '../units/quantity';
import { tightGround } from '../weighing/ground';
import { longMark, shortMark } from '../units/marks';
import type { NodeKey } from '../vocabulary/causes';
import { limit, schoolNote, schoolValue, used, type Situation, type Weighed } from '../weighing/operation';
import { SET_RIGHT } from '../weighing/lift';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';
import { plantingSeason } from '../weighing/season';
import { wateringRounds } from '../weighing/watering';

/** Whether the next tree would be set into tight ground: measured, or likely at this one. */
const isTight = (s: Situation): boolean =>
  tightGround(s) !== undefined ||
  (['compaction', 'confinedHole'] as const).some((node) => standingOf(s.verdict, node).standing === 'likely');

/** Hours of planting; before it the ground loosened where it is tight. */
function plantingWork(s: Situation): Quantity[] {
  if (!isTight(s)) return [crewHours(limit('plantHours'))];
  const [radius, depth, rate] = [limit('preparedRadius'), limit('preparedDepth'), limit('loosenRate')];
  const volume = Math.PI * radius ** 2 * depth;
  return [
    amount('groundToLoosen', volume, 'volume', 'pi × radius² × depth', [
      { name: 'radius', value: radius, dimension: 'long length' },
      { name: 'depth', value: depth, dimension: 'short length' },
    ]),
    crewHours(limit('plantHours') + volume / rate, 'planting + ground ÷ m³ loosened in an hour', [
      { name: 'planting', value: limit('plantHours'), dimension: 'hours' },
      { name: 'ground', value: volume, dimension: 'volume' },
      { name: 'm³ in an hour', value: rate, dimension: 'ratio' },
    ]),
  ];
}

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
  ...plantingWork(s),
  wateringRounds(s.school('watering'), s.school('wateringYears')),
];

/** What the place asks of the next tree, by what stands likely at this one or was found in the ground. */
const ASKS: readonly {
  stress: Stress;
  nodes: readonly NodeKey[];
  finding?: readonly [string, ...string[]];
}[] = [
  { stress: 'wet', nodes: ['waterlogging'] },
  { stress: 'fill', nodes: ['compaction'] },
  { stress: 'drought', nodes: ['drought'] },
  { stress: 'lime', nodes: ['chlorosis'], finding: ['soil.ph', 'high', 'very high'] },
  { stress: 'salt', nodes: ['salt'], finding: ['soil.salt', 'raised', 'high'] },
];

/** Height that a young tree is to reach where nobody knows the species of the one that goes, m. Common practice, no source. */
const USUAL_HEIGHT = 15;

/** How tall a grown tree may be here, by the wires over it and the room it has, m; what decides it, in words. */
function tallestHere({ tree, visit }: Situation): { most: number; why: string[] } {
  const wires = answerTo(visit.findings, 'history.wires')?.number;
  const under = wires === undefined ? Infinity : Math.max(0, wires - limit('clearOfWires'));
  const narrow = tree.mulchRoom !== undefined && tree.mulchRoom < limit('narrowRoom');
  return {
    most: Math.min(under, narrow ? limit('narrowHeight') : Infinity),
    why: [
      ...(wires === undefined
        ? []
        : [`Wires at ${longMark(wires)}: no taller than ${longMark(under)} at maturity.`]),
      ...(narrow
        ? [
            `${longMark(tree.mulchRoom!)} to what is laid or built: no taller than ${longMark(limit('narrowHeight'))} at maturity, or a wider place.`,
          ]
        : []),
    ],
  };
}

/** Which species are fit for the place, and what it asks of them. */
function speciesHere(s: Situation): string[] {
  const asks = ASKS.filter(
    ({ nodes, finding }) =>
      nodes.some((node) => standingOf(s.verdict, node).standing === 'likely') ||
      s.verdict.evidence.some((e) => e.key === finding?.[0] && finding.includes(e.answer)),
  ).map((a) => a.stress);
  const { most, why } = tallestHere(s);
  const found = speciesForPlace(
    asks,
    Math.min(most, s.species?.height ?? USUAL_HEIGHT),
    s.species?.name.split(' ')[0],
    s.house.species,
    most,
  );
  const names = found.map((f) => (f.common[0] ? `${f.name} (${f.common[0]})` : f.name)).join(', ');
  const stands = asks.map((a) => STRESS_WORDS[a]).join(', ');
  const lead = asks.length > 0 ? `It must tolerate ${stands}` : 'The ground asks nothing special';
  return [
    ...why,
    found.length > 0
      ? `${lead}: for example ${names}; check hardiness and local pests first.`
      : `${lead}, and no species of the table fits: correct the soil first, or choose another place.`,
  ];
}

/** A young tree in its place. */
function weigh(s: Situation, { advice, why }: Ruled): Weighed {
  const reference = s.school('plantingReference');
  const hole = s.school('holeWidth');
  const manner = s.school('watering');
  const lasting = s.school('wateringYears');
  const shaping = s.school('structuralPruning');
  const rings = s.school('rootRings');
  const timing = s.school('plantingSeason');
  const shaped = Number(s.visit.date.slice(0, 4)) + schoolValue(shaping, 'years');
  return {
    key: 'replace',
    title: 'Replace',
    advice,
    summary: orNothing(
      advice,
      'A young tree with its flare in view and nothing circling, of a species that tolerates this site.',
    ),
    why,
    quantities: advice === 'not' ? [] : replacementQuantities(s),
    method: [
      'Mature size against wires, buildings and paving; species against soil wetness and pH.',
      ...speciesHere(s),
      `At the nursery: flare in view or within ${shortMark(0.02)} of the top, nothing circling when the pot is drawn off, stem that stands without its stake, a leader, no wounds, tag with the species; what fails is left there.`,
      `Ties, wire, tape and labels off; the outer ${shortMark(0.02)} to ${shortMark(0.03)} of a potted ball shaved, roots spread outward.`,
      ...(isTight(s)
        ? [
            `Loosen the ground first, ${longMark(limit('preparedRadius'))} about the place and ${shortMark(limit('preparedDepth'))} deep, in dry weather; compost into the upper half. The floor under the ball stays firm.`,
          ]
        : []),
      `Planted by ${reference.label}; hole ${hole.label}; a deep prepared hole does what a root-control ring promises.`,
      `Structural pruning ${shaping.label}: not before ${shaped}.`,
    ],
    cautions: [
      'Locate buried utilities before any digging.',
      'Overhead lines.',
      ...(rings.warning ? [`Root-control ring: ${inSentence(rings.warning)}`] : []),
    ],
    acceptance: [`${SET_RIGHT}; stem upright; firmed, watered in.`],
    schools: [
      used(reference),
      used(hole),
      used(manner),
      used(lasting),
      used(shaping),
      used(rings),
      used(timing),
    ],
    season: plantingSeason(s),
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
      why: 'The next tree meets the same water: drain first, or a species that tolerates it.',
    },
    {
      when: [{ node: 'compaction', standing: 'likely' }],
      why: 'The next tree meets the same ground: open it first.',
    },
  ],
  first: ['utilities'],
  window: 'planting',
  risks: ['Planted as deep as the one before.'],
  followUp: 'Flare in view, stake out after 12 months, two seasons of water.',
  weigh,
};
