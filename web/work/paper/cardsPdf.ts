import {
  CARD_PAPER,
  CARDS,
  COLOURS,
  GREYS,
  LEAF_SHEET,
  leafSheetPlaces,
  PATCH_SIDE,
} from '@undrel/core/photogrammetry';
import { CELLS, cellsOf } from '@undrel/core/markers';
import type { Paper } from '../../protocol/document';
import { setOnPaper, taggedPdf } from './paper';

/** A marker as a drawing: one unit a cell, white where it is white. */
function markerSvg(id: number): string {
  const white = cellsOf(id).flatMap((row, y) => row.flatMap((is, x) => (is ? [`M${x} ${y}h1v1h-1z`] : [])));
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${CELLS} ${CELLS}" shape-rendering="crispEdges"><rect width="${CELLS}" height="${CELLS}" fill="#000"/><path d="${white.join('')}" fill="#fff"/></svg>`;
}

const mm = (metres: number): number => 1000 * metres;

/** Marker cards to be cut apart, and the sheet for leaves, as a PDF of two pages. */
export function cardsPdf(paper: Paper): Uint8Array {
  const cards = {
    paper,
    card: { width: mm(CARD_PAPER.width), height: mm(CARD_PAPER.height), up: mm(CARD_PAPER.up) },
    side: mm(CARDS.side),
    cards: CARDS.ids.map((id) => ({ id, svg: markerSvg(id) })),
    leaf: {
      side: mm(LEAF_SHEET.side),
      markers: leafSheetPlaces().map(({ id, at }) => ({
        id,
        svg: markerSvg(id),
        x: mm(at[0]),
        y: mm(at[1]),
      })),
      patch: mm(PATCH_SIDE),
      patches: [...GREYS, ...COLOURS].map(({ at, colour }) => ({ x: mm(at[0]), y: mm(at[1]), colour })),
    },
  };
  return taggedPdf(setOnPaper(['web', 'work', 'paper', 'cards.typ'], { cards: JSON.stringify(cards) }));
}
