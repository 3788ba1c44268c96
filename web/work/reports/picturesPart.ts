import type { Picture, Visit } from '@undrel/core/records';
import type { UnitSystem } from '@undrel/core/units';
import { reportPictures } from '../../protocol/chosenPictures';
import type { ReportPicture } from '../../protocol/report';
import { pictureCaption } from '../../protocol/pictureWords';
import { marksTold } from '../../protocol/pictures';

type Looked = Pick<Visit, 'pictures'>;

/**
 * The pictures of a visit that go into its report, as they are set there.
 *
 * @param earlier the visits before it
 */
export function picturesPart(
  visit: Looked,
  system: UnitSystem,
  earlier: readonly Looked[] = [],
): ReportPicture[] {
  const { first, pair, others } = reportPictures(visit, earlier);
  const all = [...earlier, visit].flatMap((v) => v.pictures ?? []);
  const marksOf = (picture: Picture) => {
    const marks = marksTold(picture, system);
    return marks && { marks };
  };
  const alone = (p: Picture): ReportPicture => ({
    hash: p.hash,
    width: p.width,
    height: p.height,
    caption: pictureCaption(p),
    ...marksOf(p),
  });
  const beside = (['before', 'now'] as const).flatMap((which): ReportPicture[] => {
    if (!pair) return [];
    const { hash, width, height, caption } = which === 'before' ? pair.before : pair.after;
    const said = `${which === 'before' ? 'Before' : 'Now'}: ${caption}.`;
    return [
      { hash, width, height, caption: said, beside: which, ...marksOf(all.find((p) => p.hash === hash)!) },
    ];
  });
  return [...first.map(alone), ...beside, ...others.map(alone)];
}
