import { readFileSync } from 'node:fs';
import JSZip from 'jszip';
import { PDFDocument } from 'pdf-lib';
import { readCase } from '@undrel/core/format';
import { sealed, verifiedTold, verifyReport, type TreeFiles } from '@undrel/core/proof';
import { estimate, formatMoney, needsTogether, type Rates } from '@undrel/core/costing';
import type { Language } from '../../language/languages';
import type { Length } from '../../protocol/lengths';
import type { PropertyPage } from '../../protocol/grounds';
import { marksOf, textOf } from '../../../e2e/pdf';
import type { ReadDocument } from '../../protocol/document';
import { documentInLanguage } from '../../documents/inLanguage';
import { inGerman } from '../../language/german';
import { figuresIn } from '../../language/figures';
import { workOfTree } from '../../work/offers/treeWork';
import type { ReportSource } from '../../work/tree/source';
import type { ReportFormat } from '../../work/reports/formats';
import { ALONE } from '../beside';
import { documentMarkdown } from '../../work/reports/markdown';
import { documentPdf } from '../../work/reports/pdf';
import { proofOfTrees } from '../../work/reports/proof';
import { propertyIssue, propertyReport } from './property';
import { propertyLetter } from './propertyLetter';
import { demoSource, visitedTrees } from './demoSources';
import { overview, type Grounds } from './propertyOverview';
import { treeSection } from '../../work/reports/treeSection';

const rates: Rates = {
  currency: 'CHF',
  prices: { crew: '71.30', consultant: '93', trip: '41', disposal: '23.90', airTool: '40', mulch: '38' },
  tax: { name: 'VAT', percent: '8.1' },
};
const read = readCase(readFileSync('docs/example-case.json', 'utf8'), '2026-11-24');
if (!read.ok) throw new Error('the example does not read');
const { tree, events, visits } = read.caseFile;
const sources = ['One', 'Two', 'Three'].map((label) => {
  const source: ReportSource = {
    tree: { ...tree, label, position: { x: label.length, y: 2 } },
    events,
    visit: visits.at(-1)!,
    visits,
    property: 'Three Trees',
    client: 'A client',
    firm: 'Firm',
    schools: {},
    wording: {},
    rates,
    system: 'metric',
  };
  return { id: label, visitId: `${label}-1`, source };
});
const page = {
  id: 'three',
  version: 1,
  name: 'Three Trees',
  client: 'A client',
  plan: [],
  trees: sources.map(({ id }) => ({ id })),
  cohorts: [],
  proposals: [],
} as unknown as PropertyPage;
const grounds = { page, firm: 'Firm', made: '2026-11-24', rates, system: 'metric' as const, large: [] };
const all = estimate(needsTogether(sources.map((s) => workOfTree(s)!.needs)), rates);
/** With plain spaces, as texts are compared. */
const total = formatMoney(all.total, 'CHF').replace(/\s/g, ' ');

async function textOfReport(
  given: Grounds,
  length: Length,
  language: Language = 'en',
  format: ReportFormat = 'md',
): Promise<string> {
  for await (const line of propertyReport(given, sources, { format, length, language }, ALONE))
    if ('file' in line) return Buffer.from(line.file, 'base64').toString();
  throw new Error('no file');
}

async function made(
  format: ReportFormat,
  stopAfter = Infinity,
  from = sources,
  length: Length = 'record',
  language: Language = 'en',
) {
  let last: { file?: string; pages?: number } | undefined;
  let told = 0;
  const seen: number[] = [];
  const stop = new AbortController();
  const asker = { ...ALONE, signal: stop.signal };
  try {
    for await (const line of propertyReport(grounds, from, { format, length, language }, asker)) {
      if (++told >= stopAfter) stop.abort();
      if ('done' in line) seen.push(line.done / line.of);
      else last = line as typeof last;
    }
  } catch (error) {
    if (!stop.signal.aborted) throw error;
  }
  expect(seen).toEqual([...seen].sort((a, b) => a - b));
  return { ...last, file: last?.file === undefined ? undefined : Buffer.from(last.file, 'base64') };
}

test('the PDF of a property has a cover, a bookmark for every part that leads to its page, and the sums of the core', async () => {
  const { file, pages } = await made('pdf');
  const text = await textOf(file!);
  expect(text).toContain(`${total}, VAT included`);
  for (let n = 1; n <= pages!; n++) expect(text).toContain(`${n} of ${pages}`);
  const marks = await marksOf(file!);
  expect(marks.map((m) => m.title)).toEqual([
    'Three Trees',
    'Summary',
    'Trees',
    'What it costs',
    'Annex 1: One',
    'Annex 2: Two',
    'Annex 3: Three',
  ]);
  // Each leads to a page on which its title stands, and each tree begins a page of its own.
  const whole = await PDFDocument.load(file!);
  for (const { title, page: at } of marks) {
    const alone = await PDFDocument.create();
    alone.addPage((await alone.copyPages(whole, [at]))[0]!);
    expect(await textOf(Buffer.from(await alone.save()))).toContain(title);
  }
  const trees = marks.slice(-3).map((m) => m.page);
  expect(new Set(trees).size).toBe(3);
});

test('DOCX, Markdown and JSON of a property say the same', async () => {
  const zip = await JSZip.loadAsync((await made('docx')).file!);
  const xml = await zip.file('word/document.xml')!.async('string');
  const plain = xml.replace(/<[^>]+>/g, '').replace(/\s+/g, ' ');
  const markdown = (await made('md')).file!.toString().replace(/\s+/g, ' ');
  for (const said of [total, 'What it costs', 'One', 'Two', 'Three']) {
    expect(plain).toContain(said);
    expect(markdown).toContain(said);
  }
  expect(xml.match(/w:val="Heading1"/g)).toHaveLength(6);
  const letter = JSON.parse(
    (await made('json', Infinity, sources, 'letter')).file!.toString(),
  ) as ReadDocument;
  const said = (await made('md', Infinity, sources, 'letter')).file!.toString();
  for (const { title } of letter.sections) expect(said).toContain(`## ${title}`);
  const figures = JSON.parse((await made('json')).file!.toString()) as {
    estimate: { net: string; total: string };
    trees: { label: string; work: { needs: { amount: number }[] } }[];
  };
  expect(figures.estimate).toMatchObject({ net: all.net, total: all.total });
  expect(figures.trees.map((t) => t.label)).toEqual(['One', 'Two', 'Three']);
  const crew = sources.flatMap((s) => workOfTree(s)!.needs).reduce((sum, n) => sum + n.amount, 0);
  expect(figures.trees.flatMap((t) => t.work.needs).reduce((sum, n) => sum + n.amount, 0)).toBeCloseTo(
    crew,
    9,
  );
});

test('trees without work follow those that have some, several to a page; what was done is told and not charged', async () => {
  const bare = { date: '2026-05-01', findings: [], profiles: [], probes: [], decisions: [] };
  const [one, two] = sources;
  const work = workOfTree(two!)!.steps.map(({ key }) => ({
    step: key,
    how: 'done' as const,
    on: '2026-06-01',
  }));
  const from = [
    ...['Ash 1', 'Ash 2'].map((label) => ({
      id: label,
      visitId: label,
      source: {
        ...one!.source,
        tree: { label, species: 'Fraxinus' },
        events: [],
        visit: bare,
        visits: [bare],
      },
    })),
    one!,
    { ...two!, source: { ...two!.source, visit: { ...two!.source.visit, work } } },
  ];
  const { file } = await made('pdf', Infinity, from as typeof sources);
  const marks = await marksOf(file!);
  const pageOf = (label: string) => marks.find((m) => m.title.endsWith(`: ${label}`))!.page;
  expect(pageOf('Two')).toBeGreaterThan(pageOf('One'));
  expect(pageOf('Ash 1')).toBeGreaterThan(pageOf('Two'));
  expect(pageOf('Ash 2')).toBe(pageOf('Ash 1'));
  const text = await textOf(file!);
  const left = estimate(needsTogether([workOfTree(one!)!.needs, workOfTree(from[3]!)!.needs]), rates);
  expect(text).toContain(`What is left comes to ${formatMoney(left.total, 'CHF').replace(/\s/g, ' ')}`);
  expect(text).toMatch(/1 of 3 trees have work to do; at 1 it is done/);
});

test('a report that is stopped makes no file', async () => {
  for (const format of ['pdf', 'docx'] as const) expect((await made(format, 1)).file).toBeUndefined();
});

test('letter and report of a property: two pages at most, the same sum, each tree by its name, days with their months', async () => {
  for (const length of ['letter', 'report'] as const) {
    const { file, pages } = await made('pdf', Infinity, sources, length);
    const text = await textOf(file!);
    expect(text).toContain(`${total}, VAT included`);
    for (const label of ['One', 'Two', 'Three']) expect(text).toContain(label);
    expect(text).toContain('24 November 2026');
    expect(text).not.toMatch(/\d{4}-\d{2}-\d{2}/);
    if (length === 'letter') expect(pages).toBeLessThanOrEqual(2);
  }
});

test('a hundred trees still make a letter of two pages, which says how many there are and which may fall', () => {
  const own = workOfTree(sources[0]!)!;
  const falls = { ...own.steps[0]!, operation: 'stability' as const, title: 'Have stability assessed' };
  const work = Array.from({ length: 102 }, (_, k) => ({
    ...own,
    id: String(k),
    label: `Linden ${k}`,
    ...(k === 7 && { steps: [falls, ...own.steps] }),
  }));
  const head = { firm: 'Firm', stamp: '', title: 'Place', lines: [], foot: '', paper: 'A4' as const };
  const letters = [0, 1, 2, 3].map((tight) =>
    propertyLetter(head, { trees: 120, visited: 110, large: [] }, work, rates, tight),
  );
  const fits = letters.find((letter) => documentPdf(letter).pages <= 2)!;
  const said = documentMarkdown(fits);
  expect(said).toContain('Of 120 trees, 102 need work. 10 have not been visited yet.');
  expect(said).toContain('Linden 7: may fall. Keep people away');
  expect(said).toMatch(/and 90 more/);
  // What is expected to be lost is the sum of the chances of losing each.
  const { from, to } = own.ifNothing!;
  const [best, worst] = [Math.round(102 * (1 - to)), Math.round(102 * (1 - from))];
  expect(said).toContain(
    `Of the 102 trees that need work, we expect ${best === worst ? best : `${best} to ${worst}`} to be lost`,
  );
  // A dead tree needs work, and is not among those that may be lost.
  const { ifNothing: _, ...dead } = work[0]!;
  const letter = (trees: typeof work) =>
    propertyLetter(head, { trees: 120, visited: 110, large: [] }, trees, rates, 3);
  const besides = letter([dead, ...work.slice(1)]);
  expect(documentMarkdown(besides)).toContain('102 need work');
  expect(documentMarkdown(besides)).toContain('Of the 101 living trees that need work, we expect');
  const alone = letter([dead, work[1]!]);
  expect(documentMarkdown(alone)).toContain('The chance that the living tree that needs work is');
  for (const doc of [besides, alone]) {
    const missed: string[] = [];
    const names = new Set(['Place', ...work.map((w) => w.label)]);
    documentInLanguage(doc, 'de', inGerman, names, (t) => missed.push(t));
    expect(missed).toEqual([]);
  }
});

test('an issued record of a property proves every one of its trees, and names the tree whose figure is another one', async () => {
  const steps: number[] = [];
  const work = propertyIssue(grounds, sources, ALONE);
  let line = await work.next();
  for (; !line.done; line = await work.next()) steps.push(line.value.done / line.value.of);
  expect(steps).toEqual([...steps].sort((a, b) => a - b));
  expect(steps.at(-1)).toBeLessThanOrEqual(1);
  const { documents, proving, figures } = line.value;
  expect(JSON.parse(figures)).toMatchObject({
    trees: [{ label: 'One' }, { label: 'Two' }, { label: 'Three' }],
  });
  const issued = async (files: typeof proving) =>
    verifyReport(
      await sealed(documentPdf(documents.record, {}, await proofOfTrees(files)).bytes),
      '2026-11-28',
    );
  const verified = await issued(proving);
  if ('problem' in verified) throw new Error(verified.problem);
  expect(verified.trees.map((t) => t.tree)).toEqual(['One', 'Two', 'Three']);
  expect([verified.seal, verified.differences]).toEqual(['holds', []]);
  expect(verified.code).toBe((await proofOfTrees(proving)).code);
  expect(verifiedTold(verified).head).toMatch(/^3 trees, visits of /);

  const [one, two, three] = proving as [TreeFiles, TreeFiles, TreeFiles];
  const dearer = { ...two, 'basis.json': two['basis.json'].replace('71.30', '72.30') };
  const forged = await issued([one, dearer, three]);
  if ('problem' in forged) throw new Error(forged.problem);
  expect(forged.differences.length).toBeGreaterThan(0);
  for (const told of forged.differences) expect(told).toMatch(/^Two: .* in the report, .* recomputed/);
  expect(forged.code).not.toBe(verified.code);
  // A tree taken out is another code; a file of it taken out is said.
  const fewer = await issued([one, three]);
  expect('code' in fewer && fewer.code).not.toBe(verified.code);
  const { files, ...rest } = await proofOfTrees(proving);
  const { '002-basis.json': _, ...left } = files;
  const torn = documentPdf(documents.record, {}, { ...rest, files: left });
  expect(await verifyReport(await sealed(torn.bytes), '2026-11-28')).toEqual({
    problem: expect.stringMatching(/no 002-basis\.json attached/) as string,
  });
});

test('the full record of a property in German: every text of every tree is known, names stay @whole', async () => {
  const missed: string[] = [];
  const demo = visitedTrees().map((tree) => ({ id: tree.id, source: demoSource(tree, 'metric') }));
  const sections = demo.map(({ source }) =>
    treeSection({ rates, source, work: workOfTree({ id: '', visitId: '', source }) }),
  );
  const [one] = sections;
  const doc = documentInLanguage(
    {
      firm: 'Firm',
      stamp: 'Made on 2026-11-24',
      title: 'Place',
      lines: [],
      foot: '',
      paper: 'A4',
      sections: [
        {
          title: 'Trees',
          blocks: [
            {
              as: 'table',
              label: 'Trees',
              head: ['tree'],
              rows: demo.map((d) => [d.source.tree.label]),
              widths: [1],
            },
          ],
        },
        ...sections,
      ],
    },
    'de',
    inGerman,
    new Set(['Place']),
    (t) => missed.push(t),
  );
  expect(missed).toEqual([]);
  expect(doc.sections[1]!.title).toBe(one!.title);
  const record = await made('md', Infinity, sources, 'record', 'de');
  const said = record.file!.toString();
  expect(said).toContain('## Zusammenfassung');
  expect(said).toContain('## Anlage 1: One');
  expect(said).not.toMatch(/\b(the|of|and|with)\b/);
});

test('trees whose digs are too large to be worked out with the others are named in every length, and counted as visited', async () => {
  const large = [
    { id: 'x', label: 'Oak 500', mayFall: '2026-10-02' },
    { id: 'y', label: 'Ash 9' },
  ];
  const trees = [...page.trees, ...Array(3).fill(page.trees[0])] as PropertyPage['trees'];
  const given = { ...grounds, large, page: { ...page, trees } };
  const named =
    'Not worked out in this report: Oak 500, Ash 9. A dig of more than 1,000 readings is worked out on the page of its tree.';
  for (const length of ['letter', 'report', 'record'] as const) {
    const said = await textOfReport(given, length);
    expect(said).toContain(named);
    // Known without the dig: it is told first, as of any other tree.
    expect(said).toMatch(/Oak 500: may fall\. Keep people away/);
    expect(said).not.toMatch(/Ash 9[^.]*: may fall/);
    expect(said.indexOf('may fall')).toBeLessThan(said.indexOf(named));
    expect(said).toMatch(
      length === 'letter' ? /One has not been visited yet/ : / 1 were not visited|1 was not/,
    );
    const german = await textOfReport(given, length, 'de');
    expect(german).not.toContain('may fall');
    expect(german).toContain('Oak 500, Ash 9. Eine Grabung mit mehr als 1000 Messungen');
  }
  const figures = JSON.parse(await textOfReport(given, 'record', 'en', 'json')) as { leftOut: string[] };
  expect(figures.leftOut).toEqual(['Oak 500', 'Ash 9']);
});

test('letter and report of a property in German: every text is known, two pages, the same sums', async () => {
  const missed: string[] = [];
  const work = sources.map((s) => workOfTree(s)!);
  const head = {
    firm: 'Firm',
    stamp: 'Made on 2026-11-24',
    title: 'Place',
    lines: ['For A client', '3 trees; the newest visit of each'],
    foot: '',
    paper: 'A4' as const,
  };
  for (const open of [work, work.slice(0, 1), []])
    for (let tight = 0; tight <= 3; tight++)
      documentInLanguage(
        propertyLetter(head, { trees: 5, visited: 4, large: [] }, open, rates, tight),
        'de',
        inGerman,
        new Set(),
        (t) => missed.push(t),
      );
  expect(missed).toEqual([]);
  const whole = overview(grounds, sources, work);
  documentInLanguage(whole, 'de', inGerman, new Set(), (t) => missed.push(t));
  for (const { blocks } of whole.sections)
    for (const block of blocks)
      if (block.as === 'table')
        for (const row of block.rows)
          // Labels and botanical names stay as they are.
          for (const cell of block.label === 'Trees' ? row.slice(3) : row)
            if (/\p{L}{2}/u.test(cell) && inGerman(cell) === undefined) missed.push(cell);
  expect(missed).toEqual([]);
  const report = await made('md', Infinity, sources, 'report', 'de');
  expect(report.file!.toString()).toContain('## Zusammenfassung');
  const { file, pages } = await made('pdf', Infinity, sources, 'letter', 'de');
  expect(pages).toBeLessThanOrEqual(2);
  const text = await textOf(file!);
  expect(text).toContain('Was zu tun ist');
  expect(text).toContain(`1 von ${pages}`);
  expect(text).toContain('24. November 2026');
  expect(text).toContain(figuresIn(formatMoney(all.total, 'CHF'), 'de-DE').replace(/\s/g, ' '));
});
