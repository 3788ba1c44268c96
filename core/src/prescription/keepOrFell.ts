import { named } from '../vocabulary/quantities';
import { answerTo } from '../questions/question';
import type { Quantity } from '../units/quantity';
import { weighedByTable } from './byTable';
import { limit, PRACTICE_SOURCE, used, type Weighed, type Situation } from './operation';

/** Watch only: always in the list; advised when nothing examined calls for work. */
export function watchOperation(s: Situation, work: readonly Weighed[]): Weighed {
  const fertiliser = s.school('fertiliser');
  const { advice, why } = weighedByTable('watch', s, work);
  const workAdvised = advice === 'not';
  const likely = s.verdict.causes.filter((c) => c.standing === 'likely').map((c) => c.label.toLowerCase());
  const summary = s.verdict.danger
    ? 'Not as it stands: it may fall. People are kept away and its stability is assessed first.'
    : workAdvised
      ? 'The faults found do not mend themselves; each year the stem thickens into them.'
      : likely.length > 0
        ? `No work on this list answers what is likely: ${likely.join(', ')}. Have that seen to; measure again in a year.`
        : 'Nothing measured calls for work now; measure again in a year.';
  return {
    key: 'watch',
    title: 'Watch only',
    advice,
    summary,
    why: workAdvised ? ['Operations are advised for faults that grow.'] : why,
    quantities: [],
    method: [
      'Measure the same shoots, colour, density and stem diameter at the same season.',
      `Fertiliser: ${fertiliser.label}.`,
      'Compare with a healthy tree of the species on the same ground.',
    ],
    cautions: ['Young vigorous trees hide a buried collar for years: a good crown is no proof.'],
    acceptance: ['Shoots no shorter and crown no thinner than at this visit.'],
    schools: [used(fertiliser)],
    season: 'In leaf, about the same date.',
    lookAgain: { days: 365, why: 'Re-measure shoots, density and stem; compare with this visit.' },
    missing: [],
  };
}

/** Hours and chips of taking a tree down with its stump, from its DBH; empty where that is not known. */
function removalQuantities({ tree }: Situation): Quantity[] {
  const dbh = tree.dbh ?? tree.stemDiameter;
  if (dbh === undefined) return [];
  const hours = limit('setUpHours') + dbh * limit('removalHours') + dbh * limit('stumpHours');
  const height = tree.height ?? dbh * limit('heightPerDbh');
  return [
    {
      ...named('crewHours'),
      value: hours,
      dimension: 'hours',
      working: {
        formula: 'set-up + DBH × (hours a metre to fell and chip + to take the stump out)',
        inputs: [
          { name: 'DBH', value: dbh, dimension: 'short length' },
          { name: 'hours a metre, tree', value: limit('removalHours'), dimension: 'ratio' },
          { name: 'hours a metre, stump', value: limit('stumpHours'), dimension: 'ratio' },
        ],
        source: PRACTICE_SOURCE,
        notes: tree.dbh === undefined ? ['DBH not measured: stem at the base in its place.'] : [],
      },
    },
    {
      ...named('chipsToTakeAway'),
      value: (Math.PI / 4) * dbh ** 2 * height * limit('chipsPerStem'),
      dimension: 'volume',
      working: {
        formula: 'stem as a cylinder × chips for each m³ of it',
        inputs: [
          { name: 'DBH', value: dbh, dimension: 'short length' },
          { name: 'height', value: height, dimension: 'long length' },
          { name: 'chips for each m³', value: limit('chipsPerStem'), dimension: 'ratio' },
        ],
        source: PRACTICE_SOURCE,
        notes: tree.height === undefined ? ['Height estimated from DBH.'] : [],
      },
    },
  ];
}

/** Removal: always in the list with its reason. */
export function removeOperation(s: Situation): Weighed {
  const dieback = answerTo(s.visit.findings, 'crown.dieback')?.number;
  const { advice, why } = weighedByTable('remove', s, []);
  return {
    key: 'remove',
    title: 'Remove',
    advice,
    summary:
      advice === 'option'
        ? 'Worth weighing against the cost of treatment.'
        : 'Not called for by anything seen.',
    why: advice === 'option' ? why : ['Crown and hold do not call for it.'],
    quantities: removalQuantities(s),
    method: [
      'Dead or decayed trees are not climbed: use a lift or fell.',
      'Stump and failed root ball out or ground down; look at the roots: they tell what the others of the planting have.',
    ],
    cautions: [
      'Have stability assessed by a qualified person; clear the target area until then.',
      'Overhead lines, traffic, protected-tree permits and nesting seasons come first.',
    ],
    acceptance: ['Stump and failed root ball out, hole opened to native soil, place left safe.'],
    schools: [],
    season: 'When permits and nesting seasons allow.',
    missing: dieback === undefined ? ['dieback'] : [],
  };
}
