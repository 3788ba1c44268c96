import {
  layerDepths,
  lengthByBar,
  lengthInPlane,
  lengthOnPlane,
  planeIn,
  rootsBelowGrade,
  scaleBySheet,
  type PlaneLength,
  type RootSeen,
} from '@undrel/core/photogrammetry';
import type { Picture, PictureMark, ProbePoint } from '@undrel/core/records';
import { formatQuantity, toMillimetre, type UnitSystem } from '@undrel/core/units';

type Measuring = Pick<Picture, 'width' | 'height' | 'sheet' | 'cards' | 'bar'>;

/** The length between the ends of a mark, where it is one and something of known size lies in its plane. */
export function measuredBy(picture: Measuring, mark: PictureMark): PlaneLength | undefined {
  if (mark.kind !== 'length') return undefined;
  const plane = planeIn(picture);
  if (plane && !('problem' in plane)) return lengthOnPlane(plane, mark.from, mark.to);
  if (picture.sheet) {
    const scale = scaleBySheet(picture, picture.sheet);
    return 'problem' in scale ? undefined : lengthInPlane(scale, mark.from, mark.to);
  }
  return picture.bar && lengthByBar(picture, picture.bar, mark.from, mark.to);
}

/** Where the layers that were touched on the face of a pit end, below grade; undefined where there are none. */
export function layersSeen(picture: Picture): PlaneLength[] | undefined {
  if (picture.bar?.of !== 'rod' || !picture.face) return undefined;
  const ends = layerDepths(picture, picture.bar, picture.face);
  return 'problem' in ends || ends.length === 0 ? undefined : ends;
}

/** A root on the section of a stem, at the side where it runs, and the reading of the rod that it comes to. */
export interface RootInSection extends RootSeen {
  bearing: number;
  reading: ProbePoint;
}

/** The roots that were touched in a picture of a stem laid bare; undefined where there are none. */
export function sectionSeen(
  picture: Pick<Picture, 'width' | 'height' | 'bar' | 'section' | 'bearing'>,
): RootInSection[] | undefined {
  if (!picture.bar || !picture.section || picture.bearing === undefined) return undefined;
  const roots = rootsBelowGrade(picture, picture.bar, picture.section);
  if ('problem' in roots || roots.length === 0) return undefined;
  const from = picture.bearing;
  return roots.map((root) => {
    // Who looks from the south has east at the right hand.
    const bearing = (from + (root.side === 'right' ? 270 : 90)) % 360;
    const [distance, depth] = [root.distance, root.depth].map(({ value }) => toMillimetre(value));
    return {
      ...root,
      bearing,
      reading: { bearing, distance: distance!, depth: depth!, found: 'root', from: 'grade' },
    };
  });
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
