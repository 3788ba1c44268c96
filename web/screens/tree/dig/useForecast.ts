'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { Dig, Tree } from '@undrel/core/casefile';
import type { Forecast, StemRate, Scenario } from '@undrel/core/growth';
import { FORECAST_DRAWS, FORECAST_SEED } from '@undrel/core/pruning';
import type { ForecastAnswer, ForecastJob } from '../../../workers/forecast';

/** Entries wait this long before the forecast is made anew. */
const PAUSE_MS = 400;

export interface ForecastState {
  forecast: Forecast | undefined;
  /** Share of the work done while it runs; undefined when it does not. */
  working: number | undefined;
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
  const [working, setWorking] = useState<number | undefined>(undefined);
  const [problem, setProblem] = useState<string | undefined>(undefined);
  const [asked, setAsked] = useState(0);
  const worker = useRef<Worker | undefined>(undefined);
  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = undefined;
    setWorking(undefined);
  }, []);
  const job = JSON.stringify({ tree, dig, stem, scenarios });
  const drawn = (dig?.roots.length ?? 0) > 0;
  useEffect(() => {
    if (!drawn) {
      setForecast(undefined);
      return;
    }
    const timer = setTimeout(() => {
      setProblem(undefined);
      setWorking(0);
      const made = new Worker(new URL('../../../workers/forecast.ts', import.meta.url), { type: 'module' });
      worker.current = made;
      made.onmessage = ({ data }: MessageEvent<ForecastAnswer>) => {
        if (data.state === 'working') setWorking(data.share);
        else {
          if (data.state === 'done') setForecast(data.forecast);
          else setProblem(data.problem);
          made.terminate();
          setWorking(undefined);
        }
      };
      made.onerror = (event) => {
        setProblem(event.message || 'The forecast could not be made.');
        setWorking(undefined);
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
  }, [job, drawn, asked, stop]);
  return { forecast, working, problem, cancel: stop, again: () => setAsked((n) => n + 1) };
}
