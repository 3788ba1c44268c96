import highs from 'highs';
import { assessCuts, highsSolver, type CutAssessment, type CutsGiven } from '@undrel/core/pruning';
import { answering } from './answering';

const solver = highs().then(highsSolver);

/** Solves cut plans one after the other, beside the thread that answers requests. */
answering<CutsGiven, CutAssessment>(async (given) => assessCuts(given, await solver));
