import { textOf } from '../../../e2e/pdf';
import { documentIn, TIGHTEST } from '../../documents/documentIn';
import { longDay } from '../../documents/dates';
import { eachText } from '../../documents/eachText';
import type { ReadDocument } from '../../protocol/document';
import { LEAVABLE, LENGTHS } from '../../protocol/lengths';
import { reportContent } from '../../work/reports/content';
import { OTHER } from '../../work/reports/edition';
import { demoSource, visitedTrees } from './demoSources';
import { documentMarkdown } from '../../work/reports/markdown';
import { reportFile } from './files';
import { reportPdf } from './setDocument';

/** Some of them; that all of them fit is asked where their reports are set. */
const contents = visitedTrees()
  .filter((_, i) => i % 3 === 0)
  .map((tree, i) => ({
    id: tree.id,
    content: reportContent(demoSource(tree, i % 2 === 0 ? 'us' : 'metric')),
  }));
const OLD = /\b(19|20)\d{2}-\d{2}(-\d{2})?\b/;

test('a letter tells what is wrong, what to do, what it costs, what happens otherwise and how sure that is', () => {
  expect(contents.length).toBeGreaterThan(8);
  for (const { id, content } of contents)
    for (let tight = 0; tight <= TIGHTEST; tight++) {
      const letter = documentIn('letter', content, undefined, tight);
      const said = documentMarkdown(letter);
      const titles = letter.sections.map((s) => s.title);
      expect([id, titles.slice(0, 2)]).toEqual([id, ['What is wrong', 'What to do']]);
      for (const title of ['What it costs', 'If nothing is done', 'How sure we are'])
        expect([id, title, titles.includes(title)]).toEqual([id, title, true]);
      // Every piece of work by its name, however short the letter.
      for (const { title } of content.prescribed)
        expect([id, tight, title, said.toLowerCase().includes(title.toLowerCase())]).toEqual([
          id,
          tight,
          title,
          true,
        ]);
      if (content.danger) expect(said.indexOf('Before anything else')).toBeGreaterThan(0);
      expect([id, OLD.exec(said)?.[0]]).toEqual([id, undefined]);
      // What stands on the screens of the application is not there for a client.
      expect([id, /\bstation\b/i.exec(said)?.[0]]).toEqual([id, undefined]);
    }
});

test('days are written with their month as the paper’s readers write them; numbers of reports stay', () => {
  expect([longDay('2026-05-19', 'A4'), longDay('2026-05-19', 'letter')]).toEqual([
    '19 May 2026',
    'May 19, 2026',
  ]);
  const content = contents[0]!.content;
  const stamp = { number: 'Q-2026-0004', issued: '2026-05-07' };
  const letter = documentIn('letter', { ...content, paper: 'A4' }, stamp);
  expect(letter.stamp).toBe('Report Q-2026-0004, issued 7 May 2026');
});

test('no client reads a day or month as figures, in drawings neither, in any length or language', () => {
  const bare = new Set<string>();
  for (const { content } of contents)
    for (const { length, other } of LENGTHS.flatMap((length) => [
      { length, other: undefined },
      { length, other: OTHER.de },
    ]))
      eachText(documentIn(length, content, undefined, 0, other), (text) => {
        if (/(?<![-\d])(19|20)\d{2}-(0[1-9]|1[0-2])(?!\d)/.test(text)) bare.add(text);
        return text;
      });
  expect([...bare]).toEqual([]);
});

test('every drawing is told in a sentence that holds what it shows', () => {
  const told = contents.flatMap(({ content }) =>
    LENGTHS.flatMap((length) =>
      documentIn(length, content, undefined).sections.flatMap((s) =>
        s.blocks.flatMap((b) => (b.as === 'figure' ? [b.title] : [])),
      ),
    ),
  );
  expect(told.length).toBeGreaterThan(30);
  for (const text of told) expect(text).toMatch(/^\p{Lu}.{40,}\.$/u);
  const { content } = contents.find((c) => c.content.measured.length > 2)!;
  const section = documentIn('record', content, undefined).sections[0]!.blocks.find((b) => b.as === 'figure');
  for (const { text } of content.measured) expect(section!.title).toContain(text);
});

test('an issued letter says its number, and the consultant’s own words go before those of the program', async () => {
  const { content } = contents.find((c) => c.content.prescribed.length > 2)!;
  const worded = {
    ...content,
    wording: {
      opening: 'You called about the limes.',
      verdict: 'It was planted too deep.',
      closing: 'Please decide by June.',
    },
  };
  const stamp = { number: 'Q-2026-0004', issued: '2026-05-07' };
  const { bytes: pdf } = await reportPdf({ content: worded, stamp, length: 'letter' });
  const text = (await textOf(Buffer.from(pdf))).replace(/\s+/g, ' ');
  for (const words of [
    'Q-2026-0004',
    'You called about the limes.',
    'It was planted too deep.',
    'Please decide by June.',
  ])
    expect(text).toContain(words);
  expect(LENGTHS.map((length) => documentIn(length, worded, stamp).title)).toEqual(
    LENGTHS.map(() => content.tree),
  );
});

test('what the consultant leaves out is out of that length alone; what is wrong and what to do stay, and every such part is there', () => {
  const picture = { hash: '0'.repeat(64), width: 4, height: 3, caption: 'Open collar' };
  const seen = contents.map(({ id, content }) => ({ id, content: { ...content, pictures: [picture] } }));
  for (const length of LENGTHS) {
    const all = seen.map(({ content }) => documentIn(length, content, undefined));
    const keys = LEAVABLE[length].map((p) => p.key);
    // Each part that may be left out is in the document of some tree.
    expect(new Set(all.flatMap((d) => d.sections.flatMap((s) => s.key ?? [])))).toEqual(new Set(keys));
    for (const { id, content } of seen)
      for (const key of keys) {
        const leave = { [length]: [key] };
        const told = { ...content, wording: { leave } };
        const titles = (doc: ReadDocument) => doc.sections.map((s) => s.title);
        const whole = documentIn(length, content, undefined);
        const gone = whole.sections.filter((s) => s.key === key).map((s) => s.title);
        expect([id, key, titles(documentIn(length, told, undefined))]).toEqual([
          id,
          key,
          titles(whole).filter((t) => !gone.includes(t)),
        ]);
        for (const other of LENGTHS.filter((l) => l !== length))
          expect(titles(documentIn(other, told, undefined))).toEqual(
            titles(documentIn(other, content, undefined)),
          );
      }
  }
});

test('JSON of a letter or report is the document as it was fitted to its pages, which PDF holds word for word', async () => {
  // Who has much to say has less said beside it: some letters and reports have to be made shorter.
  const opening = Array.from({ length: 45 }, (_, i) => `${i + 1}. What we talked about.`).join('\n');
  const shortened: number[] = [];
  for (const { id, content: plain } of contents) {
    const content = { ...plain, wording: { opening } };
    for (const length of ['letter', 'report'] as const) {
      const json = await reportFile({ content, length }, 'json');
      const doc = JSON.parse(json as string) as ReadDocument;
      expect(doc).toEqual(
        JSON.parse(JSON.stringify(documentIn(length, content, undefined, doc.shortened ?? 0))),
      );
      if (doc.shortened === undefined) continue;
      shortened.push(doc.shortened);
      const words = (text: string) => text.replace(/[\s\u00ad]+/g, '');
      const pdf = words(await textOf(Buffer.from((await reportPdf({ content, length })).bytes))).replaceAll(
        new RegExp(`${words(doc.foot)}\\dof\\d|--\\dof\\d--`, 'g'),
        '',
      );
      for (const text of doc.sections.flatMap((s) => [
        s.title,
        ...s.blocks.flatMap((b) => (b.as === 'text' ? b.text.split('\n') : b.as === 'list' ? b.lines : [])),
      ]))
        expect([id, length, text, pdf.includes(words(text))]).toEqual([id, length, text, true]);
    }
  }
  expect(shortened.length).toBeGreaterThan(0);
});
