import { isStressed } from '../pruning';
import type { House } from '../house';
import type { Site, Tree, Visit } from '../records';
import type { TrenchesGiven } from '../trenching';

/** What the trenches of a visit follow from; undefined where none were laid out, or nothing is known of the site. */
export const trenchesGiven = (
  tree: Tree,
  visit: Visit,
  site: Site | undefined,
  house: House = {},
): TrenchesGiven | undefined =>
  visit.trenches &&
  site && {
    tree,
    date: visit.date,
    findings: visit.findings,
    design: visit.trenches,
    dig: visit.dig,
    pushes: visit.pushes,
    site,
    firm: house,
    stressed: isStressed(visit),
  };
