import { inShares, seenBy, type Camera, type Point, type Raster } from '@undrel/core/photogrammetry';
import type { Dig, PictureCards, Tree } from '@undrel/core/records';
import { planPoint, readDig, type DigReading } from '@undrel/core/roots';
import sharp from 'sharp';
import { cameraFrom, rendered, type LaidCard, type Scene } from './renderer';

/** What is laid beside the stem, if anything. */
export type LaidOut = 'nothing' | 'a sheet of A4' | 'cards';

/** A made-up photograph, and what is true of it. */
export interface Photograph {
  raster: Raster;
  bearing: number;
  /** Corners of the sheet of A4 in it, shares of width and height; none where there is none. */
  sheet: Point[];
  /** What ties it to the plan, where cards lie in it; which cards are in it is for the program to find. */
  tie: Required<Pick<PictureCards, 'bark' | 'towards' | 'level'>> | undefined;
  camera: Camera;
}

/** How far from the middle of the stem the camera stands, and how high, m. */
const [AWAY, UP] = [1.25, 1.3];
/** Sides of a picture: for a look, and for one that measures. */
const SIZES = {
  look: { width: 720, height: 540 },
  measure: { width: 1280, height: 960 },
} as const;
const PIT = 1.05;

const TONES = { structural: [168, 120, 74], other: [190, 142, 94], dead: [108, 92, 76] } as const;

/** How deep the pit is: as deep as the roots that hold lie near the stem, so that they go into its floor. */
export function floorOf(dig: Dig): number {
  const near = (kinds: (kind: string) => boolean) =>
    dig.roots
      .filter((r) => kinds(r.kind))
      .flatMap((r) => r.points.filter((p) => p.distance < 0.4).map((p) => p.depth + 0.7 * p.diameter));
  const holding = near((k) => k === 'structural');
  const depths = holding.length > 0 ? holding : near(() => true);
  return depths.length > 0 ? Math.max(...depths) : 0.2;
}

/** The same roots round a stem that is as round and as thick as it was measured on another tree. */
export function roundDig({ radii: _, diameters: __, buttresses: ___, decay: ____, ...dig }: Dig): Dig {
  return dig;
}

/** Free places for four cards before the camera: near where they should lie, and on no root. */
function cardsBefore(bearing: number, reading: DigReading): LaidCard[] {
  const free = ([x, y]: readonly [number, number]) =>
    reading.roots.every(({ path }) =>
      path.x.every((px, i) => Math.hypot(px - x, path.y[i]! - y) > 0.085 + path.radius[i]!),
    );
  const taken: (readonly [number, number])[] = [];
  return [-58, -20, 20, 58].map((aside, i): LaidCard => {
    let best: readonly [number, number] | undefined;
    for (let step = 0; step < 60 && !best; step++) {
      const swing = (step % 2 ? 1 : -1) * Math.floor(step / 2);
      const at = planPoint(bearing + aside + swing, i % 2 ? 0.42 : 0.58);
      if (free(at) && taken.every((t) => Math.hypot(t[0] - at[0], t[1] - at[1]) > 0.16)) best = at;
    }
    const at = best ?? planPoint(bearing + aside, 0.7);
    taken.push(at);
    return { id: i + 1, at, towards: i === 0 ? 0 : (40 * i) % 90 };
  });
}

/** Corners of a sheet of A4 on the floor of the dig, to the right of the camera. */
function paperBeside(bearing: number): (readonly [number, number])[] {
  const [cx, cy] = planPoint(bearing + 55, 0.62);
  return [
    [0, 0],
    [0.21, 0],
    [0.21, 0.297],
    [0, 0.297],
  ].map(([x, y]) => [cx + x! - 0.1, cy + y! - 0.15] as const);
}

/**
 * A dig as a camera on one side of the stem would see it: plainly made up, with every root where the record has it. Where
 * cards are laid, it comes with what a person would measure: their depth, the bearing of the first, the bark.
 */
export function photographOf(dig: Dig, tree: Tree, bearing: number, laid: LaidOut): Photograph {
  const reading = readDig(tree, dig);
  const level = floorOf(dig);
  const cards = laid === 'cards' ? cardsBefore(bearing, reading) : [];
  const paper = laid === 'a sheet of A4' ? paperBeside(bearing) : undefined;
  const scene: Scene = {
    stem: reading.outline,
    roots: reading.roots.map(({ root, path }) => ({
      path,
      tone:
        root.condition === 'dead' ? TONES.dead : root.kind === 'structural' ? TONES.structural : TONES.other,
    })),
    pit: PIT,
    floor: -level,
    cards,
    ...(paper && { paper }),
  };
  const [ex, ey] = planPoint(bearing, AWAY);
  const [ax, ay] = planPoint(bearing, laid === 'nothing' ? 0.05 : 0.2);
  const measures = laid !== 'nothing';
  const camera = cameraFrom([ex, ey, UP - level], [ax, ay, -level], { bend: measures ? -0.02 : 0 });
  const size = measures ? SIZES.measure : SIZES.look;
  const raster = rendered(scene, { camera, ...size, noise: 2.5, shade: 0.3, seed: Math.round(bearing) + 7 });
  const seen = (place: readonly [number, number]): Point | undefined => {
    const at = seenBy(camera, [place[0], place[1], -level]);
    return at && inShares(size, at);
  };
  const bark = [-55, -30, 0, 30, 55].flatMap((aside) => {
    const there = seen(planPoint(bearing + aside, reading.outline.radius(bearing + aside)));
    return there ? [[there[0], there[1]] as [number, number]] : [];
  });
  return {
    raster,
    bearing,
    sheet: (paper ?? []).map((p) => seen(p)!),
    tie: laid === 'cards' ? { bark, towards: 0, level: Math.round(level * 1000) / 1000 } : undefined,
    camera,
  };
}

/** The same as a file, as a lens would have it: a little soft, and said to be made up. */
export async function photographFile({ raster }: Pick<Photograph, 'raster'>): Promise<Buffer> {
  const { width, height, data } = raster;
  const size = Math.round(height / 43);
  const words = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><text x="${size}" y="${height - size}" font-family="sans-serif" font-size="${size}" fill="#fff" opacity="0.8">made up</text></svg>`;
  return sharp(Buffer.from(data.buffer), { raw: { width, height, channels: 4 } })
    .removeAlpha()
    .blur(0.8)
    .composite([{ input: Buffer.from(words) }])
    .jpeg({ quality: 85 })
    .toBuffer();
}
