import { releaseProxy, wrap, type Remote } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { CardsWork } from '../../workers/cards';

/** Looks at a picture beside the page: for its cards, or for the colour of leaves. It can be ended. */
export function useCards() {
  const worker = useRef<Worker | undefined>(undefined);
  const [looking, setLooking] = useState(false);
  const end = useCallback(() => {
    worker.current?.terminate();
    worker.current = undefined;
    setLooking(false);
  }, []);
  useEffect(() => end, [end]);
  const look = async <T>(asks: (work: Remote<CardsWork>) => Promise<T>): Promise<T | { problem: string }> => {
    end();
    const made = new Worker(new URL('../../workers/cards.ts', import.meta.url), { type: 'module' });
    worker.current = made;
    setLooking(true);
    const work = wrap<CardsWork>(made);
    const failed = new Promise<{ problem: string }>((settle) => {
      made.onerror = (event) => settle({ problem: event.message || 'The picture could not be read.' });
    });
    try {
      return await Promise.race([asks(work), failed]);
    } catch (error) {
      return { problem: error instanceof Error ? error.message : String(error) };
    } finally {
      work[releaseProxy]();
      if (worker.current === made) end();
    }
  };
  return { look, looking, end };
}
