import {
  ClipPath,
  Defs,
  Document,
  Font,
  G,
  Page,
  Path,
  Rect,
  renderToBuffer,
  StyleSheet,
  Svg,
  Text,
  View,
} from '@react-pdf/renderer';
import { INK } from '../../drawings/inks';
import { pathOf, segmentsPath, type Drawing, type Shape } from '../../drawings/shapes';
import type { ReactNode } from 'react';
import type { Block, ReadDocument, Section } from '../../protocol/document';
import { projectFile } from '../projectFile';

let fontsReady = false;

function fonts(): void {
  if (fontsReady) return;
  const file = (family: string, weight: number) =>
    projectFile('node_modules', '@fontsource', family, 'files', `${family}-latin-${weight}-normal.woff`);
  Font.register({
    family: 'Text',
    fonts: [400, 700].map((fontWeight) => ({
      src: file('atkinson-hyperlegible-next', fontWeight),
      fontWeight,
    })),
  });
  Font.register({
    family: 'Figures',
    fonts: [400, 700].map((fontWeight) => ({ src: file('spline-sans-mono', fontWeight), fontWeight })),
  });
  Font.registerHyphenationCallback((word) => [word]);
  fontsReady = true;
}

const s = StyleSheet.create({
  page: {
    fontFamily: 'Text',
    fontSize: 10,
    color: INK.ink,
    paddingTop: 48,
    paddingBottom: 56,
    paddingHorizontal: 40,
  },
  line: { fontSize: 10, lineHeight: 1.35 },
  head: { borderBottomWidth: 1.5, borderColor: INK.ink, paddingBottom: 6, marginBottom: 10 },
  title: { fontSize: 20, fontWeight: 700, lineHeight: 1.2 },
  h2: {
    fontSize: 13,
    fontWeight: 700,
    marginTop: 14,
    marginBottom: 4,
    borderTopWidth: 1,
    borderColor: INK.ink,
    paddingTop: 4,
  },
  h3: { fontSize: 11, fontWeight: 700, marginTop: 8 },
  muted: { color: INK.muted },
  big: { fontSize: 13, lineHeight: 1.3 },
  row: { flexDirection: 'row', borderBottomWidth: 0.5, borderColor: INK.hair, paddingVertical: 2 },
  figure: { fontFamily: 'Figures', fontWeight: 700 },
  caution: { borderLeftWidth: 3, borderColor: INK.harm, paddingLeft: 8, marginTop: 4 },
  cautionLine: { borderLeftWidth: 3, borderColor: INK.harm, paddingLeft: 8 },
  coverTitle: { fontSize: 30, fontWeight: 700, lineHeight: 1.15, marginTop: 190 },
  foot: {
    position: 'absolute',
    left: 40,
    right: 40,
    bottom: 26,
    fontSize: 8,
    color: INK.muted,
    flexDirection: 'row',
    justifyContent: 'space-between',
  },
});

/** Letters of a drawing on paper, as a share of their size on a screen. */
const LETTERS = 0.8;

/**
 * What keeps a text free of the lines behind it. The library draws no outline of letters: a patch as large as the text
 * stands in, by the usual width of a letter of each face.
 */
function behind({ at: [x, y], text, size, anchor, strong, figures }: Extract<Shape, { as: 'text' }>) {
  const em = size * LETTERS;
  const width = text.length * em * (figures ? 0.6 : strong ? 0.54 : 0.5) + 2;
  const left = { start: 0, middle: width / 2, end: width }[anchor];
  return { x: x - left - 1, y: y - 0.85 * em, width: width + 2, height: 1.15 * em };
}

/** Room that has to follow a heading on its page, points, where a figure is in its section and where none is. */
const FIGURE_ROOM = 70;
const TEXT_ROOM = 70;

function DrawingPdf({ drawing }: { drawing: Drawing }) {
  return (
    <Svg width={drawing.width} height={drawing.height} viewBox={`0 0 ${drawing.width} ${drawing.height}`}>
      <Rect
        x={0}
        y={0}
        width={drawing.width}
        height={drawing.height}
        fill="#FFFFFF"
        stroke={INK.ink}
        strokeWidth={1}
      />
      <Defs>
        <ClipPath id="frame">
          <Rect x={0} y={0} width={drawing.width} height={drawing.height} />
        </ClipPath>
      </Defs>
      <G clipPath="url(#frame)">
        {drawing.shapes.map((shape, i) => {
          switch (shape.as) {
            case 'area':
              return (
                <Path
                  key={i}
                  d={pathOf(shape.points, true)}
                  fill={INK[shape.tone]}
                  stroke={shape.edge ? INK[shape.edge] : undefined}
                  strokeWidth={shape.edge ? 1 : 0}
                />
              );
            case 'line':
              return (
                <Path
                  key={i}
                  d={pathOf(shape.points, false)}
                  fill="none"
                  stroke={INK[shape.tone]}
                  strokeWidth={shape.width * 0.75}
                  strokeDasharray={
                    shape.dash ? `${Math.max(1.5, shape.dash[0])} ${shape.dash[1]}` : undefined
                  }
                />
              );
            case 'marks':
              return (
                <Path
                  key={i}
                  d={segmentsPath(shape.segments)}
                  fill="none"
                  stroke={INK[shape.tone]}
                  strokeWidth={shape.width * 0.75}
                />
              );
            case 'text':
              return (
                <G key={i}>
                  {shape.halo ? <Rect {...behind(shape)} fill={INK[shape.halo]} /> : null}
                  <Text
                    x={shape.at[0]}
                    y={shape.at[1]}
                    textAnchor={shape.anchor}
                    fill={INK[shape.tone]}
                    style={{
                      fontFamily: shape.figures ? 'Figures' : 'Text',
                      fontSize: shape.size * LETTERS,
                      fontWeight: shape.strong ? 700 : 400,
                    }}
                  >
                    {shape.text}
                  </Text>
                </G>
              );
          }
        })}
      </G>
    </Svg>
  );
}

type Style = ReturnType<typeof StyleSheet.create>[string];

interface LineProps {
  style?: Style | Style[];
  break?: boolean;
  wrap?: boolean;
  minPresenceAhead?: number;
  children: ReactNode;
}

/**
 * Text with the height of its lines. The page must not carry one: the library multiplies it with the size of the type
 * again on each page for what is fixed there, until the foot is miles tall.
 */
function Line({ style, ...props }: LineProps) {
  return <Text {...props} style={[s.line, ...[style ?? {}].flat()]} />;
}

function Columns({ head, rows, widths }: Extract<Block, { as: 'table' }>) {
  const line = (cells: string[], bold: boolean, key: number) => (
    <View
      key={key}
      style={{ flexDirection: 'row', paddingVertical: 1.5, borderBottomWidth: 0.5, borderColor: INK.hair }}
      wrap={false}
    >
      {cells.map((cell, i) => (
        <Line
          key={i}
          style={{ width: `${widths[i]}%`, paddingRight: 4, ...(bold ? { fontWeight: 700 } : {}) }}
        >
          {cell || ' '}
        </Line>
      ))}
    </View>
  );
  return [line(head, true, -1), ...rows.map((row, i) => line(row, false, i))];
}

/** Nothing but plain text is ever split between two pages: every other block is made of pieces that stay whole. */
function BlockPdf({ block }: { block: Block }) {
  switch (block.as) {
    case 'text':
      return (
        <Line
          style={[
            { marginTop: 3 },
            block.tone === 'lead' ? s.big : {},
            block.tone === 'strong' ? { ...s.big, fontWeight: 700 } : {},
            block.tone === 'muted' ? s.muted : {},
          ]}
        >
          {block.text}
        </Line>
      );
    case 'heading':
      return (
        <Line style={s.h3} minPresenceAhead={40}>
          {block.text}
        </Line>
      );
    case 'pairs':
      return block.rows.map((row) => (
        <View key={row.name} style={s.row} wrap={false}>
          <Line style={{ width: '42%', paddingRight: 8 }}>{row.name}</Line>
          <View style={{ flex: 1 }}>
            <Line style={row.figure ? s.figure : {}}>{row.value}</Line>
            {row.small ? <Line style={[s.muted, { fontSize: 8 }]}>{row.small}</Line> : null}
          </View>
        </View>
      ));
    case 'table':
      return <Columns {...block} />;
    case 'list':
      return [
        ...(block.title
          ? [
              <View key="title" style={block.harm ? s.caution : { marginTop: 4 }} wrap={false}>
                <Line style={{ fontWeight: 700 }}>{block.title}</Line>
              </View>,
            ]
          : []),
        ...block.lines.map((line, i) => (
          <View key={line} style={block.harm ? s.cautionLine : {}} wrap={false}>
            <Line style={{ paddingLeft: 12, textIndent: -12 }}>
              {block.ordered ? `${i + 1}.` : '–'} {line}
            </Line>
          </View>
        )),
      ];
    case 'figure':
      return (
        <View wrap={false} style={{ marginTop: 6 }}>
          <DrawingPdf drawing={block.drawing} />
          <Line style={s.muted}>{block.caption}</Line>
        </View>
      );
  }
}

const SHEET = { A4: 'A4', letter: 'LETTER' } as const;

/** A bookmark of a part of a page; the types of the library know it of whole pages alone. */
const bookmark = (title: string): object => ({ bookmark: title });

/** How a document is set: with its cover, and with its pages numbered. */
export interface Setting {
  cover: boolean;
  numbered: boolean;
}

/** Sections that follow one another without a new page. Each run is laid out alone: the time grows with its square. */
function runsOf(sections: readonly Section[]): Section[][] {
  const runs: Section[][] = [];
  for (const section of sections)
    if (section.page || runs.length === 0) runs.push([section]);
    else runs.at(-1)!.push(section);
  return runs;
}

/** A document as PDF: a cover, then its sections, each a bookmark. Nothing is said here that the document does not say. */
function DocumentPdf({ doc, cover, numbered }: { doc: ReadDocument } & Setting) {
  const foot = (
    <View style={s.foot} fixed>
      <Text>{doc.foot}</Text>
      {numbered ? <Text render={({ pageNumber, totalPages }) => `${pageNumber} of ${totalPages}`} /> : null}
    </View>
  );
  return (
    <Document
      title={`${doc.stamp}: ${doc.title}`}
      author={doc.firm}
      producer="Undrel"
      creator="Undrel"
      language="en"
      pageMode="useOutlines"
    >
      {cover ? (
        <Page size={SHEET[doc.paper]} style={s.page} bookmark={doc.title}>
          {foot}
          <Line style={s.big}>{doc.firm}</Line>
          <Line style={s.coverTitle}>{doc.title}</Line>
          {doc.lines.map((line) => (
            <Line key={line} style={[s.big, { marginTop: 6 }]}>
              {line}
            </Line>
          ))}
          <Line style={[s.figure, { marginTop: 28 }]}>{doc.stamp}</Line>
          <Line style={[s.muted, { marginTop: 220 }]}>
            {doc.sections.map((section) => section.title).join(' · ')}
          </Line>
        </Page>
      ) : null}
      {runsOf(doc.sections).map((run) => (
        <Page key={run[0]!.title} size={SHEET[doc.paper]} style={s.page}>
          {run.flatMap((section, i) => [
            <Line
              key={section.title}
              style={[s.h2, i === 0 ? { marginTop: 0 } : {}]}
              {...bookmark(section.title)}
              // One that was parted between two pages would be a bookmark on both.
              wrap={false}
              minPresenceAhead={section.blocks.some((b) => b.as === 'figure') ? FIGURE_ROOM : TEXT_ROOM}
            >
              {section.title}
            </Line>,
            ...section.blocks.map((block, k) => <BlockPdf key={`${section.title} ${k}`} block={block} />),
          ])}
          {foot}
        </Page>
      ))}
    </Document>
  );
}

/**
 * A document as PDF.
 *
 * @param setting what is to be put together with others has no cover or no numbers of its own
 */
export function documentPdf(
  doc: ReadDocument,
  setting: Setting = { cover: true, numbered: true },
): Promise<Buffer> {
  fonts();
  return renderToBuffer(<DocumentPdf doc={doc} {...setting} />);
}
