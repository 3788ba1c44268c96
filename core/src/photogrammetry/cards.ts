import type { Point } from './homography';

/** Cards that lie round a collar, each by itself: their numbers, and the width of the black square, m. */
export const CARDS = { ids: [1, 2, 3, 4], side: 0.08 } as const;

/**
 * The sheet on which leaves lie: four markers at known places, which an A4 sheet and a letter sheet both hold. Places are
 * from the middle of the sheet, m, x to the right and y up.
 */
export const LEAF_SHEET = { ids: [11, 12, 13, 14], side: 0.028, across: 0.17, along: 0.24 } as const;

/** A printed card, m: its width and height, and how far the middle of its marker is above its own. */
export const CARD_PAPER = { width: 0.1, height: 0.13, up: 0.012 } as const;

/** A patch of the leaf sheet: its middle, from that of the sheet, and its colour in sRGB as it is printed. */
export interface Patch {
  at: Point;
  colour: readonly [number, number, number];
}
export const PATCH_SIDE = 0.016;
const row = (y: number, colours: readonly Patch['colour'][]): Patch[] =>
  colours.map((colour, i) => ({ at: [(i - (colours.length - 1) / 2) * 0.0185, y], colour }));
const across = (LEAF_SHEET.along - LEAF_SHEET.side) / 2;
/** Greys along the lower edge, by which light is balanced, and colours along the upper, by which the balance is proved. */
export const GREYS: readonly Patch[] = row(
  -across,
  [30, 75, 120, 165, 205, 235].map((v): Patch['colour'] => [v, v, v]),
);
export const COLOURS: readonly Patch[] = row(across, [
  [168, 52, 44],
  [62, 118, 58],
  [52, 78, 146],
  [214, 182, 60],
  [120, 160, 70],
  [110, 78, 54],
]);

/** Something flat and stiff with markers: its own plane, x to the right and y up, m. */
export interface Body {
  /** The number of its first marker. */
  id: number;
  markers: ReadonlyMap<number, readonly Point[]>;
}

/** Corners of a marker about its middle, clockwise from its upper left. */
const square = ([x, y]: Point, side: number): Point[] => [
  [x - side / 2, y + side / 2],
  [x + side / 2, y + side / 2],
  [x + side / 2, y - side / 2],
  [x - side / 2, y - side / 2],
];

/** Where the markers of the leaf sheet lie on it, clockwise from the upper left. */
export const leafSheetPlaces = (): { id: number; at: Point }[] => {
  const [dx, dy] = [(LEAF_SHEET.across - LEAF_SHEET.side) / 2, (LEAF_SHEET.along - LEAF_SHEET.side) / 2];
  const places: Point[] = [
    [-dx, dy],
    [dx, dy],
    [dx, -dy],
    [-dx, -dy],
  ];
  return LEAF_SHEET.ids.map((id, i) => ({ id, at: places[i]! }));
};

/** All that may lie about, as it is printed; `side` is the width of a card's black square as it was measured. */
export const bodies = (side: number = CARDS.side): Body[] => [
  ...CARDS.ids.map((id) => ({ id, markers: new Map([[id as number, square([0, 0], side)]]) })),
  {
    id: LEAF_SHEET.ids[0],
    markers: new Map(leafSheetPlaces().map(({ id, at }) => [id, square(at, LEAF_SHEET.side)])),
  },
];

/** Numbers of the markers that are looked for. */
export const MARKERS: readonly number[] = [...CARDS.ids, ...LEAF_SHEET.ids];
