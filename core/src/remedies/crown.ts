import { percent } from '../units/share';
import { diebackOf } from '../crown/dieback';
import { answerTo } from '../questions/question';
import type { Quantity } from '../units/quantity';
import { amount, crewHours } from '../weighing/amounts';
import {
  limit,
  schoolNote,
  schoolValue,
  used,
  yearsInGround,
  type Situation,
  type Weighed,
} from '../weighing/operation';
import { plannedOf } from '../weighing/planned';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';
import { vectorSeason } from '../weighing/season';

/** Work at the roots after which a school takes leaves off as well. */
const ROOT_WORK: readonly string[] = ['prune', 'reset'];

/** What comes off, and the hours by the height of the tree. */
function quantitiesOf(s: Situation, reduced: number): Quantity[] {
  const stem = s.tree.dbh ?? s.tree.stemDiameter;
  const height = s.tree.height ?? (stem === undefined ? undefined : stem * limit('heightPerDbh'));
  const dead = diebackOf(s.visit.findings) ?? 0;
  const off = dead + (1 - dead) * reduced;
  return [
    amount(
      'crownTakenOff',
      off,
      'share',
      'dead share + living share × share by school',
      [
        { name: 'dead share', value: dead, dimension: 'share' },
        { name: 'of the living, by school', value: reduced, dimension: 'share' },
      ],
      { school: schoolNote(s.school('crownReduction')) },
    ),
    ...(height === undefined
      ? []
      : [
          crewHours(
            limit('setUpHours') + height * limit('crownHours') * (1 + reduced),
            'set-up + height × hours a metre × (1 + share reduced)',
            [
              { name: 'height', value: height, dimension: 'long length' },
              { name: 'hours a metre', value: limit('crownHours'), dimension: 'ratio' },
              { name: 'share reduced', value: reduced, dimension: 'share' },
            ],
            { notes: s.tree.height === undefined ? ['Height estimated from the stem.'] : [] },
          ),
        ]),
  ];
}

/** Crown work: dead and broken wood; more only by school. Shaping of young trees waits for new roots, or does not. */
function weigh(s: Situation, { advice, why }: Ruled, before: readonly Weighed[]): Weighed {
  const reduction = s.school('crownReduction');
  const shaping = s.school('structuralPruning');
  const rootsGo = plannedOf(before, s.visit).some((o) => ROOT_WORK.includes(o.key));
  const reduced = rootsGo ? schoolValue(reduction, 'share') : 0;
  const year = Number(s.visit.date.slice(0, 4));
  const from = year + schoolValue(shaping, 'years');
  // An old crown has its shape.
  const shrub = answerTo(s.visit.findings, 'base.form')?.answer === 'shrub';
  const shaped = !shrub && (yearsInGround(s) ?? Infinity) <= limit('resetMaxYears');
  return {
    key: 'crown',
    title: reduced > 0 ? 'Crown reduction' : 'Dead and broken wood out',
    advice,
    summary: orNothing(
      advice,
      reduced > 0
        ? `Dead and broken wood out, and up to ${percent(reduced)} of the living crown: by the school followed.`
        : 'Dead and broken wood out; every living leaf stays, it feeds the new roots.',
    ),
    why,
    quantities: advice === 'not' ? [] : quantitiesOf(s, reduced),
    method: [
      'Cut at the branch collar, clean, nothing painted on.',
      reduced > 0
        ? 'Shorten to side branches at least a third as thick; no stubs, no topping.'
        : 'Nothing alive is taken to balance lost roots.',
      ...(shaped ? [`Structural pruning ${shaping.label}: not before ${from}.`] : []),
    ],
    cautions: [
      'By an arborist trained for work at height; a tree that may fall or has decayed is not climbed.',
      ...vectorSeason(s),
      'Power lines near the crown: only by people qualified for them.',
      ...(reduced > 0 ? [reduction.warning!] : []),
    ],
    acceptance: [
      reduced > 0
        ? 'Outline kept, no stub, no more off than was agreed.'
        : 'No dead limb thicker than a finger left over where people go.',
    ],
    schools: [used(reduction), ...(shaped ? [used(shaping)] : [])],
    season: `Dead wood any day outside nesting${shaped ? `; structural pruning from ${from}` : ''}.`,
    ...(advice !== 'not' && {
      lookAgain: {
        days: 365,
        why: `Whether the crown closes again${shaped ? '; structural pruning once it has grown' : ''}.`,
      },
    }),
    missing:
      advice !== 'not' &&
      s.tree.height === undefined &&
      s.tree.dbh === undefined &&
      s.tree.stemDiameter === undefined
        ? ['height or stem diameter']
        : [],
  };
}

export const crown: Remedy = {
  treats: [],
  settles: [],
  do: [
    {
      when: [{ measured: 'limbHangs' }],
      why: 'It comes down by itself, on whoever is below: keep people from under it until it is off.',
    },
    {
      when: [{ matter: 'crownReduction', school: 'third' }, { planned: 'prune' }],
      why: 'By that school the crown is fitted to the roots that are left.',
    },
    {
      when: [{ matter: 'crownReduction', school: 'third' }, { planned: 'reset' }],
      why: 'By that school the crown is fitted to the roots that are left.',
    },
  ],
  option: [
    {
      when: [{ measured: 'limbsCracked' }],
      why: 'An arborist inspects them from close by, and says what is cut and what is held.',
    },
    {
      when: [{ measured: 'deadWood' }],
      why: 'Dead limbs fall; what lives stays.',
    },
  ],
  against: [
    {
      when: [
        { node: 'crownDecline', standing: 'likely' },
        { matter: 'crownReduction', school: 'third' },
      ],
      why: 'A crown in decline has no leaf to spare.',
    },
  ],
  first: ['permits'],
  risks: ['Leaves taken off starve the roots that were to be helped.'],
  followUp: 'Count new dead wood at the next visit.',
  weigh,
};
