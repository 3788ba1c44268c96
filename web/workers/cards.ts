import { readMarkers } from '@undrel/core/markers';
import type { SeenMarker } from '@undrel/core/photogrammetry';
import { expose } from 'comlink';
import { pixelsOf } from './pixels';

/** Finds the cards in a picture. */
const work = {
  find: async (url: string): Promise<SeenMarker[]> => readMarkers(await pixelsOf(url)),
};
export type CardsWork = typeof work;

expose(work);
