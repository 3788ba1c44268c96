import { PDFDocument } from 'pdf-lib';
import { textBlock, type ReadDocument } from '../../protocol/document';
import { marksOf } from './outline';
import { documentPdf } from './pdf';

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

test('every part is one bookmark, wherever on a page its heading falls', async () => {
  for (let lines = 28; lines < 44; lines++) {
    const file = await documentPdf(withLines(lines), { cover: false, numbered: false });
    const marks = marksOf(await PDFDocument.load(new Uint8Array(file)));
    expect([lines, marks.map((m) => m.title)]).toEqual([lines, ['First', 'Second', 'Third']]);
  }
});
