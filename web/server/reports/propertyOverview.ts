import { inSentence } from '@undrel/core/vocabulary';
import {
  byStage,
  estimate,
  formatMoney,
  needsTogether,
  sumOf,
  type Estimate,
  type Need,
  type Rates,
} from '@undrel/core/costing';
import { type UnitSystem } from '@undrel/core/units';
import {
  paperOf,
  textBlock as text,
  type Block,
  type ReadDocument,
  type Section,
} from '../../protocol/document';
import { propertyMap } from '../../drawings/propertyMap';
import type { PropertyPage } from '../../protocol/grounds';
import type { LargeTree } from '../../protocol/heavy';
import { isDone, isOpen, isWorked, type WorkTree } from '../../protocol/propertyWork';
import type { TreeSource } from '../../work/offers/treeWork';
import { estimateRows, leftOut } from '../../work/costs/words';
import { leftOutTold, mayFallTold, taxTold, toDecideTold } from './propertyLetter';

/** Points of a page, as the map stands in the PDF. */
const MAP = { width: 515, most: 360 };

/** A property to report on. */
export interface Grounds {
  page: PropertyPage;
  firm: string;
  made: string;
  rates: Rates | undefined;
  system: UnitSystem;
  /** Visited trees that are not worked out. */
  large: readonly LargeTree[];
}

/** What stands over and under the documents of a property, before they are issued. */
export const headOf = ({ page, firm, made, system }: Grounds): Omit<ReadDocument, 'sections'> => ({
  firm,
  stamp: `Made on ${made}`,
  title: page.name,
  lines: [
    ...(page.client ? [`For ${page.client}`] : []),
    `${page.trees.length} trees; the newest visit of each`,
  ],
  foot: `${page.name} · ${made}`,
  paper: paperOf(system),
});

/** What is prescribed for a tree, each operation once, with what was recorded of it; then what is still to be decided. */
function workText({ steps, toDecide }: WorkTree): string {
  const operations = [...new Set(steps.map((s) => s.operation))];
  return [
    ...operations.map((operation) => {
      const parts = steps.filter((s) => s.operation === operation);
      const title = inSentence(parts[0]!.title);
      const finished = parts.filter((s) => isDone(s.done)).length;
      if (parts.length > 1)
        return `${title} in ${parts.length} seasons${finished > 0 ? ` (${finished} done)` : ''}`;
      return `${title}${parts[0]!.done ? ` (${parts[0]!.done})` : ''}`;
    }),
    ...toDecide.map(({ title }) => `to be decided: ${inSentence(title)}`),
  ].join('; ');
}

/** What all sections of the first pages are made from. */
interface Counted {
  grounds: Grounds;
  sources: readonly TreeSource[];
  work: readonly WorkTree[];
  /** Trees with work left. */
  open: WorkTree[];
  /** What is done and recorded. */
  done: Need[];
  /** What is left of all trees; undefined without rates. */
  whole: Estimate | undefined;
}

/** How many trees need what, and what it comes to. */
function summary({ grounds, sources, work, open, done, whole }: Counted): Section {
  const { page, rates, firm, large } = grounds;
  const withWork = work.filter(isWorked).length;
  const finished = withWork - open.length;
  const undecided = toDecideTold(work);
  const passed = leftOutTold(large);
  const worked = new Set(open.map((w) => w.id));
  const mapped = sources.flatMap(({ id, source: { tree } }) =>
    tree.position ? [{ label: tree.label, ...tree.position, work: worked.has(id) }] : [],
  );
  return {
    title: 'Summary',
    blocks: [
      text([firm, ...headOf(grounds).lines].join('. '), 'muted'),
      text(
        `${open.length} of ${page.trees.length} trees have work to do; ${finished > 0 ? `at ${finished} it is done, ` : ''}${sources.length - withWork} that were visited have no work prescribed, ${page.trees.length - sources.length - large.length} were not visited.`,
        'lead',
      ),
      ...mayFallTold(open, large),
      ...(passed ? [text(passed)] : []),
      ...(undecided ? [text(undecided)] : []),
      ...(whole && rates
        ? [
            text(
              `${done.length > 0 ? 'What is left' : 'All of it'} comes to ${formatMoney(whole.total, rates.currency)}${taxTold(whole)}.`,
              'strong',
            ),
            ...(done.length > 0
              ? [
                  text(
                    `Work for ${formatMoney(estimate(done, rates).net, rates.currency)} net, without travel, is done and recorded.`,
                  ),
                ]
              : []),
          ]
        : []),
      ...(mapped.length > 0
        ? [
            {
              as: 'figure' as const,
              drawing: propertyMap(page.plan, mapped, MAP, grounds.system),
              title: `Map of the trees: ${mapped.filter((m) => m.work).length} of ${mapped.length} have work to do.`,
              caption: 'Trees on the plan of the property, true scale, north up; filled ones need work.',
            },
          ]
        : []),
    ],
  };
}

/** The table of trees. */
function treesTable({ grounds: { rates }, sources, work, done }: Counted): Section {
  const net = (w: WorkTree) => (rates ? formatMoney(estimate(w.needs, rates).net, rates.currency) : '');
  return {
    title: 'Trees',
    page: true,
    blocks: [
      {
        as: 'table',
        label: 'Trees',
        head: ['tree', 'species', 'visited', 'work', done.length > 0 ? 'net, left' : 'net'],
        widths: [14, 20, 14, 37, 15],
        rows: sources.map(({ id, source }) => {
          const own = work.find((w) => w.id === id);
          return [
            source.tree.label,
            source.tree.species,
            source.visit.date,
            own ? workText(own) : 'none',
            own && isWorked(own) ? net(own) : '',
          ];
        }),
      },
    ],
  };
}

/** What trees that were planted together tell. */
const together = ({ cohorts }: PropertyPage): Section[] =>
  cohorts.length > 0
    ? [
        {
          title: 'Planted together',
          blocks: cohorts.flatMap((c): Block[] => [
            { as: 'heading', text: c.name },
            ...c.readings.slice(0, 3).map((r) => text(r.summary)),
          ]),
        },
      ]
    : [];

/** What is left, season by season, with its price. */
function costs({ grounds: { rates }, work, whole }: Counted): Section[] {
  if (!whole || !rates) return [];
  const stages = byStage(needsTogether(work.map((w) => w.needs)), rates);
  return [
    {
      title: 'What it costs',
      blocks: [
        ...stages.flatMap((s): Block[] => [
          { as: 'heading', text: `Season ${s.stage}, ${s.year}` },
          {
            as: 'table',
            label: `Season ${s.stage}`,
            head: ['what', 'amount', 'price', 'sum'],
            widths: [49, 19, 16, 16],
            rows: estimateRows(summed(s.estimate)),
          },
        ]),
        ...leftOut(whole, [...new Set(work.flatMap((w) => w.unpriced))]).map((line) => text(line)),
      ],
    },
  ];
}

/** The first pages: how many need what, the table of trees, cohorts, map and sums. */
export function overview(
  grounds: Grounds,
  sources: readonly TreeSource[],
  work: readonly WorkTree[],
): ReadDocument {
  const { rates } = grounds;
  const counted: Counted = {
    grounds,
    sources,
    work,
    open: work.filter(isOpen),
    done: work.flatMap((w) => w.done),
    whole: rates && estimate(needsTogether(work.map((w) => w.needs)), rates),
  };
  return {
    ...headOf(grounds),
    sections: [summary(counted), treesTable(counted), ...together(grounds.page), ...costs(counted)],
  };
}

/** An estimate with the lines of one resource in one: a property has hundreds of them. The sums are those of the lines. */
function summed(e: ReturnType<typeof estimate>): typeof e {
  const digits = e.net.split('.')[1]?.length ?? 0;
  const merged = [...new Set(e.lines.map((l) => l.resource))].map((resource) => {
    const own = e.lines.filter((l) => l.resource === resource);
    return {
      ...own[0]!,
      of: own.length === 1 ? own[0]!.of : `${own[0]!.of.split(': ')[1] ?? own[0]!.of}, ${own.length} lines`,
      charged: String(
        Number(
          sumOf(
            own.map((l) => l.charged),
            2,
          ),
        ),
      ),
      sum: sumOf(
        own.map((l) => l.sum),
        digits,
      ),
    };
  });
  return { ...e, lines: merged };
}
