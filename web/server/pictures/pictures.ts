import { FairQueue } from '../fairQueue';
import type { Asker } from '../beside';
import type { Db } from '../database/transaction';
import { readPicture, type ReadPicture } from './readPicture';
import * as sql from './sql';

/** Two at once, decoded on threads of their own: 60 million pixels are 180 MB each while they are. */
const queue = new FairQueue({ atOnce: 2, each: 1, waiting: 60 });

/** Reads a picture when it is the asker's turn. @throws Busy */
export const pictureFrom = (bytes: Uint8Array, { firmId, userId, signal }: Asker) =>
  queue.run(`${firmId} ${userId}`, () => readPicture(bytes), signal);

/** The sizes in which a picture is given out, with their types. */
export const GIVEN = { small: 'image/webp', page: 'image/jpeg' } as const;
export type PictureSize = keyof typeof GIVEN;

/** Keeps a picture; one that is there already is the same, and nothing happens. */
export async function keepPicture(db: Db, picture: ReadPicture): Promise<void> {
  const { hash, type, width, height, original, page, small } = picture;
  await db.rows(sql.KEEP, [hash, type, width, height, Buffer.from(original), page, small]);
}

export const pictureFile = async (db: Db, hash: string, size: PictureSize): Promise<Buffer | undefined> =>
  (await db.row<{ bytes: Buffer }>(sql.FILE[size], [hash]))?.bytes;
