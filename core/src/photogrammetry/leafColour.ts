import { veinContrast } from './leafVeins';
import { COLOURS, GREYS, LEAF_SHEET, PATCH_SIDE } from './cards';
import type { Point } from './homography';
import { inPicture, type CardPlane } from './plane';
import { between, type Raster } from './raster';

export type Rgb = readonly [red: number, green: number, blue: number];

/**
 * Dark green colour index of a colour: D. Karcher and M. Richardson, Quantifying turfgrass color using digital image
 * analysis, Crop Science 43 (2003): ((H - 60) / 60 + (1 - S) + (1 - B)) / 3, hue in degrees, saturation and brightness from
 * 0 to 1. Greener and darker is higher.
 *
 * @param colour red, green and blue, 0 to 255
 */
export function darkGreen(colour: Rgb): number {
  const { hue, saturation, brightness } = hsb(colour);
  return ((hue - 60) / 60 + (1 - saturation) + (1 - brightness)) / 3;
}

/** Hue in degrees, saturation and brightness from 0 to 1 (A. R. Smith 1978). */
export function hsb([r, g, b]: Rgb): { hue: number; saturation: number; brightness: number } {
  const [most, least] = [Math.max(r, g, b), Math.min(r, g, b)];
  const range = most - least;
  const hue =
    range === 0
      ? 0
      : most === r
        ? 60 * (((g - b) / range + 6) % 6)
        : most === g
          ? 60 * ((b - r) / range + 2)
          : 60 * ((r - g) / range + 4);
  return { hue, saturation: most === 0 ? 0 : range / most, brightness: most / 255 };
}

/** The colour of leaves on the sheet. */
export interface LeafColour {
  /** Dark green colour index, the mean of the leaves. */
  index: number;
  /** By how much leaves differ, a standard deviation. */
  spread: number;
  leaves: number;
  /** Standard error of the index: of the mean, and of how true the green patches come out. */
  error: number;
  /** By how much the main veins have a higher index than the blades, mean of the leaves, and its standard error. */
  veins: { index: number; error: number };
}

/** Places are looked at so far apart on the sheet, m. */
const GRID = 0.001;
/** Where leaves may lie: half its width and height, from the middle of the sheet, m. */
const FIELD = { across: 0.084, along: 0.09 } as const;
/** Leaves smaller than this are bits, and fewer than these tell nothing, m2 and count. Judgement. */
const [LEAST_LEAF, LEAST_LEAVES] = [1.5e-4, 3];
/** How far from its edge a leaf is looked at, in places: edges are mixed with paper. */
const EDGE = 2;
/** What is leaf and not paper, once light is balanced: so coloured at least, of a hue from yellow to bluish green, and not as bright as paper. */
const LEAF = { saturation: 0.16, from: 22, to: 190, brightness: 0.93 } as const;
/** Light may differ so many times over the sheet, and a patch be so far from its printed colour after balance, of 255. Judgement. */
const [UNEVEN, UNTRUE] = [1.6, 40];
/** What a camera cannot tell any more: burnt out, or too dark. */
const [BURNT, DARK] = [253, 45];

/** Mean colours of a picture at places of the sheet, m from its middle; undefined outside the picture. */
function looker(raster: Raster, plane: CardPlane): (x: number, y: number) => Rgb | undefined {
  const { width, height, data } = raster;
  const layers = [0, 1, 2].map((c) =>
    Float32Array.from({ length: width * height }, (_, i) => data[4 * i + c]!),
  );
  return (x, y) => {
    const at = inPicture(plane, [x, y]);
    if (!at || at[0] < 0 || at[1] < 0 || at[0] > 1 || at[1] > 1) return undefined;
    const [r, g, b] = layers.map((layer) => between(layer, width, height, at[0] * width, at[1] * height));
    return [r!, g!, b!];
  };
}

const middle = (values: number[]): number => values.sort((a, b) => a - b)[values.length >> 1]!;

/** The middle colour of a square about a place. */
function patch(
  look: (x: number, y: number) => Rgb | undefined,
  [x, y]: Point,
  side: number,
): Rgb | undefined {
  const seen: Rgb[] = [];
  for (let dx = -side / 2; dx <= side / 2; dx += side / 5)
    for (let dy = -side / 2; dy <= side / 2; dy += side / 5) {
      const colour = look(x + dx, y + dy);
      if (!colour) return undefined;
      seen.push(colour);
    }
  return [0, 1, 2].map((c) => middle(seen.map((s) => s[c]!))) as unknown as Rgb;
}

/** Places of the sheet that are white paper: beside the field, and between it and the patches. */
const WHITES: readonly Point[] = [
  ...[-0.08, -0.04, 0, 0.04, 0.08].flatMap((y): Point[] => [
    [-0.093, y],
    [0.093, y],
  ]),
  ...[-0.045, 0, 0.045].flatMap((x): Point[] => [
    [x, 0.0965],
    [x, -0.0965],
  ]),
];

/** Brightness of paper over the sheet by channel: a plane through the whites, without those that something lies over. */
function paperOf(
  look: (x: number, y: number) => Rgb | undefined,
): ((x: number, y: number) => Rgb) | undefined {
  const seen = WHITES.flatMap((at) => {
    const colour = patch(look, at, 0.004);
    return colour ? [{ at, colour }] : [];
  });
  if (seen.length < 8) return undefined;
  const sum = (c: Rgb) => c[0] + c[1] + c[2];
  const usual = middle(seen.map((s) => sum(s.colour)));
  const white = seen.filter((s) => sum(s.colour) > 0.7 * usual);
  const planes = [0, 1, 2].map((c) => {
    // Whites lie evenly about the middle: mean and slopes by themselves are least squares, near enough.
    const mean = white.reduce((s, w) => s + w.colour[c]!, 0) / white.length;
    const slope = (k: 0 | 1) =>
      white.reduce((s, w) => s + w.at[k] * (w.colour[c]! - mean), 0) /
      white.reduce((s, w) => s + w.at[k] ** 2, 0);
    return [mean, slope(0), slope(1)] as const;
  });
  return (x, y) => planes.map(([a, b, c]) => a + b * x + c * y) as unknown as Rgb;
}

/** A way from what a channel shows of white to what was printed, in straight pieces through greys, paper and black. */
function toneThrough(pairs: readonly (readonly [seen: number, printed: number])[]): (seen: number) => number {
  const sorted = [[0, 0] as const, ...pairs, [1, 1] as const].sort((a, b) => a[0] - b[0]);
  return (seen) => {
    const at = sorted.findIndex(([s]) => s >= seen);
    const after = at < 0 ? sorted.length - 1 : Math.max(1, at);
    const [a, b] = [sorted[after - 1]!, sorted[after]!];
    return a[1] + ((b[1] - a[1]) * (seen - a[0])) / Math.max(1e-6, b[0] - a[0]);
  };
}

/** Groups of places that touch, by their sides. */
function grouped(is: (i: number, j: number) => boolean, columns: number, rows: number): [number, number][][] {
  const taken = new Uint8Array(columns * rows);
  const groups: [number, number][][] = [];
  for (let j = 0; j < rows; j++)
    for (let i = 0; i < columns; i++) {
      if (taken[j * columns + i] || !is(i, j)) continue;
      const group: [number, number][] = [];
      const open: [number, number][] = [[i, j]];
      taken[j * columns + i] = 1;
      while (open.length > 0) {
        const [a, b] = open.pop()!;
        group.push([a, b]);
        for (const [p, q] of [
          [a + 1, b],
          [a - 1, b],
          [a, b + 1],
          [a, b - 1],
        ] as const) {
          if (p < 0 || q < 0 || p >= columns || q >= rows || taken[q * columns + p] || !is(p, q)) continue;
          taken[q * columns + p] = 1;
          open.push([p, q]);
        }
      }
      groups.push(group);
    }
  return groups;
}

type Look = (x: number, y: number) => Rgb | undefined;
type Problem = { problem: string };

/** The sheet as it lies in a picture, by its own axes; in words, why it cannot be told. */
function sheetOf(
  raster: Raster,
  plane: CardPlane,
): { look: Look; paper: (x: number, y: number) => Rgb } | Problem {
  const sheet = plane.cards.find((c) => c.id === LEAF_SHEET.ids[0]);
  if (!sheet)
    return {
      problem: 'The leaf sheet is not found in this picture. Lay the leaves on it, its four corners in view.',
    };
  const angle = (sheet.turned * Math.PI) / 180;
  const [s, c] = [Math.sin(angle), Math.cos(angle)];
  const onPlane = looker(raster, plane);
  const look: Look = (x, y) => onPlane(sheet.at[0] + c * x - s * y, sheet.at[1] + s * x + c * y);
  const paper = paperOf(look);
  if (!paper)
    return {
      problem:
        'A part of the leaf sheet is outside the picture. Take it again with all four corners in view.',
    };
  const corners = [-1, 1].flatMap((a) => [-1, 1].map((b) => paper(a * 0.085, b * 0.12)));
  const problem = lightProblem(corners);
  return problem ? { problem } : { look, paper };
}

/** What is wrong with the light on the corners of the sheet. */
function lightProblem(corners: readonly Rgb[]): string | undefined {
  const bright = corners.map(([r, g, b]) => (r + g + b) / 3);
  if (Math.max(...bright) / Math.max(1, Math.min(...bright)) > UNEVEN)
    return 'Light on the sheet is uneven: a part of it is in shade. Take it again in even shade.';
  if (Math.max(...corners.flat()) > BURNT)
    return 'The paper is burnt out: too much light. Take it again in shade, without flash.';
  if (Math.min(...corners.flat()) < DARK)
    return 'The picture is too dark to tell colours. Take it again in more light.';
  return undefined;
}

type Balance = (x: number, y: number, seen: Rgb) => Rgb;

/** Evens light by the paper and balances it by the grey patches. */
function balanceBy(look: Look, paper: (x: number, y: number) => Rgb): { balanced: Balance } | Problem {
  const greys = GREYS.map(({ at, colour }) => ({
    seen: patch(look, at, PATCH_SIDE * 0.6),
    paper: paper(...at),
    printed: colour[0],
  }));
  if (greys.some((g) => !g.seen))
    return { problem: 'The grey patches are not in view. Take it again with the whole sheet.' };
  const rising = greys.every(
    (g, i) => i === 0 || g.seen![1] / g.paper[1] > greys[i - 1]!.seen![1] / greys[i - 1]!.paper[1],
  );
  if (!rising)
    return {
      problem:
        'The grey patches do not rise from dark to light: something lies over them, or they mirror the sky. Take it again.',
    };
  const tones = [0, 1, 2].map((k) =>
    toneThrough(greys.map((g) => [g.seen![k]! / g.paper[k]!, g.printed / 255] as const)),
  );
  return {
    balanced: (x, y, seen) => {
      const white = paper(x, y);
      return [0, 1, 2].map(
        (k) => 255 * Math.min(1, Math.max(0, tones[k]!(seen[k]! / white[k]!))),
      ) as unknown as Rgb;
    },
  };
}

/** How far the green patches come out from what was printed, in index; in words, where colours cannot be trusted. */
function untrueBy(look: Look, balanced: Balance): { untrue: number } | Problem {
  const proofs = COLOURS.map(({ at, colour }) => {
    const seen = patch(look, at, PATCH_SIDE * 0.6);
    return seen && { is: balanced(...at, seen), printed: colour };
  });
  const off = proofs.map((p) =>
    p ? Math.hypot(...[0, 1, 2].map((k) => p.is[k]! - p.printed[k]!)) / Math.sqrt(3) : 255,
  );
  if (middle([...off]) > UNTRUE)
    return {
      problem: `The colour patches come out ${Math.round(middle([...off]))} of 255 off after balance; at most ${UNTRUE} are allowed. The light is coloured, or the sheet was printed poorly.`,
    };
  const greens = proofs.filter((p) => p && hsb(p.printed).hue > 60 && hsb(p.printed).hue < 180);
  return {
    untrue: Math.sqrt(
      greens.reduce((sum, p) => sum + (darkGreen(p!.is) - darkGreen(p!.printed)) ** 2, 0) /
        Math.max(1, greens.length),
    ),
  };
}

/** What is leaf and not paper. */
function isLeafy(colour: Rgb): boolean {
  const { hue, saturation, brightness } = hsb(colour);
  return saturation >= LEAF.saturation && hue >= LEAF.from && hue <= LEAF.to && brightness <= LEAF.brightness;
}

/** The leaves on the field of the sheet: the index of each, and by how much its veins differ. */
function leavesOn(look: Look, balanced: Balance) {
  const [columns, rows] = [Math.round((2 * FIELD.across) / GRID), Math.round((2 * FIELD.along) / GRID)];
  const placeOf = (i: number, j: number): Point => [
    (i + 0.5) * GRID - FIELD.across,
    (j + 0.5) * GRID - FIELD.along,
  ];
  const colours: (Rgb | undefined)[] = [];
  for (let j = 0; j < rows; j++)
    for (let i = 0; i < columns; i++) {
      const [x, y] = placeOf(i, j);
      const seen = look(x, y);
      const colour = seen && balanced(x, y, seen);
      colours.push(colour && isLeafy(colour) ? colour : undefined);
    }
  const indexAt = (x: number, y: number) => {
    const seen = look(x, y);
    return seen && darkGreen(balanced(x, y, seen));
  };
  const isLeaf = (i: number, j: number) => colours[j * columns + i] !== undefined;
  return grouped(isLeaf, columns, rows).flatMap((group) => {
    if (group.length * GRID ** 2 < LEAST_LEAF) return [];
    const inside = group.filter(([i, j]) =>
      [-EDGE, EDGE].every(
        (d) =>
          i + d >= 0 && i + d < columns && j + d >= 0 && j + d < rows && isLeaf(i + d, j) && isLeaf(i, j + d),
      ),
    );
    if (inside.length < 20) return [];
    const places = inside.map(([i, j]) => placeOf(i, j));
    const mean =
      inside.reduce((sum, [i, j]) => sum + darkGreen(colours[j * columns + i]!), 0) / inside.length;
    return [{ mean, veins: veinContrast(places, indexAt) }];
  });
}

/**
 * The colour of leaves that lie on the leaf sheet: light is evened by the paper and balanced by the grey patches, leaves are
 * told from paper, and each is looked at away from its edge.
 *
 * @param plane of the sheet, from its markers
 * @returns in words, why the picture tells no colour
 */
export function leafColourOf(raster: Raster, plane: CardPlane): LeafColour | Problem {
  const sheet = sheetOf(raster, plane);
  if ('problem' in sheet) return sheet;
  const light = balanceBy(sheet.look, sheet.paper);
  if ('problem' in light) return light;
  const proof = untrueBy(sheet.look, light.balanced);
  if ('problem' in proof) return proof;
  const leaves = leavesOn(sheet.look, light.balanced);
  if (leaves.length < LEAST_LEAVES)
    return {
      problem: `Leaves found: ${leaves.length}; at least ${LEAST_LEAVES} are needed, and five are better. Lay them flat on the white, none over another.`,
    };
  const { mean: index, spread } = meanOf(leaves.map((l) => l.mean));
  const contrast = meanOf(leaves.flatMap((l) => l.veins ?? []));
  return {
    index,
    spread,
    leaves: leaves.length,
    error: Math.hypot(spread / Math.sqrt(leaves.length), proof.untrue),
    veins: { index: contrast.mean, error: contrast.spread / Math.sqrt(leaves.length) },
  };
}

/** Mean and standard deviation. */
function meanOf(values: readonly number[]): { mean: number; spread: number } {
  const mean = values.reduce((a, b) => a + b, 0) / values.length;
  const spread = Math.sqrt(
    values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / Math.max(1, values.length - 1),
  );
  return { mean, spread };
}
