import { assessTrenches, type Trenches, type TrenchesGiven } from '@undrel/core/trenching';

export type TrenchJob = TrenchesGiven & { id: number };
export type TrenchAnswer = { id: number; trenches: Trenches } | { id: number; problem: string };

self.onmessage = ({ data }: MessageEvent<TrenchJob>) => {
  const answer = (message: TrenchAnswer) => self.postMessage(message);
  try {
    answer({ id: data.id, trenches: assessTrenches(data) });
  } catch (error) {
    answer({ id: data.id, problem: error instanceof Error ? error.message : String(error) });
  }
};
