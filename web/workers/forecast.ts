import type { Tree, Visit } from '@undrel/core/records';
import { forecastOf, type Forecast, type StemRate, type Scenario } from '@undrel/core/growth';
import { readDig } from '@undrel/core/roots';

export interface ForecastJob {
  id: number;
  tree: Tree;
  dig: NonNullable<Visit['dig']>;
  stem: StemRate;
  scenarios: Scenario[];
  draws: number;
  seed: number;
}

export type ForecastAnswer =
  | { id: number; state: 'working'; share: number }
  | { id: number; state: 'done'; forecast: Forecast }
  | { id: number; state: 'failed'; problem: string };

const answer = (message: ForecastAnswer) => self.postMessage(message);

self.onmessage = ({ data }: MessageEvent<ForecastJob>) => {
  try {
    const forecast = forecastOf(readDig(data.tree, data.dig), {
      draws: data.draws,
      seed: data.seed,
      stem: data.stem,
      barriers: data.dig.barriers ?? [],
      scenarios: data.scenarios,
      onProgress: (share) => {
        answer({ id: data.id, state: 'working', share });
        return true;
      },
    });
    if (forecast) answer({ id: data.id, state: 'done', forecast });
  } catch (error) {
    answer({ id: data.id, state: 'failed', problem: error instanceof Error ? error.message : String(error) });
  }
};
