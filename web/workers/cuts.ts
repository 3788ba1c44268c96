import { highsSolver, type Solver } from '@undrel/core/milp';
import highs from 'highs';
import { workCuts, type CutAssessment, type CutsBeside, type CutsGiven } from '@undrel/core/pruning';

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
    // One that could not be fetched is fetched again the next time.
    solver ??= highs()
      .then(highsSolver)
      .catch((error: unknown) => {
        solver = undefined;
        throw error;
      });
    const solve = await solver;
    await pause();
    if (newest !== id) return;
    const { assessment, beside } = workCuts(data, solve);
    answer({ id, state: 'plan', assessment });
    for (const found of beside) {
      answer({ id, state: 'beside', beside: found });
      await pause();
      if (newest !== id) return;
    }
    answer({ id, state: 'done' });
  } catch (error) {
    answer({ id, state: 'failed', problem: error instanceof Error ? error.message : String(error) });
  }
};
