import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { textOf } from '../../../e2e/pdf';
import type { Block, ReadDocument } from '../../protocol/document';
import { LENGTHS } from '../../protocol/lengths';
import { reportContent } from '../../work/reports/content';
import { demoSource, visitedTrees } from './demoSources';
import { documentPdf } from '../../work/reports/pdf';
import { reportDocument, setDocx } from './setDocument';

const folder = mkdtempSync(join(tmpdir(), 'word-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** What a word processor reads in DOCX files: each opened by LibreOffice Writer and written as plain text. */
function readByWriter(files: Record<string, Uint8Array>): Record<string, string> {
  const names = Object.keys(files);
  for (const name of names) writeFileSync(join(folder, `${name}.docx`), files[name]!);
  const { status, stderr } = spawnSync(
    'soffice',
    [
      `-env:UserInstallation=file://${join(folder, 'profile')}`,
      ...['--headless', '--norestore', '--convert-to', 'txt:Text (encoded):UTF8', '--outdir', folder],
      ...names.map((name) => join(folder, `${name}.docx`)),
    ],
    { encoding: 'utf8', timeout: 120_000 },
  );
  if (status !== 0) throw new Error(`LibreOffice: ${stderr}`);
  return Object.fromEntries(names.map((name) => [name, readFileSync(join(folder, `${name}.txt`), 'utf8')]));
}

/** Every text of a block, in the order in which it is read. */
function textsOf(block: Block): string[] {
  switch (block.as) {
    case 'text':
    case 'heading':
      return [block.text];
    case 'pairs':
      return block.rows.flatMap((r) => [r.name, r.value, ...(r.small ? [r.small] : [])]);
    case 'table':
      return [...block.head, ...block.rows.flat()];
    case 'list':
      return [...(block.title ? [block.title] : []), ...block.lines];
    case 'figure':
      return [block.caption];
    case 'pictures':
      return block.pictures.map((p) => p.caption);
  }
}
const wordsOf = (text: string): string[] => text.split(/[\s\u200b\ufeff]+/).filter(Boolean);
const saidBy = ({ title, lines, sections }: ReadDocument): string[] =>
  [title, ...lines, ...sections.flatMap((s) => [s.title, ...s.blocks.flatMap(textsOf)])].filter(
    (t) => t.trim() !== '',
  );

test('DOCX of every length opens in a word processor and reads word for word as the document, as its PDF does @whole', async () => {
  const trees = visitedTrees().filter((t) => ['sable-katsura-14', 'lanternfield-5'].includes(t.id));
  expect(trees.length).toBe(2);
  const docs: Record<string, ReadDocument> = {};
  for (const [i, tree] of trees.entries())
    for (const length of LENGTHS)
      docs[`${tree.id}-${length}`] = await reportDocument({
        content: reportContent(demoSource(tree, i === 0 ? 'metric' : 'us')),
        stamp: { number: 'Q-2026-0004', issued: '2026-11-28' },
        length,
      });
  const files: Record<string, Uint8Array> = {};
  for (const [name, doc] of Object.entries(docs)) files[name] = await setDocx(doc);
  const read = readByWriter(files);
  for (const [name, doc] of Object.entries(docs)) {
    const written = wordsOf(read[name]!).join(' ');
    let at = 0;
    for (const text of saidBy(doc)) {
      const wanted = wordsOf(text).join(' ');
      const found = written.indexOf(wanted, at);
      expect([name, wanted, found >= 0]).toEqual([name, wanted, true]);
      at = found;
    }
    // The PDF breaks and hyphenates lines: its words are compared, not their order.
    const pdf = await textOf(documentPdf(doc).bytes);
    const inPdf = new Set(wordsOf(pdf));
    const missing = [...new Set(wordsOf(saidBy(doc).join(' ')))].filter((word) => !inPdf.has(word));
    expect([
      name,
      missing.filter((word) => !pdf.replace(/[-\s]/g, '').includes(word.replace(/-/g, ''))),
    ]).toEqual([name, []]);
  }
});
