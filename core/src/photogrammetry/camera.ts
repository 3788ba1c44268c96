/** A place in metres: x and y in a plane, z up from it. */
export type Place = readonly [x: number, y: number, z: number];

/** A direction or place of three numbers. */
export type Vector = readonly [number, number, number];
/** Three by three, row by row. */
export type Turn = readonly number[];

/**
 * A pinhole camera with the first term of radial distortion. Lengths in the picture are parts of its longer side, from its
 * middle, to the right and down.
 */
export interface Camera {
  /** Focal length as a part of the longer side of the picture. */
  focal: number;
  /** First radial term on directions: seen = true (1 + k r²). */
  bend: number;
  /** Turns places into what is to the right, down and ahead of the camera. */
  turn: Turn;
  /** The origin of places as the camera has it. */
  shift: Vector;
}

const times = (m: Turn, [x, y, z]: Vector): Vector => [
  m[0]! * x + m[1]! * y + m[2]! * z,
  m[3]! * x + m[4]! * y + m[5]! * z,
  m[6]! * x + m[7]! * y + m[8]! * z,
];
const timesTurned = (m: Turn, [x, y, z]: Vector): Vector => [
  m[0]! * x + m[3]! * y + m[6]! * z,
  m[1]! * x + m[4]! * y + m[7]! * z,
  m[2]! * x + m[5]! * y + m[8]! * z,
];

/** One turn after another. */
export const turned = (first: Turn, then: Turn): Turn =>
  [0, 1, 2].flatMap((r) =>
    [0, 1, 2].map((c) => [0, 1, 2].reduce((sum, k) => sum + then[3 * r + k]! * first[3 * k + c]!, 0)),
  );

/** A turn about an axis by its length, radians: the formula of Rodrigues. */
export function turnAbout([x, y, z]: Vector): Turn {
  const angle = Math.hypot(x, y, z);
  const [s, c] = angle < 1e-9 ? [1, 0.5] : [Math.sin(angle) / angle, (1 - Math.cos(angle)) / angle ** 2];
  return [
    1 - c * (y * y + z * z),
    c * x * y - s * z,
    c * x * z + s * y,
    c * x * y + s * z,
    1 - c * (x * x + z * z),
    c * y * z - s * x,
    c * x * z - s * y,
    c * y * z + s * x,
    1 - c * (x * x + y * y),
  ];
}

/** Where a camera sees a place; undefined behind it. */
export function seenBy({ focal, bend, turn, shift }: Camera, place: Place): [number, number] | undefined {
  const at = times(turn, place);
  const depth = at[2] + shift[2];
  if (depth <= 1e-6) return undefined;
  const [x, y] = [(at[0] + shift[0]) / depth, (at[1] + shift[1]) / depth];
  const out = focal * (1 + bend * (x * x + y * y));
  return [out * x, out * y];
}

/** Where the camera stands. */
export function eyeOf({ turn, shift }: Camera): Place {
  const [x, y, z] = timesTurned(turn, shift);
  return [-x, -y, -z];
}

/** The direction in which a point of the picture lies from the camera; its length is one. */
export function rayThrough({ focal, bend, turn }: Camera, [u, v]: readonly [number, number]): Vector {
  const [x, y] = [u / focal, v / focal];
  // The distortion is undone by steps: each a division by what the last place is drawn out by.
  let [a, b] = [x, y];
  for (let i = 0; i < 12 && bend !== 0; i++) {
    const out = Math.max(0.2, 1 + bend * (a * a + b * b));
    const moved = Math.abs(x / out - a) + Math.abs(y / out - b);
    a = x / out;
    b = y / out;
    if (moved < 1e-12) break;
  }
  const [dx, dy, dz] = timesTurned(turn, [a, b, 1]);
  const length = Math.hypot(dx, dy, dz);
  return [dx / length, dy / length, dz / length];
}

/** Where a point of the picture lies if it lies at a height; undefined where the ray does not come down to it. */
export function placeAt(
  camera: Camera,
  seen: readonly [number, number],
  height: number,
): readonly [number, number] | undefined {
  const eye = eyeOf(camera);
  const [dx, dy, dz] = rayThrough(camera, seen);
  const along = (height - eye[2]) / dz;
  if (!(along > 0)) return undefined;
  return [eye[0] + along * dx, eye[1] + along * dy];
}
