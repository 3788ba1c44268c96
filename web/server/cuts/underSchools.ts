import { MATTERS, schoolFor } from '@undrel/core/practice';
import { planDifference, type CutsGiven } from '@undrel/core/pruning';
import { SCHOOLS_OF_CUTS, type CutsUnder } from '../../protocol/cutsUnder';
import type { Asker } from '../beside';
import { solveCuts } from './solve';

/** The best cut plan under every school that bears on it, beside the one under the schools followed. */
export async function cutsUnderSchools(given: CutsGiven, asker: Asker): Promise<CutsUnder> {
  const now = await solveCuts(given, asker);
  const under: CutsUnder = {};
  for (const matter of MATTERS.filter((m) => SCHOOLS_OF_CUTS.includes(m.key))) {
    const inForce = schoolFor(matter.key, given.firm, given.tree.schools);
    for (const school of matter.schools.filter((s) => s.key !== inForce.key)) {
      const schools = { ...given.tree.schools, [matter.key]: school.key };
      const other = await solveCuts({ ...given, tree: { ...given.tree, schools } }, asker);
      (under[matter.key] ??= {})[school.key] = planDifference(now, other);
    }
  }
  return under;
}
