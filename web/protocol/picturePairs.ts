import { byLabel } from '@undrel/core/labels';
import { byDay } from '@undrel/core/vocabulary';
import { bearingGap } from '@undrel/core/geometry';
import type { Picture, Visit } from '@undrel/core/records';
import { pictureWords, SHOWN_WORDS, sideOf } from './pictureWords';
import type { PicturePair } from './time';

/** What two pictures have in common that show the same: what is seen, and from which of eight sides. */
const sameOf = ({ shows, bearing }: Picture): string | undefined =>
  shows === undefined && bearing === undefined
    ? undefined
    : `${shows ?? ''} ${bearing === undefined ? '' : sideOf(bearing)}`;

/** How far apart two pictures were taken, degrees. */
const apart = (a: Picture, b: Picture): number => bearingGap(a.bearing ?? 0, b.bearing ?? 0);

/** Of the pictures of the first day and of the last, the two that were taken from most nearly the same place. */
function nearest(pictures: readonly Picture[]): { first: Picture; last: Picture } | undefined {
  const days = pictures.map((p) => p.on).sort();
  const on = (day: string | undefined) => pictures.filter((p) => p.on === day);
  if (days[0] === days.at(-1)) return undefined;
  return on(days[0])
    .flatMap((first) =>
      on(days.at(-1))
        .toReversed()
        .map((last) => ({ first, last })),
    )
    .sort((a, b) => apart(a.first, a.last) - apart(b.first, b.last))[0];
}

/** Pictures of the same from the same side at two visits, the first and the last; those of which years lie between first. */
export function picturePairs(visits: readonly Pick<Visit, 'pictures'>[]): PicturePair[] {
  const same = new Map<string, Picture[]>();
  for (const picture of visits.flatMap((v) => v.pictures ?? [])) {
    const key = sameOf(picture);
    if (key !== undefined) same.set(key, [...(same.get(key) ?? []), picture]);
  }
  return [...same.values()]
    .flatMap((pictures): PicturePair[] => {
      const pair = nearest(pictures);
      if (!pair) return [];
      const { first, last } = pair;
      const { shows = 'dig', bearing } = first;
      const about = `${SHOWN_WORDS[shows]}${bearing === undefined ? '' : ` from ${sideOf(bearing)}`}`;
      const told = (p: Picture) => ({
        hash: p.hash,
        width: p.width,
        height: p.height,
        on: p.on,
        caption: pictureWords(p),
        ...(p.marks && { marks: p.marks }),
      });
      const aligned = last.aligned?.to === first.hash ? last.aligned : undefined;
      return [
        {
          about,
          before: told(first),
          after: told(last),
          ...(aligned && { aligned: { here: aligned.here, there: aligned.there } }),
        },
      ];
    })
    .sort((a, b) => byDay(a.before.on, b.before.on) || byLabel(a.about, b.about));
}
