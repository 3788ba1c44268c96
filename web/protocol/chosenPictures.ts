import { byDay } from '@undrel/core/vocabulary';
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
    .sort((a, b) => rank(a) - rank(b) || (a.bearing ?? 0) - (b.bearing ?? 0) || byDay(a.on, b.on));
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
 * What goes into the report of a visit, as many as a report holds: those that are to go first, the same spot before and now
 * where an earlier visit has it, then the others in their order.
 *
 * @param earlier the visits before it
 * @returns with the place of each in the report, from 1 on, by hash
 */
export function reportPictures(
  visit: Looked,
  earlier: readonly Looked[],
): { first: Picture[]; pair?: PicturePair; others: Picture[]; places: Map<string, number> } {
  const pair = pairOf(visit, earlier);
  const beside = pair ? [pair.before.hash, pair.after.hash] : [];
  const alone = chosenPictures(visit)
    .filter((p) => p.hash !== pair?.after.hash)
    .slice(0, MOST_PICTURES.report - beside.length);
  const first = alone.filter((p) => p.first);
  const others = alone.filter((p) => !p.first);
  const order = [...first.map((p) => p.hash), ...beside, ...others.map((p) => p.hash)];
  return {
    first,
    ...(pair && { pair }),
    others,
    places: new Map(order.map((hash, i) => [hash, i + 1])),
  };
}

/** So many pictures from the beginning, and no picture of before without that of now. */
export const headOfPictures = <T extends { beside?: 'before' | 'now' }>(
  pictures: readonly T[],
  most: number,
): T[] => {
  const head = pictures.slice(0, most);
  return head.at(-1)?.beside === 'before' ? head.slice(0, -1) : head;
};
