import type { Parts, ValuesOf } from './kind';
import { MOST_LAYERS } from './soilLog';

/** What a photograph shows. */
export const SHOWN = ['tree', 'crown', 'leaf', 'base', 'mulch', 'dig', 'soil', 'trench', 'work'] as const;
export type Shown = (typeof SHOWN)[number];

/** How many marks a picture has at most. */
export const MOST_PICTURE_MARKS = 40;

/** Whose leaves lie on the leaf sheet. */
export const LEAVES_OF = ['tree', 'reference'] as const;

/** How many places of the bark are touched at most. */
export const MOST_BARK = 24;

/** How many roots are touched at most on the section of a stem. */
export const MOST_IN_SECTION = 12;

/** A place on a picture, as shares of width and height from the upper left. */
const placeOn = ({ z }: Parts) => {
  const share = z.number().min(0).max(1);
  return z.tuple([share, share]);
};
const fourPlaces = (parts: Parts) => {
  const at = placeOn(parts);
  return parts.z.tuple([at, at, at, at]);
};

/** What gives a picture its scale: a sheet in the plane that is measured, or a rod, tape or stem in it. */
function scale(parts: Parts) {
  const { length, z } = parts;
  const at = placeOn(parts);
  return {
    /** A sheet of paper, or a rectangle of known sides, in the plane that is measured: its corners round it, the first edge of a sheet a short one. */
    sheet: z
      .strictObject({
        kind: z.enum(['a4', 'letter', 'rectangle']),
        corners: fourPlaces(parts),
        /** Of a rectangle: the edge between the first two corners, and the next. */
        sides: z.tuple([length('knownLength'), length('knownLength')]).optional(),
      })
      .optional(),
    /** A rod or tape, or the stem of known diameter, in the plane that is measured. */
    bar: z
      .strictObject({ of: z.enum(['rod', 'stem']), from: at, to: at, length: length('knownLength') })
      .optional(),
  };
}

/** What was touched on a picture beside a tape or rod. */
function touched(parts: Parts) {
  const { z } = parts;
  const at = placeOn(parts);
  return {
    /** On the face of a pit beside a tape: the grade, then where layers end. */
    face: z
      .array(at)
      .min(1)
      .max(1 + MOST_LAYERS)
      .optional(),
    /** From one side of the stem laid bare, beside a rod: the bark at the grade on either side, then the tops of roots. */
    section: z
      .array(at)
      .min(1)
      .max(2 + MOST_IN_SECTION)
      .optional(),
  };
}

/** Cards that were found in a picture, and what ties it to the plan of the dig. */
function cardsFound(parts: Parts) {
  const { bearing, length, z } = parts;
  return z.strictObject({
    found: z
      .array(z.strictObject({ id: z.int().min(0).max(249), corners: fourPlaces(parts) }))
      .min(1)
      .max(8),
    /** Width of the black square of a card as it was printed; none: as it should be. */
    side: length('printedSide').optional(),
    /** Where the bark of the stem meets the ground on which the cards lie. */
    bark: z.array(placeOn(parts)).max(MOST_BARK).optional(),
    /** Compass bearing to which the arrow of the card with the lowest number points. */
    towards: bearing.optional(),
    /** Depth of the cards below grade. */
    level: length('rootDepth').optional(),
  });
}

/** The colour of leaves that lie on the leaf sheet, as it was measured. */
const leafColour = ({ z }: Parts) =>
  z.strictObject({
    of: z.enum(LEAVES_OF),
    index: z.number().min(-1).max(3).describe('dark green colour index, mean of the leaves'),
    spread: z.number().min(0).max(2).describe('standard deviation between leaves'),
    count: z.int().min(1).max(200),
    error: z.number().min(0).max(2).describe('standard error of the index'),
    veins: z
      .strictObject({ index: z.number().min(-3).max(3), error: z.number().min(0).max(2) })
      .optional()
      .describe('by how much main veins have a higher index than the blade, and its standard error'),
  });

/** Drawn over a picture and never burnt in. A length is measured where there is a sheet. */
function marksOver(parts: Parts) {
  const { text, z } = parts;
  const at = placeOn(parts);
  return z
    .array(
      z.strictObject({
        kind: z.enum(['arrow', 'circle', 'length']),
        from: at,
        to: at,
        text: text(60).optional(),
      }),
    )
    .max(MOST_PICTURE_MARKS);
}

/** A photograph of a visit: the file by its hash, what it shows, and marks over it. The file itself is kept apart. */
export const picture = (parts: Parts) => {
  const { bearing, day, orderStep, pictureHash, text, z } = parts;
  return z.strictObject({
    hash: pictureHash,
    /** Upright, pixels. */
    width: z.int().min(1).max(30_000),
    height: z.int().min(1).max(30_000),
    on: day,
    by: text(120).optional(),
    shows: z.enum(SHOWN).optional(),
    /** The side of the stem it was taken from; of a trench or the soil, where that lies. */
    bearing: bearing.optional(),
    /** Root it shows, by its label. */
    root: text(12).optional(),
    /** Step of the order that it proves. */
    step: orderStep.optional(),
    caption: text(300).optional(),
    /** Not for reports. */
    leftOut: z.literal(true).optional(),
    /** Before the others in reports. */
    first: z.literal(true).optional(),
    ...scale(parts),
    ...touched(parts),
    cards: cardsFound(parts).optional(),
    /** Four places that an earlier picture of the same shows as well: in this one, and in that. */
    aligned: z
      .strictObject({ to: pictureHash, here: fourPlaces(parts), there: fourPlaces(parts) })
      .optional(),
    leaves: leafColour(parts).optional(),
    marks: marksOver(parts).optional(),
  });
};

export type Picture = ValuesOf<typeof picture>;
export type PictureAlignment = NonNullable<Picture['aligned']>;
export type PictureCards = NonNullable<Picture['cards']>;
export type PictureMark = NonNullable<Picture['marks']>[number];
