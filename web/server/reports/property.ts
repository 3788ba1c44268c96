import { byStage, estimate, formatMoney, needsTogether, sumOf, type Rates } from '@undrel/core/costing';
import { type UnitSystem } from '@undrel/core/units';
import {
  paperOf,
  textBlock as text,
  type Block,
  type ReadDocument,
  type Section,
} from '../../protocol/document';
import { withLongDays } from '../../documents/dates';
import { TIGHTEST } from '../../documents/documentIn';
import { LENGTH_WORDS, type Length } from '../../protocol/lengths';
import type { PropertyPage } from '../../protocol/grounds';
import { isDone, isOpen, type ReportProgress, type WorkTree } from '../../protocol/propertyWork';
import { propertyMap } from '../../drawings/propertyMap';
import { ALONE, beside, type Asker } from '../beside';
import type { TreeSource } from '../offers/treeWork';
import { estimateRows, leftOut } from '../offers/words';
import type { CauseFigure } from './treeSection';
import type { ReportFormat } from './files';
import { documentMarkdown } from './markdown';
import { propertyLetter, taxTold } from './propertyLetter';
import { setDocx, setPdf } from './setDocument';

/** Points of a page, as the map stands in the PDF. */
const MAP = { width: 515, most: 360 };

interface Grounds {
  page: PropertyPage;
  firm: string;
  made: string;
  rates: Rates | undefined;
  system: UnitSystem;
}

const headOf = ({ page, firm, made, system }: Grounds): Omit<ReadDocument, 'sections'> => ({
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

/** What is prescribed for a tree, each operation once, with what was recorded of it. */
function workText({ steps }: WorkTree): string {
  const operations = [...new Set(steps.map((s) => s.operation))];
  return operations
    .map((operation) => {
      const parts = steps.filter((s) => s.operation === operation);
      const title = parts[0]!.title.toLowerCase();
      const finished = parts.filter((s) => isDone(s.done)).length;
      if (parts.length > 1)
        return `${title} in ${parts.length} seasons${finished > 0 ? ` (${finished} done)` : ''}`;
      return `${title}${parts[0]!.done ? ` (${parts[0]!.done})` : ''}`;
    })
    .join(', ');
}

/** The first pages: how many need what, the table of trees, cohorts, map and sums. */
function overview(grounds: Grounds, sources: readonly TreeSource[], work: readonly WorkTree[]): ReadDocument {
  const { page, rates, firm } = grounds;
  const head = headOf(grounds);
  const needs = needsTogether(work.map((w) => w.needs));
  const whole = rates && estimate(needs, rates);
  const stages = rates ? byStage(needs, rates) : [];
  const net = (w: WorkTree) => (rates ? formatMoney(estimate(w.needs, rates).net, rates.currency) : '');
  const open = work.filter(isOpen);
  const finished = work.length - open.length;
  const done = work.flatMap((w) => w.done);
  const worked = new Set(open.map((w) => w.id));
  const mapped = sources.flatMap(({ id, source: { tree } }) =>
    tree.position ? [{ label: tree.label, ...tree.position, work: worked.has(id) }] : [],
  );
  const sections: Section[] = [
    {
      title: 'Summary',
      blocks: [
        text([firm, ...head.lines].join('. '), 'muted'),
        text(
          `${open.length} of ${page.trees.length} trees have work to do; ${finished > 0 ? `at ${finished} it is done, ` : ''}${sources.length - work.length} that were visited have no work prescribed, ${page.trees.length - sources.length} were not visited.`,
          'lead',
        ),
        ...(whole
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
                title: 'Map of the trees',
                caption: 'Trees on the plan of the grounds, true scale, north up; filled ones need work.',
              },
            ]
          : []),
      ],
    },
    {
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
              own ? net(own) : '',
            ];
          }),
        },
      ],
    },
    ...(page.cohorts.length > 0
      ? [
          {
            title: 'Planted together',
            blocks: page.cohorts.flatMap((c): Block[] => [
              { as: 'heading', text: c.name },
              ...c.readings.slice(0, 3).map((r) => text(r.summary)),
            ]),
          },
        ]
      : []),
    ...(whole
      ? [
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
        ]
      : []),
  ];
  return { ...head, sections };
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

/** The figures of a property for machines: what each tree needs, and what all of it comes to. */
const figuresOf = (
  { page, firm, made, rates }: Grounds,
  sources: readonly TreeSource[],
  work: readonly WorkTree[],
  causes: ReadonlyMap<string, readonly CauseFigure[]>,
): string =>
  JSON.stringify(
    {
      firm,
      made,
      property: page.name,
      client: page.client,
      estimate: rates && estimate(needsTogether(work.map((w) => w.needs)), rates),
      cohorts: page.cohorts.map(({ name, readings }) => ({ name, readings })),
      trees: sources.map(({ id, source: { tree, visit } }) => ({
        id,
        label: tree.label,
        species: tree.species,
        visit: visit.date,
        causes: causes.get(id),
        work: work.find((w) => w.id === id),
      })),
    },
    null,
    1,
  );

/**
 * The report of a property, piece by piece: each piece is worked out beside the server when it is the asker's turn, and
 * what comes back tells how far it is. The asker's signal stops it.
 */
export async function* propertyReport(
  grounds: Grounds,
  sources: readonly TreeSource[],
  format: ReportFormat = 'pdf',
  asker: Asker = ALONE,
  length: Length = 'record',
): AsyncGenerator<ReportProgress> {
  const of = (format === 'json' || length !== 'record' ? 1 : 2) * sources.length + 1;
  const work: WorkTree[] = [];
  for (const [i, source] of sources.entries()) {
    const own = await beside('treeWork', source, asker);
    if (own) work.push(own);
    yield { done: i + 1, of, doing: `Working out ${source.source.tree.label}` };
  }
  if (format === 'json') {
    const causes = new Map<string, CauseFigure[]>();
    for (const { id, source } of sources) causes.set(id, await beside('causes', source, asker));
    yield { file: Buffer.from(figuresOf(grounds, sources, work, causes)).toString('base64') };
    return;
  }
  if (length !== 'record') {
    yield await fileOf(await shorter(length, grounds, sources, work, asker), format, asker);
    return;
  }
  const first = overview(grounds, sources, work);
  // Trees with work come first, each on its page; those without follow one another after them.
  const worked = new Set(work.map((w) => w.id));
  const busy = sources.filter((s) => worked.has(s.id));
  const idle = sources.filter((s) => !worked.has(s.id));
  const sectionOf = async ({ id, source }: TreeSource): Promise<Section> => {
    const own = work.find((w) => w.id === id);
    const section = await beside('section', { rates: grounds.rates, source, work: own }, asker);
    return id === idle[0]?.id ? { ...section, page: true } : section;
  };
  const sections = [...first.sections];
  const ordered = [...busy, ...idle];
  for (const [i, source] of ordered.entries()) {
    sections.push(await sectionOf(source));
    yield { done: sources.length + i + 1, of, doing: `Writing up ${source.source.tree.label}` };
  }
  yield await fileOf({ ...first, sections }, format, asker);
}

/** A document as the file that was asked for. */
async function fileOf(doc: ReadDocument, format: ReportFormat, asker: Asker): Promise<ReportProgress> {
  if (format === 'pdf') {
    const { bytes, pages } = await setPdf(doc, asker);
    return { file: Buffer.from(bytes).toString('base64'), pages };
  }
  const bytes = format === 'docx' ? await setDocx(doc, asker) : documentMarkdown(doc);
  return { file: Buffer.from(bytes).toString('base64') };
}

/** The letter, as it fits its pages, or the report: what the property comes to, without its trees one by one. */
async function shorter(
  length: Exclude<Length, 'record'>,
  grounds: Grounds,
  sources: readonly TreeSource[],
  work: readonly WorkTree[],
  asker: Asker,
): Promise<ReadDocument> {
  if (length === 'report') {
    const whole = overview(grounds, sources, work);
    const sections = whole.sections.map(({ page: _, ...section }) => section);
    return withLongDays({ ...whole, compact: true, sections });
  }
  const counts = { trees: grounds.page.trees.length, visited: sources.length };
  for (let tight = 0; ; tight++) {
    const doc = withLongDays(propertyLetter(headOf(grounds), counts, work, grounds.rates, tight));
    if (tight === TIGHTEST || (await setPdf(doc, asker)).pages <= LENGTH_WORDS.letter.pages!) return doc;
  }
}
