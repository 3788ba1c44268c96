import { keepingMade } from '@undrel/core/kept';
import type { CaseText, newestGlance } from '../../work/tree/loadedCase';
import { beside, type Asker } from '../beside';
import { digestOf } from '../digestOf';

/** How many are kept. */
const MOST = 5_000;
interface Kept {
  glance: ReturnType<typeof newestGlance>;
}
// Kept by the process: a module that is loaded twice shares what is worked out.
const shared = globalThis as typeof globalThis & { undrelGlances?: ReturnType<typeof keepingMade<Kept>> };
const glances = (shared.undrelGlances ??= keepingMade<Kept>(MOST, () => 1));

/**
 * The newest visit's verdict and prescription in figures, worked out beside the server: once, while nothing that they
 * follow from has changed. Undefined before the first visit.
 *
 * @throws Busy, TooLong
 */
export async function glanceOf(loaded: CaseText, asker: Asker): Promise<Kept['glance']> {
  const { treeId, items, house, firmTable } = loaded;
  const key = digestOf(treeId, items, JSON.stringify([house, firmTable]));
  return (await glances(key, async () => ({ glance: await beside('glance', loaded, asker) }))).glance;
}
