import { bearingGap, wrapBearing } from './periodic';

/** How a phone is held, degrees, as the Device Orientation Event Specification (W3C) defines them. */
export interface Held {
  alpha: number;
  beta: number;
  gamma: number;
}

const RAD = Math.PI / 180;
/** From this tilt on a phone is held upright: what it points at is what its back faces. */
const UPRIGHT = 45;

/**
 * Bearing a phone points at, degrees clockwise from the north its sensor knows: of its top edge as it lies flat, of what its
 * back faces as it is held up.
 *
 * Held with the rotation R = Rz(alpha) Rx(beta) Ry(gamma) of the specification, the top edge is R(0, 1, 0) and the back faces
 * R(0, 0, -1), in metres east, north and up.
 */
export function headingOf({ alpha, beta, gamma }: Held): number {
  const [sa, ca] = [Math.sin(alpha * RAD), Math.cos(alpha * RAD)];
  const [sb, cb] = [Math.sin(beta * RAD), Math.cos(beta * RAD)];
  const [sc, cc] = [Math.sin(gamma * RAD), Math.cos(gamma * RAD)];
  const tilt = Math.asin(Math.min(1, Math.abs(sb))) / RAD;
  const [east, north] =
    tilt < UPRIGHT ? [-cb * sa, cb * ca] : [-ca * sc - sa * sb * cc, -sa * sc + ca * sb * cc];
  return wrapBearing(Math.atan2(east, north) / RAD);
}

/**
 * Mean of bearings on the circle and their circular standard deviation, degrees (Mardia and Jupp 2000, Directional
 * Statistics, section 2.3: the square root of -2 ln R).
 *
 * @throws RangeError without any bearing
 */
export function meanBearing(bearings: readonly number[]): { bearing: number; deviation: number } {
  if (bearings.length === 0) throw new RangeError('At least one bearing is needed.');
  const c = bearings.reduce((sum, b) => sum + Math.cos(b * RAD), 0) / bearings.length;
  const s = bearings.reduce((sum, b) => sum + Math.sin(b * RAD), 0) / bearings.length;
  const r = Math.min(1, Math.hypot(c, s));
  return {
    bearing: wrapBearing(Math.atan2(s, c) / RAD),
    deviation: Math.sqrt(Math.max(0, -2 * Math.log(Math.max(r, 1e-9)))) / RAD,
  };
}

/** What a phone's compass may be out by where the phone itself does not say, degrees. Common practice, no source. */
export const COMPASS_ERROR = 10;

/** A bearing read from a compass, degrees, with its error in 95 of 100. */
export interface CompassReading {
  bearing: number;
  error: number;
  /** From true north; else from magnetic north. */
  isTrue: boolean;
}

/**
 * A bearing from what a compass told over a second or two.
 *
 * @param headings degrees clockwise from magnetic north
 * @param accuracy what the phone says it may be out by, degrees
 * @param declination magnetic north east of true north, degrees, where it is known and wanted
 */
export function compassReading(
  headings: readonly number[],
  accuracy: number | undefined,
  declination: number | undefined,
): CompassReading {
  const { bearing, deviation } = meanBearing(headings);
  return {
    bearing: Math.round(wrapBearing(bearing + (declination ?? 0))) % 360,
    error: Math.round(Math.hypot(accuracy ?? COMPASS_ERROR, 2 * deviation)),
    isTrue: declination !== undefined,
  };
}

/** Whether a bearing with this error may as well belong to the sector beside its own, of sectors so wide; degrees. */
export const besideSector = (
  { bearing, error }: Pick<CompassReading, 'bearing' | 'error'>,
  width: number,
): boolean => bearingGap(bearing, Math.round(bearing / width) * width) + error > width / 2;
