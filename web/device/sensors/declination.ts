import type { Fix } from '@undrel/core/geometry';

const KEPT = 'undrel.declination';

export interface Declination {
  /** Magnetic north east of true north, degrees. */
  degrees: number;
  /** Day it was worked out, ISO. */
  on: string;
}

/** Declination where this device last read its position. */
export function keptDeclination(): Declination | undefined {
  try {
    const kept = JSON.parse(localStorage.getItem(KEPT) ?? 'null') as Declination | null;
    return kept && Number.isFinite(kept.degrees) ? kept : undefined;
  } catch {
    return undefined;
  }
}

/** Declination by the World Magnetic Model (NOAA and BGS) of the years it is made for, or of the nearest. */
export async function declinationAt({ latitude, longitude }: Fix, on: Date): Promise<number> {
  const { default: geomagnetism } = await import('geomagnetism');
  return geomagnetism.model(on, { allowOutOfBoundsModel: true }).point([latitude, longitude]).decl;
}

/**
 * Works the declination out and keeps it for the next bearing, where the device keeps anything.
 *
 * @returns undefined where the model is not on this device and cannot be had
 */
export async function keepDeclination(fix: Fix): Promise<Declination | undefined> {
  const on = new Date();
  const degrees = await declinationAt(fix, on).catch(() => undefined);
  if (degrees === undefined) return undefined;
  const kept = { degrees: Math.round(degrees * 10) / 10, on: on.toISOString().slice(0, 10) };
  try {
    localStorage.setItem(KEPT, JSON.stringify(kept));
  } catch {
    // It serves this once.
  }
  return kept;
}
