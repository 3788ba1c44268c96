import highs from 'highs';
import { planCrewDays, type CrewDays, type CrewProblem } from '@undrel/core/crewDays';
import { highsSolver, type Solver } from '@undrel/core/milp';

export type CrewDaysJob = { id: number; problem: CrewProblem };
export type CrewDaysAnswer = { id: number } & ({ days: CrewDays } | { failed: string });

let solver: Promise<Solver> | undefined;

self.onmessage = async ({ data: { id, problem } }: MessageEvent<CrewDaysJob>) => {
  const answer = (message: CrewDaysAnswer) => self.postMessage(message);
  try {
    // Without a solver the days are packed all the same, and the gap is told.
    solver ??= highs()
      .then(highsSolver)
      .catch((error: unknown) => {
        solver = undefined;
        throw error;
      });
    const solve = await solver.catch(() => undefined);
    answer({ id, days: planCrewDays(problem, solve) });
  } catch (error) {
    answer({ id, failed: error instanceof Error ? error.message : String(error) });
  }
};
