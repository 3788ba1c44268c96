import { bodies, CARDS, type Body } from './cards';
import { eyeOf, placeAt, seenBy, turnAbout, turned, type Camera, type Turn } from './camera';
import { homographyOf, type Point } from './homography';
import { leastSquares, type Fit } from './leastSquares';
import { REACH, SHOWN_SIDE, TOUCH, type PlaneLength } from './sheet';

/** A marker in a picture: its number and corners, clockwise from its own upper left, as shares of width and height. */
export interface SeenMarker {
  id: number;
  corners: readonly [Point, Point, Point, Point];
}

/** A card as it lies: its middle and its upward direction in the plane, and how far its corners are off there, m. */
export interface LyingCard {
  id: number;
  at: Point;
  /** Degrees that it is turned against the first. */
  turned: number;
  error: number;
}

/** The plane in which cards lie, from the camera that saw them; the first card is at its origin, its upward edge along y. */
export interface CardPlane {
  picture: { width: number; height: number };
  camera: Camera;
  cards: LyingCard[];
  /** A card that does not lie as the others do, is bent, or was printed larger: it was not reckoned with. */
  off?: LyingCard;
  fit: Fit;
  /** How much more the corners scatter than they are taken to. */
  scatter: number;
  cameraOf: (at: readonly number[]) => Camera;
}

/** A corner is found so well, as a part of the longer side: a third of a pixel of a picture of 1600. Judgement; what scatters more widens it. */
const CORNER = 0.35 / 1600;
/**
 * Focal lengths of phones, as parts of the longer side: a lens of 26 mm on film of 36 mm is 0.72, wide and long ones are
 * within three deviations. From memory.
 */
const FOCAL = { mean: 0.75, spread: 0.4 } as const;
/** Cameras straighten their own pictures: what is left is small. Judgement. */
const BEND = 0.05;
/** Scatter beyond which a card is looked for that lies otherwise, and what it must come down by without it. */
const [TOO_MUCH, FAR_LESS] = [1.9, 0.5];

/** A camera stands between these above the cards, m, and corners scatter less than this, or they are none of cards. */
const [NEAREST, FARTHEST, SCATTERED] = [0.05, 30, 1e4];
const NO_PLANE = 'The cards found do not come together to a plane. Take the picture again.';

const CAMERA = 8;

/** From shares of width and height to parts of the longer side about the middle. */
export function inLongSides({ width, height }: { width: number; height: number }, [x, y]: Point): Point {
  const long = Math.max(width, height);
  return [((x - 0.5) * width) / long, ((y - 0.5) * height) / long];
}
/** And back. */
export function inShares(
  { width, height }: { width: number; height: number },
  [u, v]: readonly [number, number],
): Point {
  const long = Math.max(width, height);
  return [(u * long) / width + 0.5, (v * long) / height + 0.5];
}

interface SeenBody {
  body: Body;
  local: Point[];
  seen: Point[];
}

const posed = ([x, y]: Point, px: number, py: number, angle: number): [number, number] => [
  px + x * Math.cos(angle) - y * Math.sin(angle),
  py + x * Math.sin(angle) + y * Math.cos(angle),
];

/** A camera over a body whose points it sees, for a focal length. */
function firstCamera({ local, seen }: SeenBody, focal: number): Camera | undefined {
  const h = homographyOf(local, seen);
  if (!h) return undefined;
  const column = (k: number) => [h[k]! / focal, h[3 + k]! / focal, h[6 + k]!] as const;
  const [a, b, c] = [column(0), column(1), column(2)];
  const scale = (Math.hypot(...a) + Math.hypot(...b)) / 2;
  // In front of the camera, whatever the sign of the map.
  const sign = c[2] < 0 ? -1 : 1;
  const unit = ([x, y, z]: readonly [number, number, number]) => {
    const length = Math.hypot(x, y, z) * sign;
    return [x / length, y / length, z / length] as const;
  };
  const x = unit(a);
  const rough = unit(b);
  const across = rough[0] * x[0] + rough[1] * x[1] + rough[2] * x[2];
  const rest = rough.map((v, i) => v - across * x[i]!) as [number, number, number];
  const length = Math.hypot(...rest);
  const y = rest.map((v) => v / length) as [number, number, number];
  const z = [x[1] * y[2] - x[2] * y[1], x[2] * y[0] - x[0] * y[2], x[0] * y[1] - x[1] * y[0]] as const;
  const turn: Turn = [x[0], y[0], z[0], x[1], y[1], z[1], x[2], y[2], z[2]];
  const shift = c.map((v) => (sign * v) / scale) as [number, number, number];
  return { focal, bend: 0, turn, shift };
}

/** How a body lies in the plane that a camera looks at. */
function lieOf(camera: Camera, { local, seen }: SeenBody): [number, number, number] | undefined {
  const there = seen.map((p) => placeAt(camera, [p[0], p[1]], 0));
  if (there.some((p) => !p)) return undefined;
  const middle = (points: readonly (readonly [number, number])[]) =>
    [0, 1].map((k) => points.reduce((sum, p) => sum + p[k]!, 0) / points.length) as [number, number];
  const places = there as [number, number][];
  const [m, l] = [middle(places), middle(local)];
  let [s, c] = [0, 0];
  places.forEach((p, i) => {
    const [dx, dy] = [p[0] - m[0], p[1] - m[1]];
    const [lx, ly] = [local[i]![0] - l[0], local[i]![1] - l[1]];
    s += lx * dy - ly * dx;
    c += lx * dx + ly * dy;
  });
  const angle = Math.atan2(s, c);
  const [ox, oy] = posed(l, 0, 0, angle);
  return [m[0] - ox, m[1] - oy, angle];
}

/** Camera and lies together, the least squares from one focal length to begin with. */
function adjusted(all: readonly SeenBody[], focal: number) {
  const begin = firstCamera(all[0]!, focal);
  if (!begin) return undefined;
  const lies = all.slice(1).map((b) => lieOf(begin, b) ?? [0.3, 0, 0]);
  const cameraOf = (at: readonly number[]): Camera => ({
    focal: Math.exp(at[0]!),
    bend: at[1]!,
    turn: turned(begin.turn, turnAbout([at[2]!, at[3]!, at[4]!])),
    shift: [at[5]!, at[6]!, at[7]!],
  });
  const residuals = (at: readonly number[]): number[] => {
    const camera = cameraOf(at);
    const off: number[] = [(at[0]! - Math.log(FOCAL.mean)) / FOCAL.spread, at[1]! / BEND];
    all.forEach(({ local, seen }, i) => {
      const k = CAMERA + 3 * (i - 1);
      const lie = i === 0 ? ([0, 0, 0] as const) : ([at[k]!, at[k + 1]!, at[k + 2]!] as const);
      local.forEach((p, j) => {
        const there = seenBy(camera, [...posed(p, ...lie), 0]);
        off.push(
          (there ? there[0] - seen[j]![0] : 9) / CORNER,
          (there ? there[1] - seen[j]![1] : 9) / CORNER,
        );
      });
    });
    return off;
  };
  const start = [Math.log(focal), 0, 0, 0, 0, ...begin.shift, ...lies.flat()];
  const fit = leastSquares(residuals, start);
  return fit && { fit, cameraOf };
}

/** The best of several beginnings. */
function bestOf(all: readonly SeenBody[]) {
  const known = all.reduce((n, b) => n + 2 * b.local.length, 0);
  let best: (NonNullable<ReturnType<typeof adjusted>> & { scatter: number }) | undefined;
  for (const focal of [0.75, 0.5, 1.3]) {
    const one = adjusted(all, focal);
    if (!one || !Number.isFinite(one.fit.cost)) continue;
    const scatter = one.fit.cost / Math.max(1, known + 2 - one.fit.at.length);
    if (!best || scatter < best.scatter) best = { ...one, scatter };
    // As near as corners are found: another beginning would end here as well.
    if (scatter < 1.2) break;
  }
  return best;
}

const angleOf = (radians: number): number => {
  const degrees = (radians * 180) / Math.PI;
  return ((((degrees + 180) % 360) + 360) % 360) - 180;
};

function lying(
  { body, local, seen }: SeenBody,
  camera: Camera,
  lie: readonly [number, number, number],
): LyingCard {
  const squares = seen.map((p, i) => {
    const there = placeAt(camera, [p[0], p[1]], 0);
    const [x, y] = posed(local[i]!, ...lie);
    return there ? (there[0] - x) ** 2 + (there[1] - y) ** 2 : 1;
  });
  const error = Math.sqrt(squares.reduce((a, b) => a + b, 0) / squares.length);
  return { id: body.id, at: [lie[0], lie[1]], turned: angleOf(lie[2]), error };
}

/**
 * The plane in which cards lie, and the camera that saw it: camera, lens and how each card lies together, by least squares
 * (bundle adjustment; B. Triggs et al. 2000), begun from the direct linear transform of the largest card. A card that does
 * not lie in the plane of three others or more is left out and told.
 *
 * @param picture its width and height upright, pixels; not cut to a part
 * @param side width of the black square of a card as it was printed, m
 * @returns what is wrong, in words
 */
export function planeOfCards(
  picture: { width: number; height: number },
  markers: readonly SeenMarker[],
  side: number = CARDS.side,
): CardPlane | { problem: string } {
  const seen = bodies(side).flatMap((body): SeenBody[] => {
    const pairs = markers.flatMap(({ id, corners }) =>
      (body.markers.get(id) ?? []).map((local, i) => [local, inLongSides(picture, corners[i]!)] as const),
    );
    return pairs.length >= 4 ? [{ body, local: pairs.map((p) => p[0]), seen: pairs.map((p) => p[1]) }] : [];
  });
  const twice = markers.find((m, i) => markers.some((o, j) => j < i && o.id === m.id));
  if (twice)
    return {
      problem: `Card ${twice.id} is there twice: two sets of cards lie in the picture. Take one away, or cover it, and take the picture again.`,
    };
  if (seen.length === 0)
    return {
      problem:
        'No card is found in this picture. It must be whole, flat and sharp, with its white rim, and at least a twentieth of the width of the picture.',
    };
  // The first is the one that is seen the largest: it begins the search.
  const spread = ({ seen: s }: SeenBody) =>
    Math.max(...s.map((p) => p[0])) -
    Math.min(...s.map((p) => p[0])) +
    (Math.max(...s.map((p) => p[1])) - Math.min(...s.map((p) => p[1])));
  const ordered = [...seen].sort((a, b) => spread(b) - spread(a));
  let used = ordered;
  let best = bestOf(ordered);
  if (!best) return { problem: NO_PLANE };
  let left: SeenBody | undefined;
  if (best.scatter > TOO_MUCH && ordered.length >= 4)
    for (const out of ordered) {
      const rest = ordered.filter((b) => b !== out);
      const without = bestOf(rest);
      if (without && without.scatter < FAR_LESS * best.scatter) [best, used, left] = [without, rest, out];
    }
  const { fit, cameraOf, scatter } = best;
  const camera = cameraOf(fit.at);
  const high = eyeOf(camera)[2];
  const known = fit.covariance.diagonal().every((v) => Number.isFinite(v) && v >= 0);
  if (!known || !(high > NEAREST) || !(high < FARTHEST) || !(scatter < SCATTERED))
    return { problem: NO_PLANE };
  const cards = used.map((b, i) => {
    const k = CAMERA + 3 * (i - 1);
    return lying(b, camera, i === 0 ? [0, 0, 0] : [fit.at[k]!, fit.at[k + 1]!, fit.at[k + 2]!]);
  });
  const off = left && lying(left, camera, lieOf(camera, left) ?? [0, 0, 0]);
  return { picture, camera, cards, ...(off && { off }), fit, scatter: Math.max(1, scatter), cameraOf };
}

/** Where a point of the picture lies, shares of width and height, m in the plane; undefined where it is above the horizon. */
export const inPlane = ({ picture, camera }: CardPlane, at: Point, height = 0): Point | undefined =>
  placeAt(camera, inLongSides(picture, at) as [number, number], height);

/**
 * A length between two points of the plane of the cards, m, with the half-width of its 90 % interval: what the corners and
 * the two touches leave open. What lies above or below the plane is off, see {@link inPlane} for a height.
 *
 * @param from @param to shares of width and height
 * @param height of both above the cards, m
 * @returns undefined where a ray does not come down to the plane
 */
export function lengthOnPlane(plane: CardPlane, from: Point, to: Point, height = 0): PlaneLength | undefined {
  const { picture, fit, scatter, cameraOf } = plane;
  const ends = [from, to].map((p) => inLongSides(picture, p));
  const between = (camera: Camera, [a, b]: readonly Point[]): number => {
    const [p, q] = [a!, b!].map((at) => placeAt(camera, [at[0], at[1]], height)) as [Point?, Point?];
    return p && q ? Math.hypot(p[0] - q[0], p[1] - q[1]) : NaN;
  };
  const value = between(plane.camera, ends);
  if (!Number.isFinite(value)) return undefined;
  // How the length changes with each of what was fitted, and so its variance from all of them together.
  const slopes = fit.at.map((v, k) => {
    const step = 1e-5 * Math.max(1, Math.abs(v));
    const moved = (by: number) => between(cameraOf(fit.at.map((w, i) => (i === k ? w + by : w))), ends);
    return (moved(step) - moved(-step)) / (2 * step);
  });
  let variance = 0;
  slopes.forEach((a, i) =>
    slopes.forEach((b, j) => {
      variance += scatter * a * b * fit.covariance.get(i, j);
    }),
  );
  const touch = TOUCH / SHOWN_SIDE;
  for (const end of [0, 1])
    for (const k of [0, 1]) {
      const moved = ends.map((p, i): Point =>
        i === end ? (k === 0 ? [p[0] + touch, p[1]] : [p[0], p[1] + touch]) : p,
      );
      variance += (between(plane.camera, moved) - value) ** 2;
    }
  return variance >= 0 ? { value, plusMinus: REACH * Math.sqrt(variance) } : undefined;
}

/** Where a place of the plane, or above it, is in the picture; undefined behind the camera. */
export function inPicture({ picture, camera }: CardPlane, [x, y]: Point, height = 0): Point | undefined {
  const seen = seenBy(camera, [x, y, height]);
  return seen && inShares(picture, seen);
}
