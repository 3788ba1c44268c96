import {
  lengthInPlane,
  lengthOnPlane,
  planeIn,
  scaleBySheet,
  type PlaneLength,
} from '@undrel/core/photogrammetry';
import { leavesTold, type Leaves } from './leaves';
import type { Picture, PictureMark, Shown } from '@undrel/core/records';
import { formatQuantity, type UnitSystem } from '@undrel/core/units';

/** What a picture shows, in words. */
export const SHOWN_WORDS: Record<Shown, string> = {
  tree: 'the whole tree',
  crown: 'crown',
  leaf: 'leaves, twigs',
  base: 'base of the stem',
  mulch: 'mulch, grade',
  dig: 'open root collar',
  soil: 'soil',
  trench: 'trench',
  work: 'work done',
};

export const MARK_WORDS: Record<PictureMark['kind'], string> = {
  arrow: 'Arrow',
  circle: 'Circle',
  length: 'Length',
};

const SIDES = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW'];

/** A side of the stem by its bearing. */
export const sideOf = (bearing: number): string => SIDES[Math.round(bearing / 45) % 8]!;

/** The same as a sentence, beneath it. */
export const pictureCaption = (p: {
  caption?: string | undefined;
  shows?: Shown | undefined;
  bearing?: number | undefined;
  on: string;
  leaves?: Leaves | undefined;
}): string => {
  const words = pictureWords(p);
  const told = `${words.charAt(0).toUpperCase()}${words.slice(1)}.`;
  return p.leaves ? `${told} ${leavesTold(p.leaves)}` : told;
};

/** What a picture is, for those who do not see it, and where it is named. */
export const pictureWords = (p: {
  caption?: string | undefined;
  shows?: Shown | undefined;
  bearing?: number | undefined;
  on: string;
}): string =>
  [
    p.caption || (p.shows ? SHOWN_WORDS[p.shows] : 'picture'),
    ...(p.bearing === undefined ? [] : [`from ${sideOf(p.bearing)}`]),
    p.on,
  ].join(', ');

type Measuring = Pick<Picture, 'width' | 'height' | 'sheet' | 'cards'>;

/** The length between the ends of a mark, where it is one and cards or a sheet lie in its plane. */
export function measuredBy(picture: Measuring, mark: PictureMark): PlaneLength | undefined {
  if (mark.kind !== 'length') return undefined;
  const plane = planeIn(picture);
  if (plane && !('problem' in plane)) return lengthOnPlane(plane, mark.from, mark.to);
  if (!picture.sheet) return undefined;
  const scale = scaleBySheet(picture, picture.sheet);
  return 'problem' in scale ? undefined : lengthInPlane(scale, mark.from, mark.to);
}

/** A length with its ±, as it is written at a mark. */
export const lengthTold = (length: PlaneLength, system: UnitSystem): string =>
  formatQuantity({ ...length, dimension: 'short length' }, system);

/** Marks with what they measure beside their words. */
export const marksTold = (
  picture: Measuring & Pick<Picture, 'marks'>,
  system: UnitSystem,
): PictureMark[] | undefined =>
  picture.marks?.map((mark) => {
    const length = measuredBy(picture, mark);
    if (!length) return mark;
    const told = lengthTold(length, system);
    return { ...mark, text: mark.text ? `${mark.text} ${told}` : told };
  });
