import { lengthOfRound, shortestRound } from '../geometry';
import { CREW_DAYS } from '../practice/crewDays';

/** How long it takes from the yard to the grounds and between them. */
export interface Drives {
  /** Grounds whose place is known. */
  grounds: readonly string[];
  /** Hours of driving, each way alike: row and column 0 are the yard, then the grounds in their order. */
  hours: readonly (readonly number[])[];
}

/** Hours of a day that go into travel, by the grounds that are worked on. */
export type Travel = (grounds: ReadonlySet<string>) => number;

/**
 * Travel of a day: setting up on each of the grounds, and the shortest round from the yard through them and back. Where
 * places are not known each of the grounds takes a fixed time.
 */
export function travelBy(drives: Drives | undefined): Travel {
  if (!drives) return (grounds) => CREW_DAYS.travel.value * grounds.size;
  const place = new Map(drives.grounds.map((g, i) => [g, i + 1]));
  const known = new Map<string, number>();
  return (grounds) => {
    const placed = [...grounds].flatMap((g) => place.get(g) ?? []).sort((a, b) => a - b);
    const key = placed.join();
    let drive = known.get(key);
    if (drive === undefined) {
      const stops = [0, ...placed];
      const way = (a: number, b: number) => drives.hours[stops[a]!]![stops[b]!]!;
      drive = lengthOfRound(shortestRound(stops.length, way), way);
      known.set(key, drive);
    }
    return (
      drive + CREW_DAYS.setUp.value * placed.length + CREW_DAYS.travel.value * (grounds.size - placed.length)
    );
  };
}

/**
 * What one of the grounds adds to the travel of any day at the least: setting up, and half of its two shortest drives, of
 * which the one to the yard may be driven twice.
 */
export function leastTravel(drives: Drives | undefined, grounds: string): number {
  const at = drives ? drives.grounds.indexOf(grounds) + 1 : 0;
  if (!drives || at === 0) return CREW_DAYS.travel.value;
  const own = drives.hours[at]!;
  const others = own.filter((_, i) => i !== at).sort((a, b) => a - b);
  return CREW_DAYS.setUp.value + Math.min(own[0]!, ((others[0] ?? 0) + (others[1] ?? others[0] ?? 0)) / 2);
}

const EARTH_KM = 6371;
const RADIAN = Math.PI / 180;

/** A place on the earth, degrees. */
export interface Place {
  latitude: number;
  longitude: number;
}

/** Distance over the ground by the formula of haversines, km. */
export function kmBetween(a: Place, b: Place): number {
  const half = (x: number) => Math.sin(x / 2) ** 2;
  const h =
    half((b.latitude - a.latitude) * RADIAN) +
    Math.cos(a.latitude * RADIAN) *
      Math.cos(b.latitude * RADIAN) *
      half((b.longitude - a.longitude) * RADIAN);
  return 2 * EARTH_KM * Math.asin(Math.min(1, Math.sqrt(h)));
}

/** Drives between a yard and grounds by their places: roads are longer than the straight line, and vans slower than their limit. */
export function drivesBetween(yard: Place, grounds: readonly (Place & { id: string })[]): Drives {
  const places = [yard, ...grounds];
  return {
    grounds: grounds.map((g) => g.id),
    hours: places.map((a) =>
      places.map((b) => (kmBetween(a, b) * CREW_DAYS.detour.value) / CREW_DAYS.speed.value),
    ),
  };
}
