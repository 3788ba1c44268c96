import Dexie, { type EntityTable } from 'dexie';
import type { Picture } from '@undrel/core/records';

/** A picture that is on this device and not on the server yet. */
export interface KeptPicture {
  id: number;
  /** Who took it: it is sent as theirs alone. */
  person: string;
  visitId: string;
  treeId: string;
  /** Name of who took it, and the day, ISO. */
  by: string;
  on: string;
  /** Side of the stem it was taken from, where it was asked for. */
  bearing?: number;
  /** Step of the order that it proves. */
  step?: string;
  file: File;
}

type Pictures = EntityTable<KeptPicture, 'id'>;
let made: Pictures | undefined;

/** The store of this device; made when it is first asked for. */
function store(): Pictures {
  if (!made) {
    const database = new Dexie('undrel.pictures') as Dexie & { pictures: Pictures };
    database.version(1).stores({ pictures: '++id, [person+visitId]' });
    made = database.pictures;
  }
  return made;
}

/** Keeps a picture until it is sent. @returns its id; undefined where the device is full or keeps nothing */
export const keepPictureHere = (picture: Omit<KeptPicture, 'id'>): Promise<number | undefined> =>
  store()
    .add(picture)
    .catch(() => undefined);

/** What of a person's pictures of a visit is still here, oldest first. */
export const picturesHere = (person: string, visitId: string): Promise<KeptPicture[]> =>
  store()
    .where({ person, visitId })
    .sortBy('id')
    .catch(() => []);

/** What of a person's pictures is here, of any visit, oldest first. */
export const allPicturesHere = async (person: string): Promise<KeptPicture[]> => {
  try {
    return await store()
      .filter((p) => p.person === person)
      .sortBy('id');
  } catch {
    return [];
  }
};

/** Visits whose pictures the page of this tab sends by itself. */
const shown = new Set<string>();
/** Says that a page sends the pictures of a visit. @returns ends it */
export function showPictures(visitId: string): () => void {
  shown.add(visitId);
  return () => shown.delete(visitId);
}
export const picturesShown = (visitId: string): boolean => shown.has(visitId);

/** A picture as it stands at its visit once the server has its file. */
export function pictureOf(
  { hash, width, height }: { hash: string; width: number; height: number },
  { by, on, bearing, step }: Pick<KeptPicture, 'by' | 'on' | 'bearing' | 'step'>,
  there: Picture | undefined,
): Picture {
  return {
    ...there,
    hash,
    width,
    height,
    on: there?.on ?? on,
    by: there?.by ?? by,
    ...(step && { step, shows: there?.shows ?? 'work' }),
    ...(bearing !== undefined && { bearing, shows: 'dig' }),
  };
}

/** It is sent, or left. */
export const forgetPicture = (id: number): Promise<void> =>
  store()
    .delete(id)
    .catch(() => undefined);
