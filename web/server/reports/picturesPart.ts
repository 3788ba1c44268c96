import type { Picture, Visit } from '@undrel/core/records';
import type { UnitSystem } from '@undrel/core/units';
import type { ReportPicture } from '../../protocol/report';
import { pictureCaption } from '../../protocol/pictureWords';
import { marksTold } from '../../protocol/pictures';
import type { PicturePair } from '../../protocol/time';
import { picturePairs } from '../time/pairs';
import { ringOf } from '../../protocol/ringOf';

/** How many pictures a report holds at most. */
const MOST = 12;

type Looked = Pick<Visit, 'pictures'>;

/** Of the pairs that a visit closes, the one to show: aligned before any other. Left-out pictures are in none. */
function pairOf({ pictures = [] }: Looked, earlier: readonly Looked[]): PicturePair | undefined {
  const shown = (v: Looked): Looked => ({ pictures: v.pictures?.filter((p) => !p.leftOut) ?? [] });
  const pairs = picturePairs([...earlier, { pictures }].map(shown)).filter((pair) =>
    pictures.some((p) => p.hash === pair.after.hash),
  );
  return pairs.find((pair) => pair.aligned) ?? pairs[0];
}

/**
 * The pictures of a visit that go into its report: the same spot before and now where an earlier visit has it, then those
 * with a caption, then the collar from its sides in the order of the compass, then the others; never one that was left out.
 *
 * @param earlier the visits before it
 */
export function picturesPart(
  visit: Looked,
  system: UnitSystem,
  earlier: readonly Looked[] = [],
): ReportPicture[] {
  const { pictures = [] } = visit;
  const pair = pairOf(visit, earlier);
  const beside = pair ? [pair.before, pair.after] : [];
  const ring = new Set([...ringOf(pictures.map((values) => ({ values }))).values()].map((p) => p.values));
  const rank = (p: Picture) => (p.caption ? 0 : ring.has(p) ? 1 : 2);
  const others = pictures
    .filter((p) => !p.leftOut && p.hash !== pair?.after.hash)
    .sort((a, b) => rank(a) - rank(b) || (a.bearing ?? 0) - (b.bearing ?? 0) || a.on.localeCompare(b.on))
    .slice(0, MOST - beside.length)
    .map((p) => ({
      hash: p.hash,
      width: p.width,
      height: p.height,
      caption: pictureCaption(p),
      ...(p.marks && { marks: marksTold(p, system)! }),
    }));
  return [
    ...beside.map(({ hash, width, height, caption }, i) => {
      const marks = marksTold(
        [...earlier, visit].flatMap((v) => v.pictures ?? []).find((p) => p.hash === hash)!,
        system,
      );
      return {
        hash,
        width,
        height,
        caption: `${i === 0 ? 'Before' : 'Now'}: ${caption}.`,
        ...(marks && { marks }),
      };
    }),
    ...others,
  ];
}
