import { inARow } from '@undrel/core/vocabulary';
import {
  byStage,
  estimate,
  formatMoney,
  needsTogether,
  type Estimate,
  type Rates,
} from '@undrel/core/costing';
import type { OperationKey } from '@undrel/core/vocabulary';
import { USUAL_READINGS, type LargeTree } from '../../protocol/heavy';
import { KEEP_AWAY } from '../../protocol/mayFall';
import type { Block, ReadDocument, Section } from '../../protocol/document';
import { isDone, isOpen, isWorked, type WorkTree } from '../../protocol/propertyWork';
import { harm, heading, table, text } from '../../documents/blocks';
import { percents } from '@undrel/core/units';

/** How many trees a letter lists by name, by how short it has to be. */
const LISTED = [30, 18, 8, 0] as const;

/** Work of one kind at several trees: its name, at how many, and at which. */
function kindsOf(
  trees: readonly { label: string; kinds: readonly { operation: OperationKey; title: string }[] }[],
): string[][] {
  const kinds = new Map<OperationKey, { title: string; at: string[] }>();
  for (const { label, kinds: own } of trees)
    for (const { operation, title } of own) {
      const kind = kinds.get(operation) ?? { title, at: [] };
      if (!kind.at.includes(label)) kind.at.push(label);
      kinds.set(operation, kind);
    }
  return [...kinds.values()]
    .sort((a, b) => b.at.length - a.at.length)
    .map(({ title, at }) => [
      title,
      String(at.length),
      at.length > 12 ? `${at.slice(0, 12).join(', ')} and ${at.length - 12} more` : at.join(', '),
    ]);
}

const KINDS = { head: ['work', 'trees', 'where'], widths: [38, 10, 52] };

/** That a sum holds the tax, by its name, where one is charged. */
export const taxTold = ({ tax }: Pick<Estimate, 'tax'>): string => (tax ? `, ${tax.name} included` : '');

/** What all of it costs, by season and together. */
function costs(open: readonly WorkTree[], rates: Rates | undefined): Section[] {
  if (!rates) return [];
  const needs = needsTogether(open.map((w) => w.needs));
  const whole = estimate(needs, rates);
  const stages = byStage(needs, rates);
  return [
    {
      title: 'What it costs',
      blocks: [
        text(`${formatMoney(whole.total, rates.currency)}${taxTold(whole)}.`, 'lead'),
        ...(stages.length > 1
          ? table(
              'Costs by season',
              ['season', `sum${taxTold(whole)}`],
              [60, 40],
              stages.map((s) => [
                `Season ${s.stage}, ${s.year}`,
                formatMoney(s.estimate.total, rates.currency),
              ]),
            )
          : []),
      ],
    },
  ];
}

/** How many of the trees are lost where nothing is done, at best and at worst, and those that are the likeliest to be. */
function otherwise(open: readonly WorkTree[]): Section[] {
  const told = open.flatMap(({ label, ifNothing }) => (ifNothing ? [{ label, ...ifNothing }] : []));
  if (told.length === 0) return [];
  const lost = (end: 'from' | 'to') => Math.round(told.reduce((sum, t) => sum + 1 - t[end], 0));
  const [best, worst] = [lost('to'), lost('from')];
  const first = told.filter((t) => t.to < 0.5).sort((a, b) => a.from + a.to - b.from - b.to);
  const some = best === worst ? String(best) : `${best} to ${worst}`;
  // A tree that is dead, or was taken down, has nothing left to lose, and needs work all the same.
  const living = told.length < open.length ? 'living ' : '';
  const of =
    told.length === 1
      ? `the ${living}tree that needs work`
      : `the ${told.length} ${living}trees that need work`;
  return [
    {
      title: 'If nothing is done',
      blocks: [
        text(
          told.length === 1
            ? `The chance that ${of} is still worth keeping in ten years is ${percents(told[0]!)}.`
            : `Of ${of}, we expect ${some} to be lost, or no longer worth keeping, within ten years.`,
        ),
        ...(told.length > 1 && first.length > 0
          ? [
              text(
                `More likely lost than not: ${first
                  .slice(0, 12)
                  .map((t) => t.label)
                  .join(', ')}${first.length > 12 ? ` and ${first.length - 12} more` : ''}.`,
              ),
            ]
          : []),
      ],
    },
  ];
}

/** Trees of a property, how many of them were visited and worked out, and which were not worked out. */
interface Counts {
  trees: number;
  visited: number;
  large: readonly LargeTree[];
}

const one = (n: number, single: string, many: string): string => (n === 1 ? single : `${n} ${many}`);

/** How many trees wait for a decision. */
export function toDecideTold(work: readonly WorkTree[]): string | undefined {
  const trees = work.filter((w) => w.toDecide.length > 0).length;
  return trees > 0 ? `At ${one(trees, 'one tree', 'trees')} work is still to be decided.` : undefined;
}

/** Which visited trees are not worked out with the others; undefined where all are. */
export function leftOutTold(large: readonly LargeTree[]): string | undefined {
  if (large.length === 0) return undefined;
  const labels = large.map((t) => t.label).join(', ');
  return `Not worked out in this report: ${labels}. A dig of more than ${USUAL_READINGS.toLocaleString('en')} readings is worked out on the page of its tree.`;
}

/** Which trees may fall and were not assessed yet, those not worked out among them; nothing where none may. */
export function mayFallTold(work: readonly WorkTree[], large: readonly LargeTree[]): Block[] {
  const labels = [
    ...work.filter((w) => w.steps.some((s) => s.operation === 'stability' && !isDone(s.done))),
    ...large.filter((t) => t.mayFall !== undefined),
  ].map((t) => t.label);
  return harm(
    labels.length > 0 ? [`${labels.join(', ')}: may fall. ${KEEP_AWAY}`] : [],
    'Before anything else',
  );
}

/** How many trees need work, and first of all those that may fall. */
function found(
  work: readonly WorkTree[],
  open: readonly WorkTree[],
  { trees, visited, large }: Counts,
): Section {
  const unvisited = trees - visited - large.length;
  return {
    title: 'What was found',
    blocks: [
      ...mayFallTold(open, large),
      text(
        `Of ${trees} trees, ${one(open.length, 'one needs', 'need')} work.${
          unvisited > 0 ? ` ${unvisited === 1 ? 'One has' : `${unvisited} have`} not been visited yet.` : ''
        }`,
        'lead',
      ),
      ...[leftOutTold(large), toDecideTold(work)].flatMap((told) => (told ? [text(told)] : [])),
    ],
  };
}

/** The work by kind, with the trees at which it is left to do, and what is still to be decided. */
function toDo(work: readonly WorkTree[], open: readonly WorkTree[]): Section {
  const undecided = kindsOf(work.map(({ label, toDecide }) => ({ label, kinds: toDecide })));
  return {
    title: 'What to do',
    blocks: [
      ...(open.length === 0
        ? [text(work.some(isWorked) ? 'Nothing is left to do.' : 'No work is prescribed.')]
        : table(
            'Work by kind',
            KINDS.head,
            KINDS.widths,
            kindsOf(open.map(({ label, steps }) => ({ label, kinds: steps.filter((s) => !isDone(s.done)) }))),
          )),
      ...(undecided.length > 0
        ? [
            heading('Still to be decided'),
            ...table('Still to be decided', KINDS.head, KINDS.widths, undecided),
          ]
        : []),
    ],
  };
}

/** Trees by name, as many as there is room for. */
function byName(open: readonly WorkTree[], most: number): Section[] {
  const listed = open.slice(0, most);
  if (listed.length === 0) return [];
  return [
    {
      title: listed.length < open.length ? 'Trees to begin with' : 'Trees that need work',
      blocks: table(
        'Trees that need work',
        ['tree', 'what is wrong', 'work'],
        [16, 44, 40],
        listed.map((w) => [
          w.label,
          w.verdict,
          inARow([...new Set(w.steps.filter((s) => !isDone(s.done)).map((s) => s.title))]),
        ]),
      ),
    },
  ];
}

const HOW_SURE: Section = {
  title: 'How sure we are',
  blocks: [
    text(
      'This is our opinion from what could be examined on the days of the visits. It is not a tree risk assessment. The full record gives every tree with its measurements, reasons and methods.',
      'muted',
    ),
  ],
};

/**
 * The letter to whoever owns a property: how many trees need what, those that may fall first, and what it costs.
 *
 * @param head what stands over and under it
 * @param tight how much is left out so that it fits its two pages, from 0 on
 */
export function propertyLetter(
  head: Omit<ReadDocument, 'sections'>,
  counts: Counts,
  work: readonly WorkTree[],
  rates: Rates | undefined,
  tight: number,
): ReadDocument {
  const open = work.filter(isOpen);
  return {
    ...head,
    compact: true,
    sections: [
      found(work, open, counts),
      toDo(work, open),
      ...costs(open, rates),
      ...otherwise(open),
      ...byName(open, LISTED[Math.min(tight, LISTED.length - 1)]!),
      HOW_SURE,
    ],
  };
}
