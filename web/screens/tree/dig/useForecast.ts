'use client';

import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Dig, Tree } from '@undrel/core/records';
import type { Forecast, StemRate, Scenario } from '@undrel/core/growth';
import { FORECAST_DRAWS, FORECAST_SEED } from '@undrel/core/pruning';
import type { ForecastAnswer, ForecastJob } from '../../../workers/forecast';

/** Entries wait this long before the forecast is made anew. */
const PAUSE_MS = 400;

/** Share of the work done, told to those who show it: the page need not be made anew at every step. */
export class Progress {
  #share = 0;
  #shown = new Set<() => void>();
  readonly get = (): number => this.#share;
  readonly subscribe = (show: () => void): (() => void) => {
    this.#shown.add(show);
    return () => this.#shown.delete(show);
  };
  set(share: number): void {
    this.#share = share;
    for (const show of this.#shown) show();
  }
}

export interface ForecastState {
  forecast: Forecast | undefined;
  working: boolean;
  progress: Progress;
  problem: string | undefined;
  cancel: () => void;
  again: () => void;
}

/** The forecast of a dig, made in a worker; an entry meanwhile ends the old one and begins anew. */
export function useForecast(
  tree: Tree,
  dig: Dig | undefined,
  stem: StemRate,
  scenarios: readonly Scenario[],
): ForecastState {
  const [forecast, setForecast] = useState<Forecast | undefined>(undefined);
  const [working, setWorking] = useState(false);
  const [progress] = useState(() => new Progress());
  const [problem, setProblem] = useState<string | undefined>(undefined);
  const [asked, setAsked] = useState(0);
  const worker = useRef<Worker | undefined>(undefined);
  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = undefined;
    setWorking(false);
  }, []);
  const job = useMemo(() => JSON.stringify({ tree, dig, stem, scenarios }), [tree, dig, stem, scenarios]);
  const drawn = (dig?.roots.length ?? 0) > 0;
  useEffect(() => {
    if (!drawn) {
      setForecast(undefined);
      return;
    }
    const timer = setTimeout(() => {
      setProblem(undefined);
      progress.set(0);
      setWorking(true);
      const made = new Worker(new URL('../../../workers/forecast.ts', import.meta.url), { type: 'module' });
      worker.current = made;
      made.onmessage = ({ data }: MessageEvent<ForecastAnswer>) => {
        if (data.state === 'working') progress.set(data.share);
        else {
          made.terminate();
          // What is pressed meanwhile is answered first.
          startTransition(() => {
            if (data.state === 'done') setForecast(data.forecast);
            else setProblem(data.problem);
            setWorking(false);
          });
        }
      };
      made.onerror = (event) => {
        setProblem(event.message || 'The forecast could not be made.');
        setWorking(false);
      };
      made.postMessage({
        id: asked,
        ...(JSON.parse(job) as object),
        draws: FORECAST_DRAWS,
        seed: FORECAST_SEED,
      } as ForecastJob);
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      stop();
    };
  }, [job, drawn, asked, stop, progress]);
  return { forecast, working, progress, problem, cancel: stop, again: () => setAsked((n) => n + 1) };
}
