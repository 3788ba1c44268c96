import type { Dig, Tree } from '@undrel/core/records';
import { variation } from './series';

/** A place in metres: east, north, up from the grade at the middle of the stem. */
type Place = readonly [x: number, y: number, z: number];
type Seen = readonly [x: number, y: number, depth: number];

export const PHOTO = { width: 1600, height: 1200 } as const;
const FOCAL = 1250;
/** How far from the middle of the stem the camera stands, how high, and how high it looks, m. */
const AWAY = 1.5;
const UP = 1.25;
const AIM = -0.1;

/** A pinhole camera on one side of a stem, looking down at its collar; degrees from north. */
function cameraAt(bearing: number) {
  const turn = (bearing * Math.PI) / 180;
  const eye: Place = [AWAY * Math.sin(turn), AWAY * Math.cos(turn), UP];
  const flat = Math.hypot(AWAY, UP - AIM);
  // Ahead, to the right, and up, as the camera has them.
  const ahead: Place = [-eye[0] / flat, -eye[1] / flat, (AIM - UP) / flat];
  const right: Place = [-Math.cos(turn), Math.sin(turn), 0];
  const above: Place = [
    right[1] * ahead[2] - right[2] * ahead[1],
    right[2] * ahead[0] - right[0] * ahead[2],
    right[0] * ahead[1] - right[1] * ahead[0],
  ];
  return (place: Place): Seen => {
    const d = place.map((v, i) => v - eye[i]!);
    const along = (axis: Place) => axis.reduce((sum, v, i) => sum + v * d[i]!, 0);
    const depth = along(ahead);
    return [
      PHOTO.width / 2 + (FOCAL * along(right)) / depth,
      PHOTO.height / 2 - (FOCAL * along(above)) / depth,
      depth,
    ];
  };
}

const at = ([x, y]: Seen): string => `${x.toFixed(1)},${y.toFixed(1)}`;
const polygon = (places: readonly Seen[], fill: string): string =>
  `<polygon points="${places.map(at).join(' ')}" fill="${fill}"/>`;
const ring = (radius: number, z: number): Place[] =>
  Array.from({ length: 40 }, (_, i): Place => {
    const turn = (i * Math.PI) / 20;
    return [radius * Math.sin(turn), radius * Math.cos(turn), z];
  });

/** Where a sheet of A4 lies beside the stem: on the floor of the dig, to the right of the camera. */
function sheetFor(bearing: number, floor: number): Place[] {
  const turn = ((bearing + 55) * Math.PI) / 180;
  const [cx, cy] = [0.62 * Math.sin(turn), 0.62 * Math.cos(turn)];
  return [
    [0, 0],
    [0.21, 0],
    [0.21, 0.297],
    [0, 0.297],
  ].map(([x, y]): Place => [cx + x! - 0.1, cy + y! - 0.15, floor]);
}

/** A made-up photograph, and what is true of it. */
export interface Photograph {
  svg: string;
  bearing: number;
  /** Corners of the sheet of A4 in it, shares of width and height; none where the stem hides it. */
  sheet: [number, number][];
}

/**
 * A dig as a camera on one side of the stem would see it: plainly a drawing, with every root where the record has it.
 *
 * @param withSheet a sheet of A4 lies on the floor of the dig
 */
export function photographOf(dig: Dig, tree: Tree, bearing: number, withSheet: boolean): Photograph {
  const camera = cameraAt(bearing);
  const stem = (tree.stemDiameter ?? 0.3) / 2;
  const deepest = Math.max(...dig.roots.flatMap((r) => r.points.map((p) => p.depth)));
  const floor = -deepest - 0.03;
  const vary = variation(Math.round(bearing) + 7);
  const grain = Array.from({ length: 900 }, () => {
    const [x, y] = [800 + 800 * vary(1), 600 + 600 * vary(1)];
    return `<circle cx="${x.toFixed(0)}" cy="${y.toFixed(0)}" r="${(2 + 3 * Math.abs(vary(1))).toFixed(1)}" fill="#000" opacity="${(0.05 + 0.08 * Math.abs(vary(1))).toFixed(2)}"/>`;
  }).join('');
  const roots = dig.roots.flatMap((root) => {
    const places = root.points.map((p): Place => {
      const turn = (p.bearing * Math.PI) / 180;
      const out = stem + p.distance;
      return [out * Math.sin(turn), out * Math.cos(turn), -p.depth];
    });
    const tone = root.condition === 'dead' ? '#6b5b4b' : root.kind === 'structural' ? '#a5713f' : '#c08a55';
    return places.slice(1).map((to, i) => {
      const [a, b] = [camera(places[i]!), camera(to)];
      const wide = (FOCAL * root.points[i]!.diameter) / ((a[2] + b[2]) / 2);
      const line = (width: number, stroke: string, shift: number) =>
        `<line x1="${(a[0] + shift).toFixed(1)}" y1="${(a[1] + shift).toFixed(1)}" x2="${(b[0] + shift).toFixed(1)}" y2="${(b[1] + shift).toFixed(1)}" stroke="${stroke}" stroke-width="${width.toFixed(1)}" stroke-linecap="round"/>`;
      return {
        depth: (a[2] + b[2]) / 2,
        svg:
          line(wide * 1.05, '#3a2a1c', 3) + line(wide, tone, 0) + line(wide * 0.3, '#e2bd8d', -wide * 0.15),
      };
    });
  });
  const [left, right] = [-1, 1].map((side) => {
    const turn = ((bearing + 90 * side) * Math.PI) / 180;
    return [stem * Math.sin(turn), stem * Math.cos(turn)] as const;
  });
  const trunk: Seen[] = [
    camera([right![0], right![1], floor]),
    camera([left![0], left![1], floor]),
    camera([left![0] * 0.85, left![1] * 0.85, 1.1]),
    camera([right![0] * 0.85, right![1] * 0.85, 1.1]),
  ];
  const parts = [...roots, { depth: camera([0, 0, floor])[2] - stem, svg: polygon(trunk, '#5d4a3a') }].sort(
    (a, b) => b.depth - a.depth,
  );
  const sheet = withSheet ? sheetFor(bearing, floor).map(camera) : [];
  const svg = [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${PHOTO.width}" height="${PHOTO.height}">`,
    `<rect width="100%" height="100%" fill="#7d8f5a"/>`,
    polygon(ring(1.25, 0).map(camera), '#8f7a5c'),
    polygon(ring(1.05, floor).map(camera), '#5f4a35'),
    grain,
    withSheet ? polygon(sheet, '#f6f4ee') : '',
    ...parts.map((p) => p.svg),
    '<text x="24" y="1176" font-family="sans-serif" font-size="28" fill="#fff" opacity="0.8">made up, from the record of the dig</text>',
    '</svg>',
  ].join('');
  return {
    svg,
    bearing,
    sheet: sheet.map(([x, y]) => [x / PHOTO.width, y / PHOTO.height]),
  };
}
