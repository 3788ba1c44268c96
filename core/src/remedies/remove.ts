import { amount, crewHours } from '../weighing/amounts';
import { diebackOf } from '../crown/dieback';
import type { Quantity } from '../units/quantity';
import { limit, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import type { Ruled } from '../weighing/ruled';

/** Hours and chips of taking a tree down with its stump, from its DBH; empty where that is not known. */
function removalQuantities({ tree }: Situation): Quantity[] {
  const dbh = tree.dbh ?? tree.stemDiameter;
  if (dbh === undefined) return [];
  const hours = limit('setUpHours') + dbh * limit('removalHours') + dbh * limit('stumpHours');
  const height = tree.height ?? dbh * limit('heightPerDbh');
  return [
    crewHours(
      hours,
      'set-up + DBH × (hours a metre to fell and chip + to take the stump out)',
      [
        { name: 'DBH', value: dbh, dimension: 'short length' },
        { name: 'hours a metre, tree', value: limit('removalHours'), dimension: 'ratio' },
        { name: 'hours a metre, stump', value: limit('stumpHours'), dimension: 'ratio' },
      ],
      { notes: tree.dbh === undefined ? ['DBH not measured: stem at the base in its place.'] : [] },
    ),
    amount(
      'chipsToTakeAway',
      (Math.PI / 4) * dbh ** 2 * height * limit('chipsPerStem'),
      'volume',
      'stem as a cylinder × chips for each m³ of it',
      [
        { name: 'DBH', value: dbh, dimension: 'short length' },
        { name: 'height', value: height, dimension: 'long length' },
        { name: 'chips for each m³', value: limit('chipsPerStem'), dimension: 'ratio' },
      ],
      { notes: tree.height === undefined ? ['Height estimated from DBH.'] : [] },
    ),
  ];
}

/** Removal: always in the list with its reason. */
function weigh(s: Situation, { advice, why }: Ruled): Weighed {
  const dieback = diebackOf(s.visit.findings);
  return {
    key: 'remove',
    title: 'Remove',
    advice,
    summary:
      advice === 'do'
        ? 'Take it down from a lift or from the ground before it falls to pieces; nobody climbs it.'
        : advice === 'option'
          ? 'Worth comparing with the cost of treatment.'
          : 'Not called for by anything seen.',
    why: advice === 'not' ? ['Neither crown nor anchorage calls for it.'] : why,
    quantities: removalQuantities(s),
    method: [
      'Dead or decayed trees are not climbed: use a lift or fell.',
      'Stump and failed root ball out or ground down; inspect the roots: they show what the others of the planting have.',
    ],
    cautions: [
      'Have stability assessed by a qualified person; clear the target area until then.',
      'Overhead lines, traffic, protected-tree permits and nesting seasons come first.',
    ],
    acceptance: ['Stump and failed root ball out, hole opened to native soil, place left safe.'],
    schools: [],
    season: 'When permits and nesting seasons allow.',
    missing: dieback === undefined && advice !== 'do' ? ['dieback'] : [],
  };
}

export const remove: Remedy = {
  treats: [],
  settles: [],
  do: [
    {
      when: [{ measured: 'dead' }],
      why: 'A dead tree falls to pieces, and each year makes it harder to take down.',
    },
  ],
  option: [
    { when: [{ measured: 'beyondHelp' }], why: 'With so little crown left recovery is rare.' },
    {
      when: [
        { fact: 'rocks', is: 'yes' },
        { fact: 'barkSoft', is: 'yes' },
      ],
      why: 'What rocks on a decayed base may fall.',
    },
    {
      when: [
        { fact: 'rocks', is: 'yes' },
        { fact: 'conks', is: 'yes' },
      ],
      why: 'What rocks on a decayed base may fall.',
    },
    {
      when: [
        { fact: 'rocks', is: 'yes' },
        { fact: 'hollow', is: 'yes' },
      ],
      why: 'What rocks on a decayed base may fall.',
    },
  ],
  against: [],
  first: ['permits', 'stability', 'utilities'],
  risks: ['Dead and decayed trees break under a climber: lift or fell.'],
  followUp: 'Inspect the stump: it shows what the other trees of the planting have.',
  weigh,
};
