import { releaseProxy, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { SeenMarker } from '@undrel/core/photogrammetry';
import { pictureUrl } from '../../protocol/pictureUrl';
import type { CardsWork } from '../../workers/cards';

/** Looks for the cards in a picture, beside the page; it can be ended. */
export function useCards() {
  const worker = useRef<Worker | undefined>(undefined);
  const [looking, setLooking] = useState(false);
  const end = useCallback(() => {
    worker.current?.terminate();
    worker.current = undefined;
    setLooking(false);
  }, []);
  useEffect(() => end, [end]);
  const find = async (hash: string): Promise<SeenMarker[] | { problem: string }> => {
    end();
    const made = new Worker(new URL('../../workers/cards.ts', import.meta.url), { type: 'module' });
    worker.current = made;
    setLooking(true);
    const work = wrap<CardsWork>(made);
    const failed = new Promise<{ problem: string }>((settle) => {
      made.onerror = (event) => settle({ problem: event.message || 'The cards could not be looked for.' });
    });
    try {
      return await Promise.race([work.find(pictureUrl(hash, 'page')), failed]);
    } catch (error) {
      return { problem: error instanceof Error ? error.message : String(error) };
    } finally {
      work[releaseProxy]();
      if (worker.current === made) end();
    }
  };
  return { find, looking, end };
}
