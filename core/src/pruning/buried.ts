import { isAnchor, ROOTS_TOUCH, type DigReading } from '../roots';

/** A root that lies on an anchor it does not grow from. */
export interface OnAnchor {
  /** Index of the anchor in the dig, and its label. */
  anchor: number;
  label: string;
  /** For how far they meet, and the gap between them where they are nearest, m; none where they press. */
  length: number;
  gap: number;
  /** It presses on the anchor or has grown into it: more than lying on it. */
  buried: boolean;
}

/** Of one root that grows from the other they meet where the one begins. */
const ownBase = (a: number, b: number, { roots }: DigReading): boolean =>
  roots[a]!.root.from === roots[b]!.root.label || roots[b]!.root.from === roots[a]!.root.label;

/**
 * The anchors that a root lies on or near. It is buried in one where the drawing has them grown into each other, or
 * where they touch and it was seen to press or to have grown in; what was seen clear or only touching is not buried.
 */
export function onAnchors(index: number, reading: DigReading): OnAnchor[] {
  const { root } = reading.roots[index]!;
  const seen = root.contact;
  return reading.roots[index]!.pressings.flatMap(({ a, b, length, gap }): OnAnchor[] => {
    const anchor = a === index ? b : a;
    const other = reading.roots[anchor]!.root;
    if (!isAnchor(other) || ownBase(index, anchor, reading)) return [];
    const buried =
      seen === 'clear' || seen === 'touching'
        ? false
        : gap <= (seen === 'pressing' || seen === 'embedded' ? ROOTS_TOUCH : 0);
    return [{ anchor, label: other.label, length, gap: buried ? 0 : Math.max(0, gap), buried }];
  });
}

export const buriedIn = (index: number, reading: DigReading): OnAnchor[] =>
  onAnchors(index, reading).filter((on) => on.buried);
