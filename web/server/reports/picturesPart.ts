import type { Visit } from '@undrel/core/records';
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
  const { pair, others } = reportPictures(visit, earlier);
  const beside = pair ? [pair.before, pair.after] : [];
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
    ...others.map((p) => ({
      hash: p.hash,
      width: p.width,
      height: p.height,
      caption: pictureCaption(p),
      ...(p.marks && { marks: marksTold(p, system)! }),
    })),
  ];
}
