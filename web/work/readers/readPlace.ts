import { monthDayProblem } from '@undrel/core/prescription';
import type { WeatherPlace } from '@undrel/core/records';
import { coordinate } from './coordinate';

/** Where grounds lie as it was typed, or the field that is wrong. */
export function readPlace(typed: unknown): { place: WeatherPlace } | { problem: string } {
  const { latitude, longitude, lastFrost, firstFrost } = (typed ?? {}) as Record<string, unknown>;
  const north = coordinate('Latitude', latitude);
  if ('problem' in north) return north;
  const east = String(longitude ?? '').trim() === '' ? undefined : coordinate('Longitude', longitude);
  if (east && 'problem' in east) return east;
  const day = (name: string, value: unknown) => {
    const text = String(value ?? '').trim();
    return text === '' ? undefined : (monthDayProblem(name, text) ?? { day: text });
  };
  const [last, first] = [day('Last frost', lastFrost), day('First frost', firstFrost)];
  for (const read of [last, first]) if (typeof read === 'string') return { problem: read };
  const dayOf = (read: typeof last) => (typeof read === 'object' ? read.day : undefined);
  if ((dayOf(last) === undefined) !== (dayOf(first) === undefined))
    return { problem: 'Last and first frost: note both, or none where there is no frost.' };
  return {
    place: {
      latitude: north.degrees,
      ...(east && { longitude: east.degrees }),
      ...(last && first && { lastFrost: dayOf(last)!, firstFrost: dayOf(first)! }),
    },
  };
}
