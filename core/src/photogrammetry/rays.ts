import { placed, readingAt, type PitFrame } from '../roots';
import type { DugRoot } from '../records';
import type { Place } from './camera';
import type { Point } from './homography';

/** From where a picture of a dig was taken: m east and north of the middle of the stem and above its cards, and their depth. */
export interface TakenFrom {
  eye: Place;
  level: number;
}

/** A place that was read for one depth of the axis, where it lies if that is another: along the ray of the camera. */
export function movedForDepth({ eye, level }: TakenFrom, [x, y]: Point, from: number, to: number): Point {
  const [was, is] = [eye[2] - (level - from), eye[2] - (level - to)];
  return [eye[0] + ((x - eye[0]) * is) / was, eye[1] + ((y - eye[1]) * is) / was];
}

/**
 * A traced root after the depth or the thickness of points was changed: each stays on the ray of the camera that saw it, so
 * that its place on the plan follows.
 */
export function keptOnRays(before: DugRoot, after: DugRoot, frame: PitFrame, from: TakenFrom): DugRoot {
  if (before.points.length !== after.points.length) return after;
  const places = placed(frame.dig, frame.turn, frame.outline, before);
  return {
    ...after,
    points: after.points.map((point, i) => {
      const was = before.points[i]!;
      const [old, now] = [was.depth + was.diameter / 2, point.depth + point.diameter / 2];
      if (old === now || point.bearing !== was.bearing || point.distance !== was.distance) return point;
      const { x, y } = places[i]!;
      return { ...point, ...readingAt(frame, ...movedForDepth(from, [x, y], old, now)) };
    }),
  };
}
