import type { Picture, Visit } from '@undrel/core/records';
import { picturePairs } from './picturePairs';
import { ringOf } from './ringOf';
import type { PicturePair } from './time';

/** How many pictures a report holds, and how many stand at the head of an order or on a client's page. */
export const MOST_PICTURES = { report: 12, head: 4 } as const;

type Looked = Pick<Visit, 'pictures'>;

/**
 * The pictures of a visit in the order in which documents take them: those that are to go first, those with a caption, the
 * collar from its sides in the order of the compass, then the others; never one that is left out.
 */
export function chosenPictures({ pictures = [] }: Looked): Picture[] {
  const ring = new Set([...ringOf(pictures.map((values) => ({ values }))).values()].map((p) => p.values));
  const rank = (p: Picture) => (p.first ? 0 : p.caption ? 1 : ring.has(p) ? 2 : 3);
  return pictures
    .filter((p) => !p.leftOut)
    .sort((a, b) => rank(a) - rank(b) || (a.bearing ?? 0) - (b.bearing ?? 0) || a.on.localeCompare(b.on));
}

/** Of the pairs that a visit closes, the one to show: aligned before any other. Left-out pictures are in none. */
function pairOf(visit: Looked, earlier: readonly Looked[]): PicturePair | undefined {
  const shown = (v: Looked): Looked => ({ pictures: v.pictures?.filter((p) => !p.leftOut) ?? [] });
  const pairs = picturePairs([...earlier, visit].map(shown)).filter((pair) =>
    visit.pictures?.some((p) => p.hash === pair.after.hash),
  );
  return pairs.find((pair) => pair.aligned) ?? pairs[0];
}

/**
 * What goes into the report of a visit: the same spot before and now where an earlier visit has it, then the others in
 * their order, as many as a report holds.
 *
 * @param earlier the visits before it
 * @returns with the place of each in the report, from 1 on, by hash
 */
export function reportPictures(
  visit: Looked,
  earlier: readonly Looked[],
): { pair?: PicturePair; others: Picture[]; places: Map<string, number> } {
  const pair = pairOf(visit, earlier);
  const others = chosenPictures(visit)
    .filter((p) => p.hash !== pair?.after.hash)
    .slice(0, MOST_PICTURES.report - (pair ? 2 : 0));
  const order = [...(pair ? [pair.before.hash, pair.after.hash] : []), ...others.map((p) => p.hash)];
  return { ...(pair && { pair }), others, places: new Map(order.map((hash, i) => [hash, i + 1])) };
}
