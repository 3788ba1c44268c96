import { marksOf } from '../../../e2e/pdf';
import { textBlock, type ReadDocument } from '../../protocol/document';
import { setPdf } from './setDocument';

/** A document of three parts of which the first is as long as wanted, so that the headings fall anywhere on a page. */
const withLines = (lines: number): ReadDocument => ({
  title: 'T',
  stamp: 'DRAFT',
  firm: 'F',
  lines: [],
  foot: 'foot',
  paper: 'A4',
  sections: ['First', 'Second', 'Third'].map((title) => ({
    title,
    blocks: Array.from({ length: title === 'First' ? lines : 4 }, (_, i) => textBlock(`line ${i}`)),
  })),
});

test('every part is one bookmark, wherever on a page its heading falls, in the order of the pages', async () => {
  for (let lines = 28; lines < 44; lines++) {
    const marks = await marksOf((await setPdf(withLines(lines))).bytes);
    expect([lines, marks.map((m) => m.title)]).toEqual([lines, ['T', 'First', 'Second', 'Third']]);
    const pages = marks.map((m) => m.page);
    expect(pages).toEqual([...pages].sort((a, b) => a - b));
    expect(pages[0]).toBe(0);
  }
});
