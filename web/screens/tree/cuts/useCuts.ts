'use client';

import { startTransition, useCallback, useEffect, useRef, useState } from 'react';
import type { CutAssessment, CutsBeside, CutsGiven, Way } from '@undrel/core/pruning';
import type { CutAnswer, CutJob } from '../../../workers/cuts';

export type CutPrice = Extract<CutsBeside, { price: unknown }>['price'];

export interface CutState {
  assessment: CutAssessment | undefined;
  alternatives: Way[];
  prices: CutPrice[];
  /** Whether the plan is from before the last entry: nothing is done with it then. */
  stale: boolean;
  /** The plan is being made; what is beside it still is. */
  working: boolean;
  pricing: boolean;
  /** Making it was stopped: what is shown is from before the last entry. */
  stopped: boolean;
  problem: string | undefined;
  cancel: () => void;
  again: () => void;
}

const BEGUN = {
  /** What the assessment was made from. */
  madeFrom: undefined as string | undefined,
  assessment: undefined as CutAssessment | undefined,
  alternatives: [] as Way[],
  prices: [] as CutPrice[],
  working: false,
  pricing: false,
  stopped: false,
  problem: undefined as string | undefined,
};

/** What is shown once the worker has told more. @param madeFrom what it was asked */
function told(before: typeof BEGUN, data: CutAnswer, madeFrom: string | undefined): typeof BEGUN {
  switch (data.state) {
    case 'plan':
      return {
        ...BEGUN,
        madeFrom,
        assessment: data.assessment,
        pricing: data.assessment.plan !== undefined,
      };
    case 'beside':
      return 'price' in data.beside
        ? { ...before, prices: [...before.prices, data.beside.price] }
        : { ...before, alternatives: data.beside.alternatives };
    case 'done':
      return { ...before, pricing: false };
    case 'failed':
      return { ...before, working: false, pricing: false, problem: data.problem };
  }
}

/** The cut plan, made in a worker; a newer entry is made instead of the one before. The last plan stays up meanwhile. */
export function useCuts(given: CutsGiven | undefined): CutState {
  const [state, setState] = useState(BEGUN);
  const [asked, setAsked] = useState(0);
  const worker = useRef<Worker | undefined>(undefined);
  const count = useRef(0);
  const asking = useRef<string | undefined>(undefined);
  const text = given && JSON.stringify(given);
  const cancel = useCallback(() => {
    worker.current?.terminate();
    worker.current = undefined;
    setState((before) => ({ ...before, working: false, pricing: false, stopped: true }));
  }, []);
  useEffect(
    () => () => {
      worker.current?.terminate();
      worker.current = undefined;
    },
    [],
  );
  useEffect(() => {
    if (text === undefined) return;
    const id = ++count.current;
    asking.current = text;
    if (!worker.current) {
      const made = new Worker(new URL('../../../workers/cuts.ts', import.meta.url), { type: 'module' });
      worker.current = made;
      made.onmessage = ({ data }: MessageEvent<CutAnswer>) => {
        if (data.id !== count.current) return;
        const madeFrom = asking.current;
        // What is pressed meanwhile is answered first.
        startTransition(() => setState((before) => told(before, data, madeFrom)));
      };
      made.onerror = (event) => {
        made.terminate();
        worker.current = undefined;
        setState((before) => ({
          ...before,
          working: false,
          pricing: false,
          problem: event.message || 'The program could not be fetched; the next entry tries again.',
        }));
      };
    }
    setState((before) => ({ ...before, working: true, stopped: false, problem: undefined }));
    worker.current.postMessage({ id, ...(JSON.parse(text) as CutsGiven) } satisfies CutJob);
  }, [text, asked]);
  return { ...state, stale: state.madeFrom !== text, cancel, again: () => setAsked((n) => n + 1) };
}
