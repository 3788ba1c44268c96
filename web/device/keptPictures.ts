import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
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

interface Stores extends DBSchema {
  pictures: { key: number; value: KeptPicture; indexes: { '[person+visitId]': [string, string] } };
}

/** The first version that this database had on devices in use, and the name its index had. */
const VERSION = 10;
const OF_VISIT = '[person+visitId]';
let made: Promise<IDBPDatabase<Stores>> | undefined;

/** The store of this device; made when it is first asked for, and opened again where it was closed. */
function store(): Promise<IDBPDatabase<Stores>> {
  made ??= openDB<Stores>('undrel.pictures', VERSION, {
    upgrade(db) {
      const pictures = db.createObjectStore('pictures', { keyPath: 'id', autoIncrement: true });
      pictures.createIndex(OF_VISIT, ['person', 'visitId']);
    },
    terminated: () => (made = undefined),
  });
  made.catch(() => (made = undefined));
  return made;
}

/** Work on the store; something else where the device is full or keeps nothing. */
async function tried<T>(work: (db: IDBPDatabase<Stores>) => Promise<T>, otherwise: T): Promise<T> {
  try {
    return await work(await store());
  } catch {
    return otherwise;
  }
}

/** Keeps a picture until it is sent. @returns its id; undefined where the device is full or keeps nothing */
export const keepPictureHere = (picture: Omit<KeptPicture, 'id'>): Promise<number | undefined> =>
  tried<number | undefined>((db) => db.add('pictures', picture as KeptPicture), undefined);

/** What of a person's pictures of a visit is still here, oldest first. */
export const picturesHere = (person: string, visitId: string): Promise<KeptPicture[]> =>
  tried((db) => db.getAllFromIndex('pictures', OF_VISIT, [person, visitId]), []);

/** What of a person's pictures is here, of any visit, oldest first. */
export const allPicturesHere = (person: string): Promise<KeptPicture[]> =>
  tried(async (db) => (await db.getAll('pictures')).filter((p) => p.person === person), []);

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
  tried((db) => db.delete('pictures', id), undefined);
