import highs from 'highs';
import {
  assessCuts,
  cutsBeside,
  highsSolver,
  type CutAssessment,
  type CutsBeside,
  type CutsGiven,
  type Solver,
} from '@undrel/core/pruning';

export type CutJob = CutsGiven & { id: number };
export type CutAnswer =
  | { id: number; state: 'plan'; assessment: CutAssessment }
  | { id: number; state: 'beside'; beside: CutsBeside }
  | { id: number; state: 'done' }
  | { id: number; state: 'failed'; problem: string };

const answer = (message: CutAnswer) => self.postMessage(message);
/** Lets what came in meanwhile be read. */
const pause = () => new Promise((go) => setTimeout(go, 0));

let solver: Promise<Solver> | undefined;
let newest = 0;

self.onmessage = async ({ data }: MessageEvent<CutJob>) => {
  const { id } = data;
  newest = id;
  try {
    solver ??= highs().then(highsSolver);
    const solve = await solver;
    await pause();
    if (newest !== id) return;
    answer({ id, state: 'plan', assessment: assessCuts(data, solve) });
    for (const beside of cutsBeside(data, solve)) {
      answer({ id, state: 'beside', beside });
      await pause();
      if (newest !== id) return;
    }
    answer({ id, state: 'done' });
  } catch (error) {
    answer({ id, state: 'failed', problem: error instanceof Error ? error.message : String(error) });
  }
};
