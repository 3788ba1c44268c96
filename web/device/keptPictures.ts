import Dexie, { type EntityTable } from 'dexie';

/** A picture that is on this device and not on the server yet. */
export interface KeptPicture {
  id: number;
  /** Who took it: it is sent as theirs alone. */
  person: string;
  visitId: string;
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

/** It is sent, or left. */
export const forgetPicture = (id: number): Promise<void> =>
  store()
    .delete(id)
    .catch(() => undefined);
