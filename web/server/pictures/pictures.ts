import { FairQueue } from '../fairQueue';
import { bucketOf, StoreAway, type Bucket } from './bucket';
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

const shared = globalThis as typeof globalThis & { undrelBucket?: { is: Bucket | undefined } };

/** The bucket of this process, as its environment has it. */
const bucket = (): Bucket | undefined => (shared.undrelBucket ??= { is: bucketOf(process.env) }).is;

/** The name of a file in the bucket. */
const nameOf = (firmId: string, hash: string, size: PictureSize | 'original') => `${firmId}/${hash}/${size}`;

/** A picture of which the bytes have their place: in the row that is written, or in the bucket. */
export type StowedPicture = Pick<ReadPicture, 'hash' | 'type' | 'width' | 'height'> & {
  bytes: Pick<ReadPicture, 'original' | 'page' | 'small'> | undefined;
};

/**
 * Puts the bytes of a picture where this installation keeps them, before anything says that they are there.
 *
 * @throws StoreAway
 */
export async function stow(firmId: string, picture: ReadPicture, store = bucket()): Promise<StowedPicture> {
  const { original, page, small, ...told } = picture;
  if (!store) return { ...told, bytes: { original, page, small } };
  await store.put(nameOf(firmId, told.hash, 'original'), original, told.type);
  await store.put(nameOf(firmId, told.hash, 'page'), page, GIVEN.page);
  await store.put(nameOf(firmId, told.hash, 'small'), small, GIVEN.small);
  return { ...told, bytes: undefined };
}

/** Keeps a picture; one that is there already is the same, and nothing happens. */
export async function keepPicture(db: Db, picture: StowedPicture): Promise<void> {
  const { hash, type, width, height, bytes } = picture;
  const three = bytes ? [Buffer.from(bytes.original), bytes.page, bytes.small] : [null, null, null];
  await db.rows(sql.KEEP, [hash, type, width, height, ...three]);
}

/** Where the bytes of a file are, as a row that may be seen tells. */
export interface PictureRow {
  firm_id: string;
  bytes: Buffer | null;
}

/** The bytes of a file of which the row may be seen. @throws StoreAway */
export async function bytesOf(
  { firm_id, bytes }: PictureRow,
  hash: string,
  size: PictureSize,
  store = bucket(),
): Promise<Buffer> {
  if (bytes) return bytes;
  const name = nameOf(firm_id, hash, size);
  const there = await store?.get(name);
  if (!there) throw new StoreAway(store ? `${name} is not in the bucket` : 'PICTURE_BUCKET is not set');
  return there;
}

/** A file that the firm may see; the database lets go of it before the bucket is asked. @throws StoreAway */
export async function pictureFile(
  inFirm: <T>(work: (db: Db) => Promise<T>) => Promise<T>,
  hash: string,
  size: PictureSize,
  store = bucket(),
): Promise<Buffer | undefined> {
  const row = await inFirm((db) => db.row<PictureRow & Record<string, unknown>>(sql.FILE[size], [hash]));
  return row && bytesOf(row, hash, size, store);
}
