import { readMarkers } from '@undrel/core/markers';
import { leafColourOf, planeIn, type LeafColour, type SeenMarker } from '@undrel/core/photogrammetry';
import type { Picture } from '@undrel/core/records';
import { expose } from 'comlink';
import { pictureUrl } from '../protocol/pictureUrl';
import { pixelsOf } from './pixels';

/** Finds the cards in a picture, and tells the colour of leaves on the leaf sheet. */
const work = {
  find: async (hash: string): Promise<SeenMarker[]> => readMarkers(await pixelsOf(pictureUrl(hash, 'page'))),
  leaves: async (picture: Picture): Promise<LeafColour | { problem: string }> => {
    const plane = planeIn(picture);
    if (!plane) return { problem: 'Find the cards first.' };
    return 'problem' in plane ? plane : leafColourOf(await pixelsOf(pictureUrl(picture.hash, 'page')), plane);
  },
};
export type CardsWork = typeof work;

expose(work);
