import type { Dig, DugRoot, RootPoint } from '../records';
import { toMillimetre } from '../units';
import { wrapBearing } from '../geometry';
import { bearingOf, type Outline } from './outline';
import { placed } from './path';

/** What the plan needs to turn a place on it into a reading of tape and compass, and back. */
export interface PitFrame {
  dig: Pick<Dig, 'measuredFrom'>;
  /** Degrees added to the compass bearings. */
  turn: number;
  outline: Outline;
}

// Readings made on the plan are as fine as a tape: a millimetre and a tenth of a degree.
const toTenth = (degrees: number): number => wrapBearing(Math.round(degrees * 10) / 10);

/** Compass bearing and tape distance of a place, metres east and north of the centre of the stem. */
export function readingAt(
  { dig, turn, outline }: PitFrame,
  x: number,
  y: number,
): { bearing: number; distance: number } {
  const trueBearing = bearingOf(x, y);
  const from = dig.measuredFrom === 'bark' ? outline.radius(trueBearing) : 0;
  return { bearing: toTenth(trueBearing - turn), distance: toMillimetre(Math.hypot(x, y) - from) };
}

export const movePoint = (root: DugRoot, index: number, to: Partial<RootPoint>): DugRoot => ({
  ...root,
  points: root.points.map((p, i) => (i === index ? { ...p, ...to } : p)),
});

export const removePoint = (root: DugRoot, index: number): DugRoot => ({
  ...root,
  points: root.points.filter((_, i) => i !== index),
});

/** A point after the last one, as deep and as thick as that. */
export function addPoint(root: DugRoot, at: { bearing: number; distance: number }): DugRoot {
  const last = root.points[root.points.length - 1];
  return {
    ...root,
    points: [...root.points, { ...at, depth: last?.depth ?? 0.1, diameter: last?.diameter ?? 0.03 }],
  };
}

/** A point between two others, at the stretch it is nearest to; depth and diameter half way. */
export function insertPoint(
  root: DugRoot,
  frame: PitFrame,
  x: number,
  y: number,
): { root: DugRoot; index: number } {
  const at = readingAt(frame, x, y);
  const points = placed(frame.dig, frame.turn, frame.outline, root);
  let best = { index: points.length, far: Infinity };
  for (let i = 0; i + 1 < points.length; i++) {
    const [a, b] = [points[i]!, points[i + 1]!];
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const length2 = dx * dx + dy * dy || 1;
    const t = Math.min(1, Math.max(0, ((x - a.x) * dx + (y - a.y) * dy) / length2));
    const far = Math.hypot(a.x + dx * t - x, a.y + dy * t - y);
    if (far < best.far) best = { index: i + 1, far };
  }
  const [before, after] = [root.points[best.index - 1], root.points[best.index]];
  const half = (key: 'depth' | 'diameter') =>
    before && after ? toMillimetre((before[key] + after[key]) / 2) : (before ?? after)?.[key];
  const point: RootPoint = { ...at, depth: half('depth') ?? 0.1, diameter: half('diameter') ?? 0.03 };
  return {
    root: { ...root, points: [...root.points.slice(0, best.index), point, ...root.points.slice(best.index)] },
    index: best.index,
  };
}

/** The point moved straight in or out until the root just touches the bark. */
export function snapToBark(root: DugRoot, index: number, { dig, turn, outline }: PitFrame): DugRoot {
  const point = root.points[index]!;
  const from = dig.measuredFrom === 'bark' ? 0 : outline.radius(point.bearing + turn);
  return movePoint(root, index, { distance: toMillimetre(from + point.diameter / 2) });
}

/** Whether a root was seen to lie on the bark. */
export const liesOnBark = ({ contact }: Pick<DugRoot, 'contact'>): boolean =>
  contact === 'touching' || contact === 'pressing' || contact === 'embedded';

/**
 * A root that was seen to lie on the bark, where a reading that is not as fine as a finger puts it a little off: its points
 * that are nearer than a distance are moved until they just touch.
 *
 * @param within m between its edge and the bark
 */
export function laidOnBark(root: DugRoot, frame: PitFrame, within: number): DugRoot {
  const { dig, turn, outline } = frame;
  return root.points.reduce((now, point, i) => {
    const off = dig.measuredFrom === 'bark' ? 0 : outline.radius(point.bearing + turn);
    const clear = point.distance - off - point.diameter / 2;
    return Math.abs(clear) <= within ? snapToBark(now, i, frame) : now;
  }, root);
}

/** One root made two at a point, which both keep; the second starts at the first. */
export function splitRoot(root: DugRoot, index: number, newLabel: string): [DugRoot, DugRoot] | undefined {
  if (index <= 0 || index >= root.points.length - 1) return undefined;
  const { note: _, done: __, ...kept } = root;
  return [
    { ...root, points: root.points.slice(0, index + 1) },
    { ...kept, label: newLabel, start: 'root', from: root.label, points: root.points.slice(index) },
  ];
}

/** Two roots made one: the ends that lie nearest are joined, a shared point once. What is known of the first is kept. */
export function joinRoots(first: DugRoot, second: DugRoot, frame: PitFrame): DugRoot {
  const place = (root: DugRoot) => placed(frame.dig, frame.turn, frame.outline, root);
  const [a, b] = [place(first), place(second)];
  const gap = (p: { x: number; y: number } | undefined, q: { x: number; y: number } | undefined) =>
    p && q ? Math.hypot(p.x - q.x, p.y - q.y) : Infinity;
  const forward = gap(a[a.length - 1], b[0]) <= gap(a[a.length - 1], b[b.length - 1]);
  const rest = forward ? second.points : [...second.points].reverse();
  const nearest = forward ? gap(a[a.length - 1], b[0]) : gap(a[a.length - 1], b[b.length - 1]);
  return { ...first, points: [...first.points, ...(nearest < 0.005 ? rest.slice(1) : rest)] };
}

/** The next free label for a root: letters, then letters with a number. */
export function nextLabel(taken: readonly string[]): string {
  for (let n = 0; ; n++) {
    const label = String.fromCharCode(65 + (n % 26)) + (n >= 26 ? String(Math.floor(n / 26)) : '');
    if (!taken.includes(label)) return label;
  }
}
