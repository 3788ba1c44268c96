import type { Picture, Visit } from '@undrel/core/records';
import { pictureWords, SHOWN_WORDS, sideOf } from './pictureWords';
import type { PicturePair } from './time';

/** What two pictures have in common that show the same: what is seen, and from which side. */
const sameOf = ({ shows, bearing }: Picture): string | undefined =>
  shows === undefined && bearing === undefined ? undefined : `${shows ?? ''} ${bearing ?? ''}`;

/** Pictures of the same from the same side at two visits, the first and the last; those of which years lie between first. */
export function picturePairs(visits: readonly Pick<Visit, 'pictures'>[]): PicturePair[] {
  const same = new Map<string, Picture[]>();
  for (const picture of visits.flatMap((v) => v.pictures ?? [])) {
    const key = sameOf(picture);
    if (key !== undefined) same.set(key, [...(same.get(key) ?? []), picture]);
  }
  return [...same.values()]
    .flatMap((pictures): PicturePair[] => {
      const [first, ...rest] = [...pictures].sort((a, b) => a.on.localeCompare(b.on));
      const last = rest.at(-1);
      if (!last || last.on === first!.on) return [];
      const { shows = 'dig', bearing } = first!;
      const about = `${SHOWN_WORDS[shows]}${bearing === undefined ? '' : ` from ${sideOf(bearing)}`}`;
      const told = (p: Picture) => ({
        hash: p.hash,
        width: p.width,
        height: p.height,
        on: p.on,
        caption: pictureWords(p),
        ...(p.marks && { marks: p.marks }),
      });
      const aligned = last.aligned?.to === first!.hash ? last.aligned : undefined;
      return [
        {
          about,
          before: told(first!),
          after: told(last),
          ...(aligned && { aligned: { here: aligned.here, there: aligned.there } }),
        },
      ];
    })
    .sort((a, b) => a.before.on.localeCompare(b.before.on) || a.about.localeCompare(b.about));
}
