import { BLANK_SEAL } from '@undrel/core/proof';
import type { NodeTypstDocument } from '@myriaddreamin/typst-ts-node-compiler';
import { INK } from '../../drawings/inks';
import type { Drawing, Shape } from '../../drawings/shapes';
import { drawingToSvg } from '../../drawings/svgText';
import { withThinSpaces } from '../../documents/thinSpaces';
import type { PictureFiles, ReadDocument } from '../../protocol/document';
import { setOnPaper, taggedPdf } from '../paper/paper';
import { qrSvg } from '../paper/qrSvg';
import { pictureSvg } from './pictureSvg';
import type { Proof } from './proof';
import { inKnownLetters } from './knownLetters';
import { withoutControl } from './withoutControl';

/** Lines and letters of a drawing on paper, as a share of their size on a screen. */
const LINES = 0.75;
const LETTERS = 0.8;
type Text = Extract<Shape, { as: 'text' }>;

/**
 * What keeps a text free of the lines behind it: a patch as large as the text, by the usual width of a letter of each face.
 * An outline of the letters, as on a screen, is set over them here.
 */
function patchOf({ at: [x, y], text, size, anchor, strong, figures, halo }: Text): Shape[] {
  if (!halo) return [];
  const em = size * LETTERS;
  const width = text.length * em * (figures ? 0.6 : strong ? 0.54 : 0.5) + 2;
  const left = x - { start: 0, middle: width / 2, end: width }[anchor] - 1;
  const top = y - 0.85 * em;
  const [right, bottom] = [left + width + 2, top + 1.15 * em];
  return [
    {
      as: 'area',
      points: [
        [left, top],
        [right, top],
        [right, bottom],
        [left, bottom],
      ],
      tone: halo,
    },
  ];
}

const shapesOnPaper = (shape: Shape): Shape[] => {
  switch (shape.as) {
    case 'area':
      return [shape];
    case 'text':
      return [...patchOf(shape), { ...shape, size: shape.size * LETTERS, halo: undefined }];
    case 'line':
    case 'marks':
      return [{ ...shape, width: shape.width * LINES }];
  }
};
/** A drawing as SVG, its lines and letters as they stand on paper. */
export const svgOnPaper = (drawing: Drawing, title: string): string =>
  drawingToSvg({ ...drawing, shapes: drawing.shapes.flatMap(shapesOnPaper) }, title);

/** A document with its drawings as SVG files, as the sheet `page.typ` reads it. */
const asData = (doc: ReadDocument, files: PictureFiles) => ({
  ...doc,
  sections: doc.sections.map((section) => ({
    ...section,
    blocks: section.blocks.map((block) =>
      block.as === 'figure'
        ? {
            as: block.as,
            title: block.title,
            caption: block.caption,
            width: block.drawing.width,
            svg: svgOnPaper(block.drawing, block.title),
          }
        : block.as === 'pictures'
          ? {
              as: block.as,
              pictures: block.pictures.map((picture) => ({
                caption: picture.caption,
                svg: pictureSvg(picture, files[picture.hash]),
              })),
            }
          : block,
    ),
  })),
});

const laidOut = (data: string, proof: Proof | undefined): NodeTypstDocument =>
  setOnPaper(['web', 'work', 'reports', 'page.typ'], {
    doc: data,
    inks: JSON.stringify(INK),
    ...(proof && {
      proof: JSON.stringify({
        code: proof.code,
        seal: BLANK_SEAL,
        qr: qrSvg(`undrel ${proof.hash}`, 'M', INK.ink),
        files: proof.files,
      }),
    }),
  });

/**
 * A document as tagged PDF (PDF/UA-1): a cover, then its sections, each a bookmark. Nothing is said here that the document
 * does not say, except which characters could not be set. With a proof it is PDF/A-3a, which keeps what proves it as
 * attachments, and holds a blank seal for whoever seals it.
 *
 * @throws where the document cannot be set at all
 */
export function documentPdf(
  given: ReadDocument,
  files: PictureFiles = {},
  proof?: Proof,
): { bytes: Uint8Array; pages: number } {
  return inKnownLetters(withoutControl(given), (doc, told) => {
    const whole = told ? { ...doc, lines: [...doc.lines, told] } : doc;
    const set = laidOut(JSON.stringify(asData(withThinSpaces(whole, 'paper'), files)), proof);
    return { bytes: taggedPdf(set, proof ? 'a-3a' : 'ua-1'), pages: set.numOfPages };
  });
}
