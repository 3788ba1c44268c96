import {
  CARD_PAPER as CARD,
  CARDS,
  COLOURS,
  GREYS,
  PATCH_SIDE,
  eyeOf,
  LEAF_SHEET,
  leafSheetPlaces,
  seenBy,
  type Camera,
  type Place,
  type Raster,
  type Vector,
} from '@undrel/core/photogrammetry';
import { CELLS, cellsOf } from '@undrel/core/markers';
import { bearingOf, type Outline, type RootPath } from '@undrel/core/roots';
import { variation } from './series';

/** A card on the ground: its middle, where its upward edge points, degrees from north, and how high it lies above the ground. */
export interface LaidCard {
  id: number;
  at: readonly [number, number];
  towards: number;
  above?: number;
  /** Turned over as in a mirror: what no printer makes. */
  mirrored?: boolean;
}

/** A leaf on the leaf sheet, about the middle of the sheet: m, degrees, and its colour. */
export interface LaidLeaf {
  at: readonly [number, number];
  length: number;
  turned: number;
  colour: readonly [number, number, number];
  /** Colour of its veins, where they are not a little lighter than the blade. */
  veins?: readonly [number, number, number];
}

/** What there is to be seen. Metres, x east, y north, z up from the grade at the middle of the stem. */
export interface Scene {
  stem?: Outline;
  roots: readonly { path: RootPath; tone: readonly [number, number, number] }[];
  /** Radius of the pit, and the height of its floor. */
  pit: number;
  floor: number;
  cards: readonly LaidCard[];
  /** Corners of a sheet of white paper on the floor. */
  paper?: readonly (readonly [number, number])[];
  /** Where the middle of a sheet for leaves lies, its upward edge to the north. */
  leafSheet?: { at: readonly [number, number]; leaves: readonly LaidLeaf[] };
}

/** How it is taken. */
export interface Shot {
  camera: Camera;
  width: number;
  height: number;
  /** Deviation of the brightness of a pixel, of 255. */
  noise?: number;
  /** A shadow over a part of the ground, as dark as this share of the light. */
  shade?: number;
  /** What the light makes of red, green and blue. */
  light?: readonly [number, number, number];
  seed: number;
}

/** A camera that stands at a place and looks at another; turned about its own axis, degrees. */
export function cameraFrom(
  eye: Place,
  aim: Place,
  { focal = 0.78, bend = 0, roll = 0 }: { focal?: number; bend?: number; roll?: number } = {},
): Camera {
  const unit = ([x, y, z]: Vector): Vector => {
    const length = Math.hypot(x, y, z);
    return [x / length, y / length, z / length];
  };
  const ahead = unit([aim[0] - eye[0], aim[1] - eye[1], aim[2] - eye[2]]);
  // Straight down, the upper edge of the picture points to the north.
  const flat = Math.hypot(ahead[0], ahead[1]);
  const right: Vector = flat < 1e-6 ? [1, 0, 0] : [ahead[1] / flat, -ahead[0] / flat, 0];
  const down: Vector = [
    ahead[1] * right[2] - ahead[2] * right[1],
    ahead[2] * right[0] - ahead[0] * right[2],
    ahead[0] * right[1] - ahead[1] * right[0],
  ];
  const [s, c] = [Math.sin((roll * Math.PI) / 180), Math.cos((roll * Math.PI) / 180)];
  const mixed = (a: Vector, p: number, b: Vector, q: number): Vector => [
    p * a[0] + q * b[0],
    p * a[1] + q * b[1],
    p * a[2] + q * b[2],
  ];
  const [x, y] = [mixed(right, c, down, s), mixed(right, -s, down, c)];
  const dot = (a: Vector, b: Place) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
  return {
    focal,
    bend,
    turn: [...x, ...y, ...ahead],
    shift: [-dot(x, eye), -dot(y, eye), -dot(ahead, eye)],
  };
}

type Colour = [number, number, number];
const WHITE: Colour = [238, 236, 230];
const BLACK: Colour = [26, 26, 28];
const cells = new Map<number, boolean[][]>();
const cell = (id: number): boolean[][] => {
  if (!cells.has(id)) cells.set(id, cellsOf(id));
  return cells.get(id)!;
};

/** What is printed at a place of a marker of a width, about its middle; undefined beside it. */
function inkAt(id: number, side: number, x: number, y: number): Colour | undefined {
  const [column, row] = [Math.floor((x / side + 0.5) * CELLS), Math.floor((0.5 - y / side) * CELLS)];
  if (column < 0 || row < 0 || column >= CELLS || row >= CELLS) return undefined;
  return cell(id)[row]![column] ? WHITE : BLACK;
}

/** A number between 0 and 1 for each knot of a grid. */
function knot(i: number, j: number): number {
  let h = Math.imul(i, 374761393) ^ Math.imul(j, 668265263);
  h = Math.imul(h ^ (h >>> 13), 1274126177);
  return ((h ^ (h >>> 16)) >>> 0) / 2 ** 32;
}
const eased = (t: number): number => t * t * (3 - 2 * t);
function smooth(x: number, y: number): number {
  const [i, j] = [Math.floor(x), Math.floor(y)];
  const [fx, fy] = [eased(x - i), eased(y - j)];
  const upper = knot(i, j) * (1 - fx) + knot(i + 1, j) * fx;
  const lower = knot(i, j + 1) * (1 - fx) + knot(i + 1, j + 1) * fx;
  return upper * (1 - fy) + lower * fy;
}

/** A texture of the ground: the same at the same place from wherever it is seen. */
export const grain = (x: number, y: number): number =>
  0.5 * smooth(14 * x, 14 * y) + 0.3 * smooth(60 * x, 60 * y) + 0.2 * smooth(220 * x, 220 * y) - 0.5;

const tinted = (colour: readonly number[], by: number): Colour => [
  colour[0]! * by,
  colour[1]! * by,
  colour[2]! * by,
];

/** The ground: its colour, and how rough it looks. */
const GROUND = {
  floor: { colour: [98, 76, 56], rough: 0.75 },
  grade: { colour: [118, 134, 84], rough: 0.6 },
  wall: { colour: [84, 66, 48], rough: 0.5 },
} as const;

const SHEET_MARKERS = leafSheetPlaces();
const SHEET_PATCHES = [...GREYS, ...COLOURS];

/** The patches of the leaf sheet, from its lower edge: greys and colours as they are printed. */
function leafSheetAt(x: number, y: number, leaves: readonly LaidLeaf[]): Colour | undefined {
  if (Math.abs(x) > 0.1 || Math.abs(y) > 0.138) return undefined;
  for (const { at, length, turned, colour, veins } of leaves) {
    if (Math.abs(x - at[0]) > length / 2 || Math.abs(y - at[1]) > length / 2) continue;
    const angle = (turned * Math.PI) / 180;
    const [dx, dy] = [x - at[0], y - at[1]];
    const [along, across] = [
      dx * Math.cos(angle) + dy * Math.sin(angle),
      -dx * Math.sin(angle) + dy * Math.cos(angle),
    ];
    const share = along / length + 0.5;
    if (share < 0 || share > 1) continue;
    const half = 0.42 * length * Math.sin(Math.PI * share) ** 0.8 * 0.55;
    if (Math.abs(across) > half) continue;
    const vein =
      Math.abs(across) < 0.0012 || Math.abs(((along * 60) % 1) - Math.abs(across) * 40 - 0.1) < 0.02;
    const printed = (vein && veins) || colour;
    return tinted(
      [0, 1, 2].map((c) => (printed[c]! * WHITE[c]!) / 255),
      vein ? (veins ? 1 : 1.06) : 1 + 0.05 * grain(x * 9, y * 9),
    );
  }
  // Markers and patches lie beyond where leaves are.
  if (Math.abs(y) < 0.09) return WHITE;
  for (const { id, at } of SHEET_MARKERS) {
    const ink = inkAt(id, LEAF_SHEET.side, x - at[0], y - at[1]);
    if (ink) return ink;
  }
  for (const { at, colour } of SHEET_PATCHES)
    if (Math.max(Math.abs(x - at[0]), Math.abs(y - at[1])) < PATCH_SIDE / 2)
      return [0, 1, 2].map((c) => (colour[c]! * WHITE[c]!) / 255) as Colour;
  return WHITE;
}

/** What is printed or lies at a place of a layer; undefined beside it. */
type Ink = (x: number, y: number) => Colour | undefined;

/** The direction in which each pixel looks, as `rayThrough` has it, three numbers each. */
export function raysOf({ focal, bend, turn }: Camera, width: number, height: number): Float64Array {
  const long = Math.max(width, height);
  const rays = new Float64Array(3 * width * height);
  for (let row = 0, at = 0; row < height; row++)
    for (let column = 0; column < width; column++, at += 3) {
      const x = (column + 0.5 - width / 2) / long / focal;
      const y = (row + 0.5 - height / 2) / long / focal;
      let out = 1;
      for (let i = 0; i < 8 && bend !== 0; i++) out = 1 + bend * ((x / out) ** 2 + (y / out) ** 2);
      const [a, b] = [x / out, y / out];
      const dx = turn[0]! * a + turn[3]! * b + turn[6]!;
      const dy = turn[1]! * a + turn[4]! * b + turn[7]!;
      const dz = turn[2]! * a + turn[5]! * b + turn[8]!;
      const length = Math.sqrt(dx * dx + dy * dy + dz * dz);
      rays[at] = dx / length;
      rays[at + 1] = dy / length;
      rays[at + 2] = dz / length;
    }
  return rays;
}

/** What lies on the floor, at a height of its own. */
function layersOf(scene: Scene): { z: number; reach: number; at: readonly [number, number]; ink: Ink }[] {
  const layers = scene.cards.map(({ id, at, towards, above = 0.0005, mirrored }) => {
    const turn = (towards * Math.PI) / 180;
    const ink: Ink = (x, y) => {
      const [dx, dy] = [x - at[0], y - at[1]];
      const across = (mirrored ? -1 : 1) * (dx * Math.cos(turn) - dy * Math.sin(turn));
      const along = dx * Math.sin(turn) + dy * Math.cos(turn);
      const below = along + CARD.up;
      if (Math.abs(across) > CARD.width / 2 || Math.abs(below) > CARD.height / 2) return undefined;
      return inkAt(id, CARDS.side, across, along) ?? WHITE;
    };
    return { z: scene.floor + above, reach: 0.09, at, ink };
  });
  const sheet = scene.leafSheet;
  if (sheet)
    layers.push({
      z: scene.floor + 0.0005,
      reach: 0.18,
      at: sheet.at,
      ink: (x, y) => leafSheetAt(x - sheet.at[0], y - sheet.at[1], sheet.leaves),
    });
  const paper = scene.paper;
  if (paper)
    layers.push({
      z: scene.floor + 0.0005,
      reach: 0.3,
      at: [
        paper.reduce((s, p) => s + p[0], 0) / paper.length,
        paper.reduce((s, p) => s + p[1], 0) / paper.length,
      ],
      ink: (x, y) =>
        paper.every((a, i) => {
          const b = paper[(i + 1) % paper.length]!;
          return (b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0]) >= 0;
        }) ||
        paper.every((a, i) => {
          const b = paper[(i + 1) % paper.length]!;
          return (b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0]) <= 0;
        })
          ? WHITE
          : undefined,
    });
  return layers;
}

/** Pixels of a picture that a ball may touch. */
function boxOf(
  camera: Camera,
  { width, height }: { width: number; height: number },
  middle: Place,
  radius: number,
): [left: number, right: number, top: number, bottom: number] {
  const long = Math.max(width, height);
  const seen = seenBy(camera, middle);
  const eye = eyeOf(camera);
  const far = Math.hypot(middle[0] - eye[0], middle[1] - eye[1], middle[2] - eye[2]);
  if (!seen || far <= radius * 1.2) return [0, width - 1, 0, height - 1];
  const out = (camera.focal * long * radius * 1.2) / (far - radius) + 3;
  const [x, y] = [width / 2 + seen[0] * long, height / 2 + seen[1] * long];
  return [
    Math.max(0, Math.floor(x - out)),
    Math.min(width - 1, Math.ceil(x + out)),
    Math.max(0, Math.floor(y - out)),
    Math.min(height - 1, Math.ceil(y + out)),
  ];
}

const SKY: Colour = [170, 190, 210];
const LIGHT: Vector = [-0.42, -0.3, 0.86];

/**
 * A made-up photograph: rays from a camera with a lens, to the ground, to what lies on it, to roots as round tubes and to
 * the stem, in light from one side, with shade and noise. What it shows is true to the scene to a part of a pixel.
 */
// oxlint-disable-next-line max-lines-per-function -- passes over the same arrays of pixels, in plain numbers for speed
export function rendered(scene: Scene, shot: Shot): Raster {
  const { camera, width, height } = shot;
  const eye = eyeOf(camera);
  const rays = raysOf(camera, width, height);
  const rayAt = (pixel: number): Vector => [rays[3 * pixel]!, rays[3 * pixel + 1]!, rays[3 * pixel + 2]!];
  const colours = new Float32Array(3 * width * height);
  const depth = new Float32Array(width * height).fill(Infinity);
  const layers = layersOf(scene);
  const shadeAt = (x: number, y: number): number =>
    shot.shade && Math.sin(3.1 * x + 1.7 * y + shot.seed) + 0.5 * smooth(9 * x, 9 * y) > 0.5
      ? 1 - shot.shade
      : 1;
  // Plain numbers in place of places: this is done for every pixel.
  for (let at = 0; at < width * height; at++) {
    const [dx, dy, dz] = [rays[3 * at]!, rays[3 * at + 1]!, rays[3 * at + 2]!];
    if (dz >= -1e-6) {
      colours.set(SKY, 3 * at);
      continue;
    }
    let along = -eye[2] / dz;
    let [x, y] = [eye[0] + along * dx, eye[1] + along * dy];
    let look: (typeof GROUND)[keyof typeof GROUND] = GROUND.grade;
    if (scene.floor === 0 || x * x + y * y <= scene.pit ** 2) {
      along = (scene.floor - eye[2]) / dz;
      [x, y] = [eye[0] + along * dx, eye[1] + along * dy];
      look = scene.floor < 0 && x * x + y * y > scene.pit ** 2 ? GROUND.wall : GROUND.floor;
    }
    depth[at] = along;
    const by =
      look === GROUND.wall
        ? 1 + look.rough * grain(x * 2, dz * 9)
        : (1 + look.rough * grain(x, y)) * shadeAt(x, y);
    for (let c = 0; c < 3; c++) colours[3 * at + c] = look.colour[c]! * by;
  }
  // Paper is looked at through nine parts of each pixel, so that its edges are as soft as a lens makes them.
  for (const { z, reach, at: middle, ink } of layers) {
    const [left, right, top, bottom] = boxOf(camera, shot, [middle[0], middle[1], z], reach);
    for (let y = top; y <= bottom; y++)
      for (let x = left; x <= right; x++) {
        const at = y * width + x;
        const sum: Colour = [0, 0, 0];
        let hits = 0;
        // Across one pixel rays turn evenly, whatever the lens.
        const [across, down] = [x < width - 1 ? 3 : -3, y < height - 1 ? 3 * width : -3 * width];
        for (let k = 0; k < 9; k++) {
          const a = ((k % 3) - 1) / Math.sign(across) / 3;
          const b = (Math.floor(k / 3) - 1) / Math.sign(down) / 3;
          const between = (i: number) =>
            rays[i]! + a * (rays[i + across]! - rays[i]!) + b * (rays[i + down]! - rays[i]!);
          const dir: Vector = [between(3 * at), between(3 * at + 1), between(3 * at + 2)];
          const there = flat(eye, dir, z);
          const colour = there && ink(there[0], there[1]);
          if (!colour) {
            for (let c = 0; c < 3; c++) sum[c]! += colours[3 * at + c]!;
            continue;
          }
          const dim = shadeAt(there[0], there[1]);
          for (let c = 0; c < 3; c++) sum[c]! += colour[c]! * dim;
          depth[at] = Math.min(depth[at]!, there[2]);
          hits++;
        }
        if (hits > 0) for (let c = 0; c < 3; c++) colours[3 * at + c] = sum[c]! / 9;
      }
  }
  for (const { path, tone } of scene.roots)
    for (let i = 0, next; i < path.x.length - 1; i = next) {
      // Pieces as long as the root is thick: a bend is as smooth as the eye can tell.
      next = i + 1;
      while (next < path.x.length - 1 && path.along[next]! - path.along[i]! < path.radius[i]!) next++;
      const a: Place = [path.x[i]!, path.y[i]!, path.z[i]!];
      const b: Place = [path.x[next]!, path.y[next]!, path.z[next]!];
      const radius = (path.radius[i]! + path.radius[next]!) / 2;
      const middle: Place = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];
      const half = Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]) / 2;
      const [left, right, top, bottom] = boxOf(camera, shot, middle, radius + half);
      const axis: Vector = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
      const length2 = axis[0] ** 2 + axis[1] ** 2 + axis[2] ** 2 || 1e-12;
      for (let y = top; y <= bottom; y++)
        for (let x = left; x <= right; x++) {
          const at = y * width + x;
          const hit = hitTube(eye, rayAt(at), a, axis, length2, radius);
          if (!hit || hit.along >= depth[at]!) continue;
          depth[at] = hit.along;
          const lit = 0.55 + 0.5 * Math.max(0, dotted(hit.normal, LIGHT));
          const bark = 1 + 0.35 * grain(hit.at[0] * 3 + hit.at[2] * 7, hit.at[1] * 3);
          const dim = shadeAt(hit.at[0], hit.at[1]);
          colours.set(tinted(tone, lit * bark * dim), 3 * at);
        }
    }
  if (scene.stem) {
    const stem = scene.stem;
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) {
        const at = y * width + x;
        const hit = hitStem(eye, rayAt(at), stem);
        if (!hit || hit.along >= depth[at]!) continue;
        depth[at] = hit.along;
        const turn = Math.atan2(hit.y, hit.x);
        const lit = 0.5 + 0.45 * Math.max(0, Math.cos(turn) * LIGHT[0] + Math.sin(turn) * LIGHT[1]);
        const bark = 1 + 0.5 * grain(turn * 0.9, hit.z * 0.5) + 0.3 * grain(turn * 4, hit.z);
        colours.set(tinted([112, 94, 78], lit * bark * 1.3), 3 * at);
      }
  }
  const vary = variation(shot.seed * 7919 + 13);
  const light = shot.light ?? [1, 1, 1];
  const data = new Uint8ClampedArray(4 * width * height);
  for (let i = 0; i < width * height; i++) {
    for (let c = 0; c < 3; c++) {
      // The sum of three even spreads is near enough to a normal one.
      const noise = shot.noise ? (vary(1) + vary(1) + vary(1)) * shot.noise : 0;
      data[4 * i + c] = colours[3 * i + c]! * light[c]! + noise;
    }
    data[4 * i + 3] = 255;
  }
  return { width, height, data };
}

/** Where a ray comes down to a height, and how far along it that is. */
function flat(eye: Place, dir: Vector, z: number): [number, number, number] | undefined {
  const along = (z - eye[2]) / dir[2];
  return along > 0 ? [eye[0] + along * dir[0], eye[1] + along * dir[1], along] : undefined;
}

const dotted = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** Where a ray meets a tube with round ends, first. */
function hitTube(
  eye: Place,
  dir: Vector,
  a: Place,
  axis: Vector,
  length2: number,
  radius: number,
): { along: number; at: Place; normal: Vector } | undefined {
  const from: Vector = [eye[0] - a[0], eye[1] - a[1], eye[2] - a[2]];
  const [da, fa] = [dotted(dir, axis) / length2, dotted(from, axis) / length2];
  const p: Vector = [dir[0] - da * axis[0], dir[1] - da * axis[1], dir[2] - da * axis[2]];
  const q: Vector = [from[0] - fa * axis[0], from[1] - fa * axis[1], from[2] - fa * axis[2]];
  const [A, B, C] = [dotted(p, p), dotted(p, q), dotted(q, q) - radius ** 2];
  let along = Infinity;
  const square = B * B - A * C;
  if (square > 0 && A > 1e-12) {
    const t = (-B - Math.sqrt(square)) / A;
    const on = fa + t * da;
    if (t > 0 && on >= 0 && on <= 1) along = t;
  }
  for (const end of [0, 1]) {
    const m: Vector = [from[0] - end * axis[0], from[1] - end * axis[1], from[2] - end * axis[2]];
    const [b, c] = [dotted(dir, m), dotted(m, m) - radius ** 2];
    const root = b * b - c;
    if (root > 0 && -b - Math.sqrt(root) > 0) along = Math.min(along, -b - Math.sqrt(root));
  }
  if (along === Infinity) return undefined;
  const at: Place = [eye[0] + along * dir[0], eye[1] + along * dir[1], eye[2] + along * dir[2]];
  const rel: Vector = [at[0] - a[0], at[1] - a[1], at[2] - a[2]];
  const on = Math.min(1, Math.max(0, dotted(rel, axis) / length2));
  const out: Vector = [rel[0] - on * axis[0], rel[1] - on * axis[1], rel[2] - on * axis[2]];
  const size = Math.hypot(...out) || 1;
  return { along, at, normal: [out[0] / size, out[1] / size, out[2] / size] };
}

/** The stem stands up from the floor of the pit to this height above grade, m. */
const STEM_TOP = 1.1;

function inStem(eye: Place, dir: Vector, stem: Outline, along: number): boolean {
  const [x, y] = [eye[0] + along * dir[0], eye[1] + along * dir[1]];
  return Math.hypot(x, y) <= stem.radius(bearingOf(x, y));
}

function hitStem(
  eye: Place,
  dir: Vector,
  stem: Outline,
): { along: number; x: number; y: number; z: number } | undefined {
  const [A, B] = [dir[0] ** 2 + dir[1] ** 2, eye[0] * dir[0] + eye[1] * dir[1]];
  const C = eye[0] ** 2 + eye[1] ** 2 - stem.farthest ** 2;
  const square = B * B - A * C;
  if (square <= 0) return undefined;
  const [near, far] = [(-B - Math.sqrt(square)) / A, (-B + Math.sqrt(square)) / A];
  if (far <= 0) return undefined;
  const step = (far - near) / 24;
  let along = Math.max(0, near);
  while (along <= far && !inStem(eye, dir, stem, along)) along += step;
  if (along > far) return undefined;
  // Between the last step outside and the first one inside.
  let [out, into] = [along - step, along];
  for (let i = 0; i < 8; i++) {
    const half = (out + into) / 2;
    if (inStem(eye, dir, stem, half)) into = half;
    else out = half;
  }
  const [x, y] = [eye[0] + into * dir[0], eye[1] + into * dir[1]];
  const z = eye[2] + into * dir[2];
  return z <= STEM_TOP ? { along: into, x, y, z } : undefined;
}
