/** What one file or request may hold; checked before any of it is worked out. */
const MB = 1_000_000;

export const BYTES = {
  /** A file of rows: trees, rain. */
  csv: 2 * MB,
  /** A plan, GeoJSON or DXF. */
  plan: 5 * MB,
  /** A case file. */
  case: 5 * MB,
  /** Changes to a case, a batch of them. */
  changes: 4 * MB,
  /** A photograph. */
  picture: 25 * MB,
  /** A piece of a photograph. */
  piece: 1 * MB,
  /** What an action of a page is given; the framework takes a little more (`next.config.ts`). */
  action: 2 * MB,
  /** Anything else: a few fields. */
  form: 100_000,
} as const;
export type BodyKind = keyof typeof BYTES;

/** Of a picture: pixels of all of it and along one side, seconds to read it; and the longer side of what is given out. */
export const PICTURE = { pixels: 64_000_000, side: 16_000, seconds: 30, page: 1600, small: 320 } as const;

/** Rows of one file, and columns and characters of one head or cell. */
export const CSV = { rows: 2_000, columns: 100, cell: 4_000 } as const;

/** Of a drawing: entities once its blocks are set in, blocks within blocks, points of one curve, of all curves and of all there is. */
export const DRAWING = { entities: 5_000, depth: 8, curve: 300, curves: 1_500, points: 200_000 } as const;

/** Features of a GeoJSON file and points of all of them. */
export const PLAN = { features: 5_000, points: 200_000, notes: 40 } as const;

/** Changes in one batch. */
export const MOST_CHANGES = 500;

const written = (bytes: number): string =>
  bytes >= MB ? `${(bytes / MB).toFixed(1)} MB` : `${Math.ceil(bytes / 1000)} kB`;

/** That something sent is too large, with what is allowed. */
export const tooLarge = (kind: BodyKind, bytes: number | undefined): string =>
  `What was sent ${bytes === undefined ? 'is larger than' : `has ${written(bytes)};`} ${
    bytes === undefined ? written(BYTES[kind]) : `at most ${written(BYTES[kind])} are`
  }${bytes === undefined ? ', which is the most' : ''} allowed. Nothing was taken.`;
