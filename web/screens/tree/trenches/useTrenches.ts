'use client';

import { startTransition, useEffect, useMemo, useRef, useState } from 'react';
import { isStressed } from '@undrel/core/pruning';
import type { TrenchDesign } from '@undrel/core/records';
import type { Trenches } from '@undrel/core/trenching';
import type { StationProps } from '../visitEntry';
import type { TrenchAnswer, TrenchJob } from '../../../workers/trenches';

export interface TrenchState {
  trenches: Trenches | undefined;
  /** An entry is being worked in. */
  working: boolean;
  problem: string | undefined;
}

/**
 * The trenches laid out in a worker. While one layout is made only the newest entry waits; the last layout stays up
 * until the next.
 */
function useTrenches(job: Omit<TrenchJob, 'id'>): TrenchState {
  const [state, setState] = useState<TrenchState>({
    trenches: undefined,
    working: true,
    problem: undefined,
  });
  const worker = useRef<Worker | undefined>(undefined);
  const waiting = useRef<TrenchJob | undefined>(undefined);
  const busy = useRef(false);
  const count = useRef(0);
  const text = JSON.stringify(job);
  useEffect(
    () => () => {
      worker.current?.terminate();
      worker.current = undefined;
      busy.current = false;
    },
    [],
  );
  useEffect(() => {
    waiting.current = { id: ++count.current, ...(JSON.parse(text) as Omit<TrenchJob, 'id'>) };
    const send = () => {
      if (busy.current || !waiting.current || !worker.current) return;
      busy.current = true;
      worker.current.postMessage(waiting.current);
      waiting.current = undefined;
    };
    if (!worker.current) {
      const made = new Worker(new URL('../../../workers/trenches.ts', import.meta.url), { type: 'module' });
      worker.current = made;
      made.onmessage = ({ data }: MessageEvent<TrenchAnswer>) => {
        busy.current = false;
        const working = waiting.current !== undefined;
        // What is pressed meanwhile is answered first.
        startTransition(() =>
          setState((before) =>
            'problem' in data
              ? { ...before, working, problem: data.problem }
              : { trenches: data.trenches, working, problem: undefined },
          ),
        );
        send();
      };
      made.onerror = (event) => {
        made.terminate();
        worker.current = undefined;
        busy.current = false;
        setState((before) => ({
          ...before,
          working: false,
          problem: event.message || 'The program could not be fetched; the next entry tries again.',
        }));
      };
    }
    setState((before) => (before.working ? before : { ...before, working: true }));
    send();
  }, [text]);
  return state;
}

/** The trenches of a visit, as they are designed. */
export function useLaidOut(
  { tree, visit, site, house }: Pick<StationProps, 'tree' | 'visit' | 'site' | 'house'>,
  design: TrenchDesign,
): TrenchState {
  const stressed = useMemo(() => isStressed(visit), [visit]);
  return useTrenches({
    tree,
    date: visit.date,
    findings: visit.findings,
    design,
    dig: visit.dig,
    pushes: visit.pushes,
    site,
    firm: house,
    stressed,
  });
}
