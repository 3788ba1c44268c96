import type { Point } from './homography';
import { planPoint } from '../roots/outline';
import type { PictureOnPlan } from './onPlan';

/** Four places that two pictures show: in the later one, and in the earlier. Shares of width and height. */
export interface SamePlaces {
  here: [Place, Place, Place, Place];
  there: [Place, Place, Place, Place];
}
type Place = [number, number];

/** Where on the plan places are looked for, about the middle of the stem: bearings, and distances in m. Judgement. */
const BEARINGS = 24;
const DISTANCES = [0.3, 0.45, 0.6] as const;
/** The four span at least this share of either picture: closer together, they hold the rest too loosely. Judgement. */
const LEAST = 0.02;

const inside = ([x, y]: Point): boolean => x >= 0 && x <= 1 && y >= 0 && y <= 1;

/** The area that four places round which one goes enclose; of those that cross, less. */
const area = (four: readonly Point[]): number =>
  Math.abs(
    four.reduce((sum, [x, y], i) => {
      const [a, b] = four[(i + 1) % 4]!;
      return sum + x * b - a * y;
    }, 0),
  ) / 2;

/**
 * Four places on the ground about a stem that two pictures show, each tied to the plan by its own cards: by them one is laid
 * over the other, without a touch.
 *
 * @param depth of that ground below grade, m
 * @returns undefined where the two share too little of it
 */
export function samePlaces(
  earlier: PictureOnPlan,
  later: PictureOnPlan,
  depth: number,
): SamePlaces | undefined {
  // One for each bearing, as far out as both show it: in the order of the compass they go round.
  const round = Array.from({ length: BEARINGS }, (_, i) => (i * 360) / BEARINGS).flatMap((bearing) => {
    const seen = [...DISTANCES].reverse().flatMap((distance) => {
      const place = planPoint(bearing, distance);
      const [there, here] = [earlier.toPicture(place, depth), later.toPicture(place, depth)];
      return there && here && inside(there) && inside(here) ? [{ there, here }] : [];
    });
    return seen[0] ? [seen[0]] : [];
  });
  let best: { four: typeof round; area: number } | undefined;
  for (let a = 0; a < round.length; a++)
    for (let b = a + 1; b < round.length; b++)
      for (let c = b + 1; c < round.length; c++)
        for (let d = c + 1; d < round.length; d++) {
          const four = [round[a]!, round[b]!, round[c]!, round[d]!];
          const spans = Math.min(area(four.map((p) => p.here)), area(four.map((p) => p.there)));
          if (spans > (best?.area ?? LEAST)) best = { four, area: spans };
        }
  if (!best) return undefined;
  const of = (which: 'here' | 'there') =>
    best.four.map((p): Place => [p[which][0], p[which][1]]) as SamePlaces['here'];
  return { here: of('here'), there: of('there') };
}
