import type { Assessment } from '@undrel/core/assessment';
import { situation } from '@undrel/core/prescription';
import type { StationProps } from '../visitEntry';

/**
 * Verdict and prescription as they were weighed in the worker; undefined until then. They are weighed nowhere else: not
 * where pages are drawn, on the server or the device.
 */
export function judgedOf({
  judged,
  tree,
  events,
  visit,
  profile,
  house,
}: StationProps): Assessment | undefined {
  // It has functions, which no worker can hand over.
  return judged && { ...judged, situation: situation(tree, events, visit, profile, judged.verdict, house) };
}
