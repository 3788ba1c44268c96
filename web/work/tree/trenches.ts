import { keeping } from '@undrel/core/kept';
import { trenchesGiven } from '@undrel/core/assessment';
import { assessTrenches, type Trenches } from '@undrel/core/trenching';
import type { ReportSource } from './source';

/** Layouts of as many visits stay laid out. */
const LAYOUTS_KEPT = 30;
const trenches = keeping<Trenches>(LAYOUTS_KEPT);

/** The trenches that were laid out on the visit; undefined where none were. */
export function trenchesKept({ tree, visit, site, schools }: ReportSource): Trenches | undefined {
  const given = trenchesGiven(tree, visit, site, schools);
  return given && trenches(given, () => assessTrenches(given));
}

/** Spokes that were locked by hand and cannot be dug, with what stands in their way: an anchor root, a line, a building. */
export const refusedSpokes = (source: ReportSource): string[] =>
  (trenchesKept(source)?.plan.layout.refused ?? []).map(
    ({ bearing, why }) => `A trench at ${Math.round(bearing)}° is locked and cannot be dug: ${why}.`,
  );
