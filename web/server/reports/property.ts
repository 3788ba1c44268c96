import type { TreeFiles } from '@undrel/core/proof';
import { estimate, needsTogether } from '@undrel/core/costing';
import type { ReadDocument, Section } from '../../protocol/document';
import { TIGHTEST } from '../../documents/documentIn';
import { annexes } from '../../documents/head';
import type { Language } from '../../language/languages';
import { LENGTH_WORDS, LENGTHS, type Length } from '../../protocol/lengths';
import type { ReportProgress, WorkTree } from '../../protocol/propertyWork';
import { ALONE, beside, type Asker } from '../beside';
import { FairQueue } from '../fairQueue';
import type { TreeSource } from '../../work/offers/treeWork';
import type { CauseFigure } from '../../work/reports/treeSection';
import type { ReportFormat } from '../../work/reports/formats';
import type { Edition } from '../../work/reports/edition';
import { propertyLetter } from './propertyLetter';
import { headOf, overview, type Grounds } from './propertyOverview';
import { markdownOf, readIn, setDocx, setPdf } from './setDocument';

/** The figures of a property for machines: what each tree needs, and what all of it comes to. */
const figuresOf = (
  { page, firm, made, rates, large }: Grounds,
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
      leftOut: large.map((t) => t.label),
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
 * Whole reports of one person are made one after the other: side by side they would come to their ends together, and each
 * end is a long document to hand on.
 */
const WHOLE = { atOnce: 8, each: 1, waiting: 20 };
// Kept by the process, so that a module that is loaded twice shares its turns.
const shared = globalThis as typeof globalThis & { undrelWholeReports?: FairQueue };

/** Makes a whole report when it is the asker's turn. */
export const inTurn = <T>(
  { firmId, userId, signal }: Asker,
  lines: () => AsyncGenerator<T>,
): AsyncGenerator<T> =>
  (shared.undrelWholeReports ??= new FairQueue(WHOLE)).lines(`${firmId} ${userId}`, lines, signal);

/** Counts what is done of some steps, each told as it begins to be the next. */
type Step = Extract<ReportProgress, { done: number }>;

/** How far a report of so many steps is. */
function progress(of: number): (doing: string) => Step {
  let done = 0;
  return (doing) => ({ done: ++done, of, doing });
}

/** What is prescribed for each tree that needs something, worked out tree by tree. */
async function* worked(
  sources: readonly TreeSource[],
  asker: Asker,
  step: (doing: string) => Step,
): AsyncGenerator<Step, WorkTree[]> {
  const work: WorkTree[] = [];
  for (const source of sources) {
    const own = await beside('treeWork', source, asker);
    if (own) work.push(own);
    yield step(`Working out ${source.source.tree.label}`);
  }
  return work;
}

/** The full record: the overview, then trees with work, each on its page; those without follow one another after them. */
async function* recordOf(
  grounds: Grounds,
  sources: readonly TreeSource[],
  work: readonly WorkTree[],
  asker: Asker,
  step: (doing: string) => Step,
): AsyncGenerator<Step, ReadDocument> {
  const first = overview(grounds, sources, work);
  const needy = new Set(work.map((w) => w.id));
  const idle = sources.filter((s) => !needy.has(s.id));
  const trees: Section[] = [];
  for (const { id, source } of [...sources.filter((s) => needy.has(s.id)), ...idle]) {
    const own = work.find((w) => w.id === id);
    const section = await beside('section', { rates: grounds.rates, source, work: own }, asker);
    trees.push(id === idle[0]?.id ? { ...section, page: true } : section);
    yield step(`Writing up ${source.tree.label}`);
  }
  return withOwn({ ...first, sections: [...first.sections, ...annexes(trees)] }, grounds, sources);
}

/** The figures of every tree with its causes. */
async function figures(
  grounds: Grounds,
  sources: readonly TreeSource[],
  work: readonly WorkTree[],
  asker: Asker,
): Promise<string> {
  const causes = new Map<string, CauseFigure[]>();
  for (const { id, source } of sources) causes.set(id, await beside('causes', source, asker));
  return figuresOf(grounds, sources, work, causes);
}

/**
 * The report of a property, piece by piece: each piece is worked out beside the server when it is the asker's turn, and
 * what comes back tells how far it is. The asker's signal stops it.
 */
export async function* propertyReport(
  grounds: Grounds,
  sources: readonly TreeSource[],
  { format, length, language }: Edition,
  asker: Asker = ALONE,
): AsyncGenerator<ReportProgress> {
  const pieces = format === 'json' || length !== 'record' ? 1 : 2;
  const step = progress(pieces * sources.length + 1);
  const work = yield* worked(sources, asker, step);
  if (format === 'json' && length === 'record') {
    yield { file: Buffer.from(await figures(grounds, sources, work, asker)).toString('base64') };
    return;
  }
  const doc =
    length === 'record'
      ? yield* recordOf(grounds, sources, work, asker, step)
      : await shorter(length, grounds, sources, work, asker, language);
  yield await fileOf(await readIn(language, doc, asker), format, asker);
}

/** A document that knows what people named and wrote in it. */
const withOwn = (
  doc: ReadDocument,
  { page, large }: Grounds,
  sources: readonly TreeSource[],
): ReadDocument => ({
  ...doc,
  own: [
    page.name,
    ...large.map((t) => t.label),
    ...sources.flatMap(({ source: { tree, visit } }) => [
      tree.label,
      ...visit.decisions.flatMap((d) => d.wording ?? []),
    ]),
  ],
});

/** A document as bytes. */
export const documentFile = async (
  doc: ReadDocument,
  format: Exclude<ReportFormat, 'pdf'>,
  asker: Asker,
): Promise<Uint8Array<ArrayBuffer> | string> => {
  switch (format) {
    case 'docx':
      return setDocx(doc, asker);
    case 'md':
      return markdownOf(doc, asker);
    case 'json':
      return JSON.stringify(doc, null, 1);
  }
};

/** A document as the file that was asked for. */
async function fileOf(doc: ReadDocument, format: ReportFormat, asker: Asker): Promise<ReportProgress> {
  if (format === 'pdf') {
    const { bytes, pages } = await setPdf(doc, asker);
    return { file: Buffer.from(bytes).toString('base64'), pages };
  }
  return { file: Buffer.from(await documentFile(doc, format, asker)).toString('base64') };
}

/** The letter, as it fits its pages, or the report: what the property comes to, without its trees one by one. */
async function shorter(
  length: Exclude<Length, 'record'>,
  grounds: Grounds,
  sources: readonly TreeSource[],
  work: readonly WorkTree[],
  asker: Asker,
  language: Language = 'en',
): Promise<ReadDocument> {
  if (length === 'report') {
    const whole = overview(grounds, sources, work);
    const sections = whole.sections.map(({ page: _, ...section }) => section);
    return withOwn({ ...whole, compact: true, sections }, grounds, sources);
  }
  const counts = { trees: grounds.page.trees.length, visited: sources.length, large: grounds.large };
  for (let tight = 0; ; tight++) {
    const letter = propertyLetter(headOf(grounds), counts, work, grounds.rates, tight);
    const doc = withOwn(letter, grounds, sources);
    const { pages } = await setPdf(await readIn(language, doc, asker), asker);
    if (tight === TIGHTEST || pages <= LENGTH_WORDS.letter.pages!) return doc;
  }
}

/** All that an issued report of a property is fixed with; days are written out by whoever shows it. */
export interface PropertyIssue {
  documents: Record<Length, ReadDocument>;
  figures: string;
  proving: TreeFiles[];
}

/** Everything an issued report holds, worked out tree by tree. */
export async function* propertyIssue(
  grounds: Grounds,
  sources: readonly TreeSource[],
  asker: Asker,
): AsyncGenerator<Step, PropertyIssue> {
  const step = progress(3 * sources.length + LENGTHS.length);
  const work = yield* worked(sources, asker, step);
  const record = yield* recordOf(grounds, sources, work, asker, step);
  const proving: TreeFiles[] = [];
  for (const { source } of sources) {
    proving.push(await beside('proving', source, asker));
    yield step(`Attaching the case of ${source.tree.label}`);
  }
  const letter = await shorter('letter', grounds, sources, work, asker);
  const report = await shorter('report', grounds, sources, work, asker);
  yield step('Numbering the report');
  return {
    documents: { letter, report, record },
    figures: await figures(grounds, sources, work, asker),
    proving,
  };
}
