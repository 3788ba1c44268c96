import { readFileSync } from 'node:fs';
import JSZip from 'jszip';
import type { PDFRawStream } from 'pdf-lib';
import { PDFDict, PDFDocument, PDFHexString, PDFName, PDFString } from 'pdf-lib';
import { readCase } from '@undrel/core/format';
import { estimate, formatMoney, needsOf, type Rates } from '@undrel/core/costing';
import { plannedOf } from '@undrel/core/prescription';
import { marksOf, textOf } from '../../../e2e/pdf';
import { documentOf } from '../../documents/reportDocument';
import { assessed } from '../../work/tree/assessed';
import type { ReportContent } from '../../protocol/report';
import { reportContent } from '../../work/reports/content';
import type { ReportSource } from '../../work/tree/source';
import { reportFile } from './files';
import { ALONE } from '../beside';
import { reportPdf, setAhead, setDocx, setPdf } from './setDocument';

const RATES: Rates = {
  currency: 'EUR',
  prices: {
    crew: '61.70',
    consultant: '93',
    trip: '41',
    disposal: '23.90',
    airTool: '40',
    youngTree: '310',
    stakes: '29',
  },
  tax: { name: 'VAT', percent: '7.7' },
};
const read = readCase(readFileSync('docs/example-case.json', 'utf8'), '2026-11-24');
if (!read.ok) throw new Error('the example does not read');
const { tree, events, visits } = read.caseFile;
const visit = visits.at(-1)!;
const source: ReportSource = {
  tree,
  events,
  visit,
  visits,
  property: 'Sable Row',
  client: 'Residents & <Co>',
  firm: 'Firm',
  schools: {},
  wording: { closing: 'Please decide by May.' },
  rates: RATES,
  system: 'metric',
};
const content = reportContent(source);
const doc = documentOf(content, undefined);
// The core's own numbers, worked out beside the document.
const { operations } = assessed(tree, events, visit, {}, undefined);
const total = formatMoney(
  estimate(needsOf(plannedOf(operations, visit), visit, undefined), RATES).total,
  'EUR',
);
const titles = doc.sections.map((s) => s.title);

test('the PDF says what the core worked out, and its parts are bookmarks', async () => {
  const pdf = Buffer.from((await reportFile({ content }, 'pdf')) as Uint8Array);
  const text = await textOf(pdf);
  for (const said of [total, content.worth!, 'Please decide by May.', content.verdictSummary])
    expect(text).toContain(said.replace(/\s+/g, ' '));
  for (const q of content.prescribed.flatMap((o) => o.quantities)) expect(text).toContain(q.text);
  const pages = (await PDFDocument.load(pdf)).getPageCount();
  for (let page = 1; page <= pages; page++) expect(text).toContain(`${page} of ${pages}`);
  expect((await marksOf(pdf)).map((mark) => mark.title)).toEqual([tree.label, ...titles]);
});

test('the DOCX holds the same as headings, tables and text', async () => {
  const zip = await JSZip.loadAsync((await reportFile({ content }, 'docx')) as Uint8Array);
  const xml = await zip.file('word/document.xml')!.async('string');
  const paragraphs = [...xml.matchAll(/<w:p>.*?<\/w:p>|<w:p [^>]*>.*?<\/w:p>/gs)].map(([p]) => ({
    style: /<w:pStyle w:val="(\w+)"/.exec(p)?.[1],
    text: [...p.matchAll(/<w:t[^>]*>([^<]*)<\/w:t>/g)].map(([, t]) => t).join(''),
  }));
  const headings = paragraphs.filter((p) => p.style === 'Heading1').map((p) => p.text);
  expect(headings).toEqual(titles);
  const all = paragraphs.map((p) => p.text);
  expect(all).toContain(total);
  expect(all.some((t) => t.includes('Residents &amp; &lt;Co&gt;'))).toBe(true);
  for (const row of content.estimate!.flatMap((e) => e.rows)) expect(all).toContain(row[3]);
  const figures = doc.sections.flatMap((s) => s.blocks.filter((b) => b.as === 'figure'));
  expect(Object.keys(zip.files).filter((name) => name.endsWith('.svg'))).toHaveLength(figures.length);
  // And each as a picture of points, for programs that do not draw SVG: its size stands in the PNG's header.
  const sizes = await Promise.all(
    zip.file(/\.png$/).map(async (file) => {
      const png = await file.async('nodebuffer');
      expect(png.length).toBeGreaterThan(3000);
      return `${png.readUInt32BE(16)} x ${png.readUInt32BE(20)}`;
    }),
  );
  const drawn = figures.flatMap((f) => (f.as === 'figure' ? [f.drawing] : []));
  expect(sizes.sort()).toEqual(drawn.map((d) => `${2 * d.width} x ${2 * d.height}`).sort());
});

test('where measures are US ones, the paper is letter: 8.5 x 11 in', async () => {
  const us = reportContent({ ...source, system: 'us' });
  const pdf = await PDFDocument.load((await setPdf(documentOf(us, undefined))).bytes);
  for (const page of pdf.getPages()) expect(page.getSize()).toEqual({ width: 612, height: 792 });
  const zip = await JSZip.loadAsync(await setDocx(documentOf(us, undefined)));
  expect(await zip.file('word/document.xml')!.async('string')).toContain('<w:pgSz w:w="12240" w:h="15840"');
});

test('what was set is given again without being set, and a draft that is looked at is set ahead', async () => {
  const seen = { ...content, client: 'Who looked at it first' };
  // Nothing is set for an asker that has gone; what is kept is there all the same.
  const gone = { ...ALONE, signal: AbortSignal.abort() };
  const asked = () => reportPdf({ content: seen, length: 'record', language: 'de', files: {} }, gone);
  await expect(asked()).rejects.toThrow('Stopped before it was done');
  await setAhead(seen, () => Promise.resolve({}), ALONE, 'de');
  const text = await textOf(Buffer.from((await asked()).bytes));
  expect(text).toContain('Who looked at it first');
  expect(text).toContain('Entwurf');
  // Another word, another document; one that cannot be had is no fault of whoever looks.
  await expect(
    reportPdf({ content: { ...seen, client: 'Another' }, language: 'de' }, gone),
  ).rejects.toThrow();
  await setAhead({ ...seen, client: 'Away' }, () => Promise.reject(new Error('store away')), ALONE, 'de');
});

test('Markdown and JSON carry every section and every sum', async () => {
  const markdown = (await reportFile(
    { content, stamp: { number: 'T-2026-0001', issued: '2026-11-24' } },
    'md',
  )) as string;
  expect([...markdown.matchAll(/^## (.*)$/gm)].map(([, t]) => t)).toEqual(titles);
  expect(markdown).toContain(`| Total |  |  | ${total} |`);
  expect(markdown).toContain('Report T-2026-0001, issued 24 November 2026');
  const json = JSON.parse((await reportFile({ content }, 'json')) as string) as typeof content;
  expect(json.estimate).toEqual(content.estimate);
});

test('what somebody typed is text in every file: no markup, no links, no characters that none may hold', async () => {
  const odd =
    '<img src=x onerror=alert(1)> [x](javascript:alert(1)) **b** # h\n- l | c https://a.example \u0007';
  const hostile: ReportContent = {
    ...content,
    tree: 'Ash *1*',
    clientSees: odd,
    clientWords: odd,
    history: [odd],
  };
  const markdown = (await reportFile({ content: hostile }, 'md')) as string;
  const plain = markdown.replace(/\\./g, '').replace(/^(#{1,3} |\| |- )|<br>|\*\*|^\|.*\|$/gm, '');
  expect(markdown).toContain('# Ash \\*1\\*');
  expect(plain).not.toMatch(/<img|\]\(|javascript:|https:/);
  const zip = await JSZip.loadAsync((await reportFile({ content: hostile }, 'docx')) as Uint8Array);
  const xml = await zip.file('word/document.xml')!.async('string');
  expect(xml).toContain('&lt;img');
  expect(xml).not.toMatch(/[^\P{Cc}\t\n\r]/u);
  expect(await textOf(Buffer.from((await reportFile({ content: hostile }, 'pdf')) as Uint8Array))).toContain(
    'Ash *1*',
  );
});

test('four hundred pictures: every page is there, numbered, and so is the last picture', async () => {
  const drawing = { width: 500, height: 330, shapes: [] };
  const pictures = Array.from({ length: 400 }, (_, i) => ({
    as: 'figure' as const,
    drawing,
    title: `Picture ${i + 1}`,
    caption: `Picture ${i + 1}, taken on the day.`,
  }));
  const { bytes: pdf, pages } = await setPdf({
    firm: 'Firm',
    stamp: 'Draft',
    title: 'Many pictures',
    lines: [],
    paper: 'A4' as const,
    foot: 'foot of every page',
    sections: Array.from({ length: 20 }, (_, i) => ({
      title: `Pictures, part ${i + 1}`,
      page: true,
      blocks: pictures.slice(20 * i, 20 * i + 20),
    })),
  });
  const text = await textOf(pdf);
  expect(pages).toBe(201);
  // A cover, and two to a page.
  expect(text).toContain('201 of 201');
  expect(text.match(/foot of every page/g)).toHaveLength(201);
  for (const at of [1, 200, 400]) expect(text).toContain(`Picture ${at}, taken on the day.`);
});

test('the PDF is tagged: marked as such, in a language, with heads of tables and drawings that are told in words', async () => {
  const file = await PDFDocument.load((await reportPdf({ content })).bytes);
  const { catalog } = file;
  expect(String(catalog.lookup(PDFName.of('Lang')))).toBe('(en)');
  expect(String(catalog.lookup(PDFName.of('MarkInfo'), PDFDict).get(PDFName.of('Marked')))).toBe('true');
  const metadata = catalog.lookup(PDFName.of('Metadata')) as PDFRawStream;
  expect(Buffer.from(metadata.asUint8Array()).toString()).toContain('<pdfuaid:part>1</pdfuaid:part>');
  const kinds: string[] = [];
  const told: string[] = [];
  for (const [, object] of file.context.enumerateIndirectObjects())
    if (object instanceof PDFDict && object.has(PDFName.of('S')) && object.has(PDFName.of('P'))) {
      kinds.push(String(object.get(PDFName.of('S'))));
      const alt = object.lookup(PDFName.of('Alt'));
      if (alt instanceof PDFString || alt instanceof PDFHexString) told.push(alt.decodeText());
    }
  const blocks = doc.sections.flatMap((s) => s.blocks);
  const count = (as: string) => blocks.filter((b) => b.as === as).length;
  const kindsOf = (kind: string) => kinds.filter((k) => k === `/${kind}`).length;
  expect(kindsOf('Table')).toBe(count('table'));
  expect(kindsOf('TH')).toBe(blocks.reduce((sum, b) => sum + (b.as === 'table' ? b.head.length : 0), 0));
  expect(kindsOf('LI')).toBe(blocks.reduce((sum, b) => sum + (b.as === 'list' ? b.lines.length : 0), 0));
  expect(kindsOf('H1')).toBe(titles.length + 1);
  expect(kindsOf('H2')).toBe(count('heading'));
  expect(told.sort()).toEqual(blocks.flatMap((b) => (b.as === 'figure' ? [b.title] : [])).sort());
});

test('letters that no font here holds are marked, and the cover says which; others stand as they were written', async () => {
  const client = 'Кёльн Øster \u6771\u4eac \u{1F333} \u0007';
  const text = await textOf(
    (await setPdf({ ...doc, title: 'Linden \u6771', lines: [`For ${client}`] })).bytes,
  );
  expect(text).toContain('Linden □');
  expect(text).toContain('For Кёльн Øster □□ □');
  expect(text).toContain('□ stands for characters that no font here holds: U+6771, U+4EAC, U+1F333');
});

test('without rates there are no options, and nothing of money is said', () => {
  const bare = reportContent({ ...source, rates: undefined });
  expect(bare.options).toBeUndefined();
  expect(JSON.stringify(documentOf(bare, undefined))).not.toContain('€');
});
