'use client';

import { wrap, type Remote } from 'comlink';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { PlanSquare, Point, TakenFrom, TracedPoint } from '@undrel/core/photogrammetry';
import type { Dig, Picture, Tree } from '@undrel/core/records';
import type { LiesThere, UnderlayWork } from '../../../workers/underlay';

/** Half the side of the ground that is laid under the plan, m, and pixels for a metre of it. */
const SQUARE: PlanSquare = { x: 0, y: 0, half: 1, scale: 800 };
/** Entries wait this long before the picture is laid anew. */
const PAUSE_MS = 250;

/** The worker, and what ends all that is waited for when it fails. */
interface Beneath {
  raw: Worker;
  work: Remote<UnderlayWork>;
  failed: Promise<never>;
}
const NOT_LAID = 'The picture could not be placed under the plan. Open the page again.';

export interface Underlay {
  /** Pictures with cards that lie on the plan, or why they do not. */
  lies: readonly LiesThere[];
  /** The picture under the plan; undefined where none is chosen or it is not ready. */
  under: { href: string; square: PlanSquare } | undefined;
  working: boolean;
  problem: string | undefined;
  /** A root between two touches; undefined where no picture shows it. */
  follow: (
    from: Point,
    to: Point,
    top: number | undefined,
    before: number | undefined,
  ) => Promise<{ hash: string; points: TracedPoint[] } | undefined>;
  /** From where a picture was taken. */
  takenFrom: (hash: string) => TakenFrom | undefined;
}

/** Begins the worker; when it fails, the next work begins another. */
function begun(worker: { current: Beneath | undefined }): Beneath {
  const raw = new Worker(new URL('../../../workers/underlay.ts', import.meta.url), { type: 'module' });
  const failed = new Promise<never>((_, fail) => {
    raw.onerror = ({ message }) => {
      worker.current = undefined;
      fail(new Error(message || NOT_LAID));
    };
  });
  // Who waits is told; that nobody does at the moment is no fault.
  failed.catch(() => undefined);
  return { raw, work: wrap<UnderlayWork>(raw), failed };
}

/** How pictures with cards lie on the plan; the worker is begun with the first of them. */
function useLies(
  worker: { current: Beneath | undefined },
  pictures: readonly Picture[],
  tree: Tree,
  dig: Dig,
  onProblem: (problem: string) => void,
): readonly LiesThere[] {
  const [lies, setLies] = useState<readonly LiesThere[]>([]);
  const withCards = useMemo(() => pictures.filter((p) => p.cards), [pictures]);
  // Roots do not move a picture: the stem alone ties it to the plan.
  const stem = useMemo(() => JSON.stringify({ ...dig, roots: [] } satisfies Dig), [dig]);
  useEffect(() => {
    if (withCards.length === 0) return setLies([]);
    const { work, failed } = (worker.current ??= begun(worker));
    let here = true;
    Promise.race([work.tie(withCards, tree, JSON.parse(stem) as Dig), failed]).then(
      (told) => here && setLies(told),
      (error: Error) => here && onProblem(error.message),
    );
    return () => {
      here = false;
    };
  }, [worker, withCards, tree, stem, onProblem]);
  return lies;
}

/** The chosen pictures laid under the plan, as the address of one picture; undefined until they are. */
function useLaid(
  worker: { readonly current: Beneath | undefined },
  chosen: readonly string[],
  depth: number | undefined,
  lies: readonly LiesThere[],
  onProblem: (problem: string | undefined) => void,
): { href: string | undefined; working: boolean } {
  const [href, setHref] = useState<string | undefined>(undefined);
  const [working, setWorking] = useState(false);
  const wanted = chosen.join(' ');
  useEffect(() => {
    if (wanted === '' || depth === undefined || !worker.current || lies.length === 0)
      return setHref(undefined);
    let here = true;
    setWorking(true);
    const timer = setTimeout(() => {
      const { work, failed } = worker.current ?? {};
      if (!work || !failed) return onProblem(NOT_LAID);
      Promise.race([work.lay(wanted.split(' '), SQUARE, depth), failed])
        .then(
          (blob) => {
            if (!here) return;
            onProblem(undefined);
            setHref(blob && URL.createObjectURL(blob));
          },
          (error: Error) => here && onProblem(error.message),
        )
        .finally(() => here && setWorking(false));
    }, PAUSE_MS);
    return () => {
      here = false;
      clearTimeout(timer);
      setWorking(false);
    };
  }, [worker, wanted, depth, lies, onProblem]);
  useEffect(
    () => () => {
      if (href) URL.revokeObjectURL(href);
    },
    [href],
  );
  return { href, working };
}

/** Pictures with cards beneath the plan of a dig; worked out beside the page. Nothing is begun where there are none. */
export function useUnderlay(
  pictures: readonly Picture[],
  tree: Tree,
  dig: Dig,
  chosen: readonly string[],
  depth: number | undefined,
): Underlay {
  const worker = useRef<Beneath | undefined>(undefined);
  const [problem, setProblem] = useState<string | undefined>(undefined);
  useEffect(
    () => () => {
      worker.current?.raw.terminate();
      worker.current = undefined;
    },
    [],
  );
  const lies = useLies(worker, pictures, tree, dig, setProblem);
  const { href, working } = useLaid(worker, chosen, depth, lies, setProblem);
  return {
    lies,
    under: useMemo(() => (href ? { href, square: SQUARE } : undefined), [href]),
    working,
    problem,
    follow: async (from, to, top, before) => {
      const { work, failed } = worker.current ?? {};
      return work && failed && Promise.race([work.follow(from, to, top, before), failed]);
    },
    takenFrom: (hash) => {
      const there = lies.find((l) => l.hash === hash);
      return there && 'eye' in there ? there : undefined;
    },
  };
}
