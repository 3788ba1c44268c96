import type { CutAssessment, CutsGiven } from '@undrel/core/pruning';
import { ALONE, beside, type Asker } from '../beside';

/** The best cut plan, solved beside the server. */
export const solveCuts = (given: CutsGiven, asker: Asker = ALONE): Promise<CutAssessment> =>
  beside('cutPlan', given, asker);
