/** Where something lies by satellite: degrees, south and west below zero, and the radius in m that holds it in 95 of 100. */
export interface Fix {
  latitude: number;
  longitude: number;
  accuracy: number;
}

/** Place on a property's plan, m: x east, y north of its own origin. */
export interface OnPlan {
  x: number;
  y: number;
}

/** A place on the plan whose position was read as well. `error` is set where the place itself came from a position. */
export interface Tie extends OnPlan {
  fix: Fix;
  error?: number;
}

/** WGS 84 (NIMA TR8350.2, 2000): equatorial radius, m, and the first eccentricity squared. */
const A = 6_378_137;
const E2 = 6.694_379_990_14e-3;
const RAD = Math.PI / 180;
/** No phone knows its place better, m. */
const LEAST = 1;

/**
 * Length of one degree on the ellipsoid WGS 84, m: of latitude by the meridian's radius of curvature, of longitude by that
 * of the prime vertical times the cosine of the latitude.
 *
 * @param latitude degrees
 */
export function metresPerDegree(latitude: number): { north: number; east: number } {
  const s2 = Math.sin(latitude * RAD) ** 2;
  const w = Math.sqrt(1 - E2 * s2);
  return {
    north: (RAD * (A * (1 - E2))) / w ** 3,
    east: ((RAD * A) / w) * Math.cos(latitude * RAD),
  };
}

/** The difference of two longitudes, -180 to 180 degrees: a property may lie across the date line. */
const between = (from: number, to: number): number => ((((to - from + 180) % 360) + 360) % 360) - 180;

/** Metres east and north from one position to another; for distances of a property, not of a country. */
function metresFrom(from: Omit<Fix, 'accuracy'>, to: Omit<Fix, 'accuracy'>): OnPlan {
  const { north, east } = metresPerDegree((from.latitude + to.latitude) / 2);
  return {
    x: between(from.longitude, to.longitude) * east,
    y: (to.latitude - from.latitude) * north,
  };
}

/**
 * Where the origin of a plan lies, from places on it whose positions were read: their mean, weighted by one over the square
 * of their errors. Its error is that of the weighted mean, widened by the Birge ratio (1932) where the ties disagree by more
 * than their errors tell.
 *
 * Places that themselves came from a position tell nothing new: only where there are no others does the best of them stand
 * for the origin.
 *
 * @returns undefined where no position was read on the plan
 */
export function originOf(ties: readonly Tie[]): Fix | undefined {
  const known = ties.filter((t) => t.error === undefined);
  const least = (t: Tie) => t.error ?? t.fix.accuracy;
  const used =
    known.length > 0
      ? known
      : [...ties]
          .sort((a, b) => least(a) - least(b) || Math.hypot(a.x, a.y) - Math.hypot(b.x, b.y))
          .slice(0, 1);
  const first = used[0];
  if (!first) return undefined;
  // Each tie puts the first tie's position somewhere; all in metres about that position.
  const seen = used.map((t) => {
    const at = metresFrom(first.fix, t.fix);
    const error = Math.max(LEAST, t.fix.accuracy);
    return { x: at.x - t.x, y: at.y - t.y, error, weight: 1 / error ** 2 };
  });
  const weights = seen.reduce((sum, s) => sum + s.weight, 0);
  const mean = {
    x: seen.reduce((sum, s) => sum + s.weight * s.x, 0) / weights,
    y: seen.reduce((sum, s) => sum + s.weight * s.y, 0) / weights,
  };
  // The error is that of a circle in 95 of 100; one axis of it is a 2.45th (chi-square of two, 5.99).
  const chi2 = seen.reduce(
    (sum, s) => sum + ((s.x - mean.x) ** 2 + (s.y - mean.y) ** 2) / (s.error / Math.sqrt(5.991)) ** 2,
    0,
  );
  const birge = seen.length > 1 ? Math.sqrt(Math.max(1, chi2 / (2 * (seen.length - 1)))) : 1;
  const { north, east } = metresPerDegree(first.fix.latitude);
  return {
    latitude: first.fix.latitude + mean.y / north,
    longitude: first.fix.longitude + mean.x / east,
    accuracy: birge / Math.sqrt(weights),
  };
}

/**
 * Where a position lies on a plan.
 *
 * @param origin see {@link originOf}
 * @returns m on the plan, and the radius that holds it in 95 of 100: that of the position and that of the origin together
 */
export function placeOf(origin: Fix, fix: Fix): OnPlan & { error: number } {
  return { ...metresFrom(origin, fix), error: Math.hypot(fix.accuracy, origin.accuracy) };
}

/** What a position read at a tree makes of its place on the plan. */
export type PlacedBy =
  /** The place it gives, and how far that is from the place the tree has, m. */
  | { kind: 'place'; position: OnPlan & { error: number }; off: number | undefined }
  /** The tree has a place and the plan had no tie: this is the first. */
  | { kind: 'tie' }
  /** There are trees on the plan, but none whose position was read. */
  | { kind: 'untied' };

/**
 * @param place of the tree itself, where it has one
 * @param ties of the other trees of its plan
 * @param anyPlaced whether any other tree has a place
 */
export function placedBy(
  fix: Fix,
  place: OnPlan | undefined,
  ties: readonly Tie[],
  anyPlaced: boolean,
): PlacedBy {
  const origin = originOf(ties);
  if (origin) {
    const position = placeOf(origin, fix);
    return { kind: 'place', position, off: place && Math.hypot(position.x - place.x, position.y - place.y) };
  }
  if (place) return { kind: 'tie' };
  if (anyPlaced) return { kind: 'untied' };
  return { kind: 'place', position: { x: 0, y: 0, error: fix.accuracy }, off: undefined };
}
