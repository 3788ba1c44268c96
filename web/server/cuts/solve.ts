import type { CutAssessment, CutsGiven } from '@undrel/core/pruning';
import { threadOf } from '../thread';

/** The best cut plan, solved in a thread of its own. */
export const solveCuts = threadOf<CutsGiven, CutAssessment>('cuts.mjs');
