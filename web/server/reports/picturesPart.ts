import type { Picture, Visit } from '@undrel/core/records';
import type { UnitSystem } from '@undrel/core/units';
import type { ReportPicture } from '../../protocol/report';
import { marksTold, pictureCaption } from '../../protocol/pictures';
import { ringOf } from '../../protocol/ringOf';

/** How many pictures a report holds at most. */
const MOST = 12;

/**
 * The pictures of a visit that go into its report: those with a caption, then the collar from its sides in the order of
 * the compass, then the others; never one that was left out.
 */
export function picturesPart(
  { pictures = [] }: Pick<Visit, 'pictures'>,
  system: UnitSystem,
): ReportPicture[] {
  const ring = new Set([...ringOf(pictures.map((values) => ({ values }))).values()].map((p) => p.values));
  const rank = (p: Picture) => (p.caption ? 0 : ring.has(p) ? 1 : 2);
  return pictures
    .filter((p) => !p.leftOut)
    .sort((a, b) => rank(a) - rank(b) || (a.bearing ?? 0) - (b.bearing ?? 0) || a.on.localeCompare(b.on))
    .slice(0, MOST)
    .map((p) => ({
      hash: p.hash,
      width: p.width,
      height: p.height,
      caption: pictureCaption(p),
      ...(p.marks && { marks: marksTold(p, system)! }),
    }));
}
