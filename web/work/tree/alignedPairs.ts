import { samePlaces, tiedToDig, type PictureOnPlan } from '@undrel/core/photogrammetry';
import type { Tree, Visit } from '@undrel/core/records';
import { readDig } from '@undrel/core/roots';
import type { PicturePair } from '../../protocol/time';

/** A picture on the plan of the dig of its visit, where its cards tie it; and the depth at which they lie. */
function tiedIn(
  tree: Tree,
  visits: readonly Visit[],
  hash: string,
): { on: PictureOnPlan; level: number } | undefined {
  const visit = visits.find((v) => v.pictures?.some((p) => p.hash === hash));
  const picture = visit?.pictures?.find((p) => p.hash === hash);
  if (!visit?.dig || !picture?.cards) return undefined;
  const on = tiedToDig(picture, readDig(tree, visit.dig));
  return on && !('problem' in on) ? { on, level: picture.cards.level! } : undefined;
}

/** The same pairs; those of which both pictures are tied to the plan by cards are aligned by them, unless a person did. */
export const alignedPairs = (
  pairs: readonly PicturePair[],
  tree: Tree,
  visits: readonly Visit[],
): PicturePair[] =>
  pairs.map((pair) => {
    if (pair.aligned) return pair;
    const [before, after] = [pair.before, pair.after].map((p) => tiedIn(tree, visits, p.hash));
    const aligned = before && after && samePlaces(before.on, after.on, (before.level + after.level) / 2);
    return aligned ? { ...pair, aligned, byCards: true } : pair;
  });
