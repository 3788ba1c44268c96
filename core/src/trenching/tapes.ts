import type { Site, SiteThing, Tree } from '../records';
import { endsOf } from './exchange';
import type { PlannedSpoke } from './plan';

/** A place that stays where it is: a corner on the plan, another tree; metres from the centre of the stem. */
export interface FixedPoint {
  name: string;
  x: number;
  y: number;
}

/** Ends of a spoke as two tapes give them, m: from the stem's side outward. */
export interface Taped {
  label: string;
  inner: [first: number, second: number];
  outer: [first: number, second: number];
}

export interface Tapes {
  points: [FixedPoint, FixedPoint];
  spokes: Taped[];
}

/** Longest tape, m. Judgement: longer ones sag and stretch over what is in between. */
const LONGEST = 25;
/** Two tapes must meet at no less than this, as a sine: flatter, a centimetre of tape is several on the ground. */
const FLATTEST = 0.26;
const MOST_POINTS = 40;

/** A place less sure than this is not measured from by tape, m. Judgement: what a tape is out by on open ground. */
const TAPED_WITHIN = 0.1;

/**
 * Corners of what stands on the plan and the other trees, nearest first; lines that lie underground are left out, and so is
 * whatever came from a position: a tape from it would be out by metres.
 */
export function fixedPoints(
  position: NonNullable<Tree['position']>,
  site: readonly SiteThing[],
  others: Site['others'],
  buried: (kind: string) => boolean,
): FixedPoint[] {
  const sure = ({ error = 0 }: { error?: number }) => error <= TAPED_WITHIN;
  if (!sure(position)) return [];
  const corners = site
    .filter(({ kind }) => !buried(kind))
    .flatMap(({ name, points }) =>
      points.map(([x, y], i) => ({ name: `${name}, corner ${i + 1}`, x: x - position.x, y: y - position.y })),
    );
  const trees = others
    .filter(sure)
    .map(({ label, x, y }) => ({ name: label, x: x - position.x, y: y - position.y }));
  return [...corners, ...trees]
    .filter(({ x, y }) => Math.hypot(x, y) <= LONGEST)
    .sort((a, b) => Math.hypot(a.x, a.y) - Math.hypot(b.x, b.y))
    .slice(0, MOST_POINTS);
}

/**
 * Tape distances of every spoke end from the two fixed points whose tapes meet most squarely at the worst of the ends.
 *
 * @returns undefined where no two points serve: every pair meets too flat somewhere, or a tape would be too long
 */
export function tapesFor(
  spokes: readonly Pick<PlannedSpoke, 'label' | 'bearing' | 'from' | 'to'>[],
  points: readonly FixedPoint[],
): Tapes | undefined {
  const ends = spokes.flatMap(endsOf);
  const far = (p: FixedPoint, [x, y]: readonly [number, number]) => Math.hypot(x - p.x, y - p.y);
  let best = FLATTEST;
  let pair: [FixedPoint, FixedPoint] | undefined;
  points.forEach((a, i) => {
    for (const b of points.slice(i + 1)) {
      let worst = 1;
      for (const end of ends) {
        const [da, db] = [far(a, end), far(b, end)];
        if (da > LONGEST || db > LONGEST || da === 0 || db === 0) worst = 0;
        else {
          const cross = (a.x - end[0]) * (b.y - end[1]) - (a.y - end[1]) * (b.x - end[0]);
          worst = Math.min(worst, Math.abs(cross) / (da * db));
        }
      }
      if (worst > best) {
        best = worst;
        pair = [a, b];
      }
    }
  });
  if (!pair || spokes.length === 0) return undefined;
  const [a, b] = pair;
  return {
    points: pair,
    spokes: spokes.map((s) => {
      const [inner, outer] = endsOf(s);
      return {
        label: s.label,
        inner: [far(a, inner!), far(b, inner!)],
        outer: [far(a, outer!), far(b, outer!)],
      };
    }),
  };
}
