import {
  AlignmentType,
  BorderStyle,
  Document,
  Footer,
  HeadingLevel,
  ImageRun,
  LineRuleType,
  Packer,
  PageNumber,
  Paragraph,
  Table,
  TableCell,
  TableRow,
  TextRun,
  WidthType,
} from 'docx';
import type { Block, DocumentPicture, PictureFiles, ReadDocument } from '../../protocol/document';
import { drawingToSvg } from '../../drawings/svgText';
import { INK } from '../../drawings/inks';
import { pngOf } from './picture';
import { pictureSvg } from './pictureSvg';
import { withThinSpaces } from '../../documents/thinSpaces';
import { withoutControl } from './withoutControl';

/** As wide as the text, or as tall as leaves room for a heading; pixels of 1/96 in. */
const WIDEST = 640;
const TALLEST = 700;
/** Width and height of a sheet, and its margins: twentieths of a point. */
const SHEET = { A4: { width: 11906, height: 16838 }, letter: { width: 12240, height: 15840 } };
const MARGIN = 1134;
/** A face that every word processor has or has a stand-in for. */
const FONT = 'Arial';

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

/** A table, and room after it: two that stand next to each other would become one. */
const table = (rows: TableRow[]): (Paragraph | Table)[] => [
  new Table({ rows, width: { size: 100, type: WidthType.PERCENTAGE } }),
  new Paragraph({ text: '', spacing: { after: 60 } }),
];

/** As wide as a photograph is in a document for editing. */
const PICTURE_WIDE = 420;

/** A photograph: the file itself, and its marks with it where there are any. */
async function pictureIn(picture: DocumentPicture, file: Uint8Array | undefined): Promise<Paragraph[]> {
  const scale = Math.min(PICTURE_WIDE / picture.width, TALLEST / 2 / picture.height);
  const transformation = {
    width: Math.round(picture.width * scale),
    height: Math.round(picture.height * scale),
  };
  const altText = { name: picture.caption, title: picture.caption, description: picture.caption };
  const svg = pictureSvg(picture, file);
  const image =
    file && !picture.marks?.length
      ? new ImageRun({ type: 'jpg', data: Buffer.from(file), transformation, altText })
      : new ImageRun({
          type: 'svg',
          data: Buffer.from(svg),
          transformation,
          altText,
          fallback: { type: 'png', data: Buffer.from(await pngOf(svg)) },
        });
  return [
    new Paragraph({ children: [image], keepNext: true }),
    new Paragraph({
      spacing: { after: 120 },
      children: [new TextRun({ text: picture.caption, color: colour(INK.muted) })],
    }),
  ];
}

type Of<K extends Block['as']> = Extract<Block, { as: K }>;

const textIn = ({ text, tone }: Of<'text'>): Paragraph[] =>
  text.split('\n').map(
    (line) =>
      new Paragraph({
        spacing: { before: 60, ...(tone === 'lead' && { after: 120 }) },
        children: [
          new TextRun({
            text: line,
            bold: tone === 'strong',
            ...(tone === 'lead' || tone === 'strong' ? { size: 26 } : {}),
            ...(tone === 'muted' ? { color: colour(INK.muted) } : {}),
          }),
        ],
      }),
  );

const pairsIn = ({ rows }: Of<'pairs'>): (Paragraph | Table)[] =>
  rows.length === 0
    ? []
    : table(
        rows.map(
          (r) =>
            new TableRow({
              cantSplit: true,
              children: [
                cell([{ text: r.name }], 40),
                cell(
                  [{ text: r.value, bold: r.figure }, ...(r.small ? [{ text: r.small, small: true }] : [])],
                  60,
                ),
              ],
            }),
        ),
      );

const tableIn = ({ head, rows, widths }: Of<'table'>): (Paragraph | Table)[] =>
  table([
    new TableRow({
      tableHeader: true,
      children: head.map((h, i) => cell([{ text: h, bold: true }], widths[i]!)),
    }),
    ...rows.map(
      (row) =>
        new TableRow({
          cantSplit: true,
          children: row.map((text, i) => cell([{ text }], widths[i]!)),
        }),
    ),
  ]);

const listIn = ({ title, lines, ordered, harm }: Of<'list'>): Paragraph[] => [
  ...(title ? [new Paragraph({ children: [new TextRun({ text: title, bold: true })], keepNext: true })] : []),
  ...lines.map(
    (line, i) =>
      new Paragraph({
        ...(ordered ? { text: `${i + 1}. ${line}` } : { text: line, bullet: { level: 0 } }),
        ...(harm && {
          border: { left: { style: BorderStyle.SINGLE, size: 24, space: 6, color: colour(INK.harm) } },
        }),
      }),
  ),
];

async function figureIn({ drawing, title, caption }: Of<'figure'>): Promise<Paragraph[]> {
  const { width, height } = drawing;
  const scale = Math.min(WIDEST / width, TALLEST / height);
  const svg = drawingToSvg(drawing, title);
  return [
    new Paragraph({
      children: [
        new ImageRun({
          type: 'svg',
          data: Buffer.from(svg),
          transformation: { width: Math.round(width * scale), height: Math.round(height * scale) },
          // For programs that do not draw SVG.
          fallback: { type: 'png', data: Buffer.from(await pngOf(svg)) },
          altText: { name: title, title, description: title },
        }),
      ],
    }),
    new Paragraph({
      spacing: { after: 120 },
      children: [new TextRun({ text: caption, color: colour(INK.muted) })],
    }),
  ];
}

async function blockIn(block: Block, files: PictureFiles): Promise<(Paragraph | Table)[]> {
  switch (block.as) {
    case 'text':
      return textIn(block);
    case 'heading':
      return [new Paragraph({ text: block.text, heading: HeadingLevel.HEADING_2, keepNext: true })];
    case 'pairs':
      return pairsIn(block);
    case 'table':
      return tableIn(block);
    case 'list':
      return listIn(block);
    case 'pictures':
      return (await Promise.all(block.pictures.map((p) => pictureIn(p, files[p.hash])))).flat();
    case 'figure':
      return figureIn(block);
  }
}

/** A document for those who edit: headings, tables and drawings of a word processor. */
export async function documentDocx(given: ReadDocument, files: PictureFiles = {}): Promise<Buffer> {
  const doc = withThinSpaces(withoutControl(given), 'paper');
  const sections: (Paragraph | Table)[][] = [];
  for (const section of doc.sections) {
    const heading = new Paragraph({
      text: section.title,
      heading: HeadingLevel.HEADING_1,
      keepNext: true,
      pageBreakBefore: section.page ?? false,
    });
    sections.push([
      heading,
      ...(await Promise.all(section.blocks.map((block) => blockIn(block, files)))).flat(),
    ]);
  }
  const file = new Document({
    title: doc.title,
    creator: doc.firm,
    description: doc.stamp,
    styles: {
      default: {
        document: {
          run: { size: 20, font: FONT, color: colour(INK.ink) },
          paragraph: { spacing: { line: 264, lineRule: LineRuleType.AUTO } },
        },
        title: { run: { size: 48, bold: true }, paragraph: { spacing: { before: 240, after: 120 } } },
        heading1: { run: { size: 30, bold: true }, paragraph: { spacing: { before: 360, after: 120 } } },
        heading2: { run: { size: 22, bold: true }, paragraph: { spacing: { before: 220, after: 60 } } },
      },
    },
    sections: [
      {
        properties: {
          page: {
            size: SHEET[doc.paper],
            margin: { top: MARGIN, bottom: MARGIN, left: MARGIN, right: MARGIN },
          },
        },
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
