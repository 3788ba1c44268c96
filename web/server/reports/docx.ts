import {
  AlignmentType,
  BorderStyle,
  Document,
  Footer,
  HeadingLevel,
  ImageRun,
  Packer,
  PageNumber,
  Paragraph,
  Table,
  TableCell,
  TableRow,
  TextRun,
  WidthType,
} from 'docx';
import type { Block, ReadDocument } from '../../protocol/document';
import { drawingToSvg } from '../../ui/drawing/svgText';
import { INK } from '../../ui/drawing/inks';
import { pngOf } from './picture';

/** Widest picture on the page, pixels of 1/96 in. */
const WIDEST = 600;

const colour = (hex: string): string => hex.replace('#', '');
const HAIR = { style: BorderStyle.SINGLE, size: 4, color: colour(INK.hair) };
const NONE = { style: BorderStyle.NONE, size: 0, color: 'auto' };
const LINES = { top: NONE, left: NONE, right: NONE, bottom: HAIR };

const cell = (lines: { text: string; bold?: boolean; small?: boolean }[], percent: number): TableCell =>
  new TableCell({
    width: { size: percent, type: WidthType.PERCENTAGE },
    borders: LINES,
    children: lines.flatMap(({ text, bold, small }) =>
      text
        .split('\n')
        .map(
          (line) =>
            new Paragraph({ children: [new TextRun({ text: line, bold, ...(small && { size: 16 }) })] }),
        ),
    ),
  });

const table = (rows: TableRow[]): Table =>
  new Table({ rows, width: { size: 100, type: WidthType.PERCENTAGE } });

async function blockIn(block: Block): Promise<(Paragraph | Table)[]> {
  switch (block.as) {
    case 'text':
      return block.text.split('\n').map(
        (text) =>
          new Paragraph({
            spacing: { before: 60 },
            children: [
              new TextRun({
                text,
                bold: block.tone === 'strong',
                ...(block.tone === 'lead' || block.tone === 'strong' ? { size: 26 } : {}),
                ...(block.tone === 'muted' ? { color: colour(INK.muted) } : {}),
              }),
            ],
          }),
      );
    case 'heading':
      return [new Paragraph({ text: block.text, heading: HeadingLevel.HEADING_2, keepNext: true })];
    case 'pairs':
      return block.rows.length === 0
        ? []
        : [
            table(
              block.rows.map(
                (r) =>
                  new TableRow({
                    cantSplit: true,
                    children: [
                      cell([{ text: r.name }], 40),
                      cell(
                        [
                          { text: r.value, bold: r.figure },
                          ...(r.small ? [{ text: r.small, small: true }] : []),
                        ],
                        60,
                      ),
                    ],
                  }),
              ),
            ),
          ];
    case 'table':
      return [
        table([
          new TableRow({
            tableHeader: true,
            children: block.head.map((h, i) => cell([{ text: h, bold: true }], block.widths[i]!)),
          }),
          ...block.rows.map(
            (row) =>
              new TableRow({
                cantSplit: true,
                children: row.map((text, i) => cell([{ text }], block.widths[i]!)),
              }),
          ),
        ]),
      ];
    case 'list':
      return [
        ...(block.title
          ? [new Paragraph({ children: [new TextRun({ text: block.title, bold: true })], keepNext: true })]
          : []),
        ...block.lines.map(
          (line, i) =>
            new Paragraph({
              ...(block.ordered ? { text: `${i + 1}. ${line}` } : { text: line, bullet: { level: 0 } }),
              ...(block.harm && {
                border: { left: { style: BorderStyle.SINGLE, size: 24, space: 6, color: colour(INK.harm) } },
              }),
            }),
        ),
      ];
    case 'figure': {
      const { width, height } = block.drawing;
      const scale = Math.min(1, WIDEST / width);
      const svg = drawingToSvg(block.drawing, block.title);
      return [
        new Paragraph({
          children: [
            new ImageRun({
              type: 'svg',
              data: Buffer.from(svg),
              transformation: { width: Math.round(width * scale), height: Math.round(height * scale) },
              // For programs that do not draw SVG.
              fallback: { type: 'png', data: Buffer.from(await pngOf(svg)) },
              altText: { name: block.title, title: block.title, description: block.title },
            }),
          ],
        }),
        new Paragraph({ children: [new TextRun({ text: block.caption, color: colour(INK.muted) })] }),
      ];
    }
  }
}

/** A document for those who edit: headings, tables and drawings of a word processor. */
export async function documentDocx(doc: ReadDocument): Promise<Buffer> {
  const sections: (Paragraph | Table)[][] = [];
  for (const section of doc.sections) {
    const heading = new Paragraph({
      text: section.title,
      heading: HeadingLevel.HEADING_1,
      keepNext: true,
      pageBreakBefore: section.page ?? false,
    });
    sections.push([heading, ...(await Promise.all(section.blocks.map(blockIn))).flat()]);
  }
  const file = new Document({
    title: doc.title,
    creator: doc.firm,
    description: doc.stamp,
    styles: { default: { document: { run: { size: 20 } } } },
    sections: [
      {
        footers: {
          default: new Footer({
            children: [
              new Paragraph({
                alignment: AlignmentType.RIGHT,
                children: [
                  new TextRun({ text: `${doc.foot} · `, size: 16 }),
                  new TextRun({ children: [PageNumber.CURRENT, ' of ', PageNumber.TOTAL_PAGES], size: 16 }),
                ],
              }),
            ],
          }),
        },
        children: [
          new Paragraph({ text: `${doc.firm} · ${doc.stamp}` }),
          new Paragraph({ text: doc.title, heading: HeadingLevel.TITLE }),
          ...doc.lines.map((text) => new Paragraph({ text })),
          ...sections.flat(),
        ],
      },
    ],
  });
  return Packer.toBuffer(file);
}
