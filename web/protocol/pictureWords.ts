import type { PictureMark, Shown } from '@undrel/core/records';
import { leavesTold, type Leaves } from './leaves';

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

/** Whether a picture shows something that lies to one side of the stem: its bearing is where that is. */
export const isInGround = (shows: Shown | undefined): boolean => shows === 'soil' || shows === 'trench';

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
    ...(p.bearing === undefined ? [] : [`${isInGround(p.shows) ? 'at' : 'from'} ${sideOf(p.bearing)}`]),
    p.on,
  ].join(', ');
