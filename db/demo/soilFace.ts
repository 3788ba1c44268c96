import { seenBy, inShares, type Point, type Raster } from '@undrel/core/photogrammetry';
import type { SoilLayer } from '@undrel/core/records';
import { cameraFrom, grain, raysOf } from './renderer';
import { variation } from './series';

type Tone = readonly [number, number, number];
const TONES: Record<NonNullable<SoilLayer['colour']>, Tone> = {
  dark: [62, 48, 38],
  brown: [122, 90, 60],
  pale: [170, 148, 116],
  mottled: [128, 116, 92],
  grey: [126, 128, 126],
  mixed: [142, 112, 78],
};
const GRASS: Tone = [92, 118, 62];
const TAPE: Tone = [236, 222, 92];
const BLACK: Tone = [30, 30, 28];

/** The tape hangs here, m to the right of the middle, so wide, and so long from the grade down. */
const [TAPE_AT, TAPE_HALF, TAPE_LONG] = [0.12, 0.016, 0.7];
/** The layers of the face are told apart here, beside the tape. */
const BESIDE = 0.02;

/** A face of a pit with a tape hung down it, and where in the picture its ends, the grade and the ends of the layers are. */
export interface FacePhotograph {
  raster: Raster;
  tape: { from: Point; to: Point; length: number };
  face: Point[];
}

/**
 * The face of a pit as a camera before it sees it: layers as they were noted, the tape marked every ten centimetres.
 *
 * @param tilt by which the camera looks down, degrees
 */
export function facePhotograph(
  layers: readonly SoilLayer[],
  {
    tilt = 6,
    seed,
    width = 780,
    height = 1040,
  }: { tilt?: number; seed: number; width?: number; height?: number },
): FacePhotograph {
  const down = (tilt * Math.PI) / 180;
  const [away, middle] = [1.1, -0.3];
  const camera = cameraFrom([0, -away, middle + away * Math.tan(down)], [0, 0, middle], { bend: -0.01 });
  const eye = [0, -away, middle + away * Math.tan(down)] as const;
  const rays = raysOf(camera, width, height);
  const vary = variation(seed);
  const data = new Uint8ClampedArray(4 * width * height);
  const toneAt = (x: number, deep: number): Tone => {
    if (deep < 0) return GRASS;
    if (Math.abs(x - TAPE_AT) < TAPE_HALF && deep < TAPE_LONG)
      return deep % 0.1 < 0.006 || (deep % 0.1 < 0.05 && x > TAPE_AT + 0.008) ? BLACK : TAPE;
    const wavy = deep + 0.006 * Math.sin(9 * (x - BESIDE)) * Math.min(1, Math.abs(x - BESIDE) * 8);
    const layer = layers.find((l) => wavy < l.to);
    return TONES[layer?.colour ?? layers.at(-1)?.colour ?? 'brown'];
  };
  for (let at = 0; at < width * height; at++) {
    const far = -eye[1] / rays[3 * at + 1]!;
    const [x, deep] = [eye[0] + far * rays[3 * at]!, -(eye[2] + far * rays[3 * at + 2]!)];
    const tone = toneAt(x, deep);
    const rough = tone === TAPE || tone === BLACK ? 0 : 0.5;
    const by = 1 + rough * grain(3 * x, 3 * deep);
    for (let c = 0; c < 3; c++) data[4 * at + c] = tone[c]! * by + vary(4);
    data[4 * at + 3] = 255;
  }
  const seen = (x: number, deep: number): Point =>
    inShares({ width, height }, seenBy(camera, [x, 0, -deep])!);
  return {
    raster: { width, height, data },
    tape: { from: seen(TAPE_AT, 0), to: seen(TAPE_AT, TAPE_LONG), length: TAPE_LONG },
    face: [seen(BESIDE, 0), ...layers.map((l) => seen(BESIDE, l.to))],
  };
}
