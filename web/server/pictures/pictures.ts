import { FairQueue } from '../fairQueue';
import { bucketOf, StoreAway, type Bucket } from './bucket';
import type { Asker } from '../beside';
import type { Db } from '../database/transaction';
import { printed } from './printed';
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

/** The files that are kept of a picture; the original and the print are given to no browser. */
type Kept = 'original' | PictureSize | 'print';
const KEPT: readonly Kept[] = ['original', 'page', 'small', 'print'];

/** The name of a file in the bucket. */
const nameOf = (firmId: string, hash: string, size: Kept) => `${firmId}/${hash}/${size}`;

/** A picture of which the bytes have their place: in the row that is written, or in the bucket. */
export type StowedPicture = Pick<ReadPicture, 'hash' | 'type' | 'width' | 'height'> & {
  bytes: Pick<ReadPicture, Kept> | undefined;
};

/**
 * Puts the bytes of a picture where this installation keeps them, before anything says that they are there.
 *
 * @throws StoreAway
 */
export async function stow(firmId: string, picture: ReadPicture, store = bucket()): Promise<StowedPicture> {
  const { original, page, small, print, ...told } = picture;
  if (!store) return { ...told, bytes: { original, page, small, print } };
  const types: Record<Kept, string> = { ...GIVEN, original: told.type, print: GIVEN.page };
  for (const size of KEPT) await store.put(nameOf(firmId, told.hash, size), picture[size], types[size]);
  return { ...told, bytes: undefined };
}

/** Keeps a picture; one that is there already is the same, and nothing happens. */
export async function keepPicture(db: Db, picture: StowedPicture): Promise<void> {
  const { hash, type, width, height, bytes } = picture;
  const files = KEPT.map((size) => bytes && Buffer.from(bytes[size]));
  await db.rows(sql.KEEP, [hash, type, width, height, ...files]);
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

/** Some pictures as paper shows them, by hash; of what the firm may not see there is none. @throws StoreAway */
export async function printFiles(
  inFirm: <T>(work: (db: Db) => Promise<T>) => Promise<T>,
  hashes: readonly string[],
  store = bucket(),
): Promise<Record<string, Uint8Array>> {
  type Row = PictureRow & { hash: string; print: Buffer | null };
  const rows = await inFirm((db) => db.rows<Row & Record<string, unknown>>(sql.PRINTS, [hashes]));
  const filed = await Promise.all(
    rows.map(async ({ hash, print, ...row }) => {
      const there = print ?? (row.bytes ? undefined : await store?.get(nameOf(row.firm_id, hash, 'print')));
      return [hash, there ?? (await printed(await bytesOf(row, hash, 'page', store)))] as const;
    }),
  );
  return Object.fromEntries(filed);
}
