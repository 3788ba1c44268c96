import {
  seenPlan,
  shownBy,
  tiedToDig,
  traced,
  warped,
  type PictureOnPlan,
  type PlanSquare,
  type Point,
  type Raster,
  type SeenPlan,
  type TakenFrom,
  type TracedPoint,
} from '@undrel/core/photogrammetry';
import type { Dig, Picture, Tree } from '@undrel/core/records';
import { readDig } from '@undrel/core/roots';
import { expose } from 'comlink';
import { pictureUrl } from '../protocol/pictureUrl';
import { pixelsOf } from './pixels';

/** A picture of a dig as it lies on the plan, or why it does not. */
export type LiesThere =
  | ({ hash: string; misfit: number; plusMinus: number } & TakenFrom)
  | { hash: string; problem: string };

let ties = new Map<string, PictureOnPlan>();
const rasters = new Map<string, Raster>();
/** Pictures are decoded once while they are looked at: some 8 MB each. */
const MOST_RASTERS = 4;
/** How often something was to be laid. */
let asked = 0;
let laid: { seen: SeenPlan; square: PlanSquare; depth: number; chosen: string[] } | undefined;

async function rasterOf(hash: string): Promise<Raster> {
  const kept = rasters.get(hash);
  if (kept) return kept;
  const raster = await pixelsOf(pictureUrl(hash, 'page'));
  if (rasters.size >= MOST_RASTERS) rasters.delete([...rasters.keys()][0]!);
  rasters.set(hash, raster);
  return raster;
}

/** Pictures of a dig beneath its plan. */
const work = {
  /** Ties pictures with cards to the plan of a dig. */
  tie: (pictures: readonly Picture[], tree: Tree, dig: Dig): LiesThere[] => {
    const reading = readDig(tree, dig);
    ties = new Map();
    return pictures.flatMap((picture): LiesThere[] => {
      const { hash } = picture;
      const tie = tiedToDig(picture, reading);
      if (!tie) return [];
      if ('problem' in tie) return [{ hash, problem: tie.problem }];
      ties.set(hash, tie);
      const { eye, level, misfit, plusMinus } = tie;
      return [{ hash, eye, level, misfit, plusMinus }];
    });
  },
  /** Those chosen, seen from straight above and true for what lies at a depth; a picture file with nothing where none shows the ground. */
  lay: async (chosen: string[], square: PlanSquare, depth: number): Promise<Blob | undefined> => {
    const mine = ++asked;
    const pictures = [];
    for (const hash of chosen) {
      const on = ties.get(hash);
      if (on) pictures.push({ raster: await rasterOf(hash), on });
    }
    // What was asked for meanwhile stands: an older one whose file came late lays nothing.
    if (pictures.length === 0 || mine !== asked) return undefined;
    const raster = warped(pictures, square, depth)!;
    laid = { seen: seenPlan(raster), square, depth, chosen };
    const canvas = new OffscreenCanvas(raster.width, raster.height);
    canvas
      .getContext('2d')!
      .putImageData(
        new ImageData(raster.data as Uint8ClampedArray<ArrayBuffer>, raster.width, raster.height),
        0,
        0,
      );
    return canvas.convertToBlob({ type: 'image/webp', quality: 0.85 });
  },
  /** A root between two touches on what was laid last, and the picture that it was read on; undefined where none shows it. */
  follow: (
    from: Point,
    to: Point,
    top: number | undefined,
    before: number | undefined,
  ): { hash: string; points: TracedPoint[] } | undefined => {
    if (!laid) return undefined;
    const views = laid.chosen.flatMap((hash) => {
      const tie = ties.get(hash);
      return tie ? [{ hash, eye: tie.eye, level: tie.level }] : [];
    });
    const shown = shownBy(views, [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]);
    if (!shown) return undefined;
    const points = traced(laid.seen, laid.square, (place) => shownBy(views, place), {
      from,
      to,
      seenAt: laid.depth,
      ...(top !== undefined && { top }),
      ...(before !== undefined && { before }),
    });
    return { hash: shown.hash, points };
  },
};
export type UnderlayWork = typeof work;

expose(work);
