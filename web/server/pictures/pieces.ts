import { createHash } from 'node:crypto';
import type { PiecesAnswer } from '../../protocol/pieces';
import type { Db } from '../database/transaction';
import { BYTES } from '../../work/readers/limits';
import * as sql from './sql';

/** How many bytes of pictures may be on their way to a firm at once. */
const ON_THE_WAY = 20 * BYTES.picture;

/** What is there of a picture: all of it, or pieces from its beginning. */
export async function piecesOf(db: Db, hash: string): Promise<PiecesAnswer> {
  const picture = await db.row<{ width: number; height: number }>(sql.SIZE, [hash]);
  if (picture) return { have: 0, picture: { hash, ...picture } };
  return { have: (await db.row<{ have: number }>(sql.HAVE, [hash]))!.have };
}

/**
 * Keeps the next piece of a picture. One that is there already is the same; one that leaves a gap is not taken.
 *
 * @returns what is there now, or what is wrong, in words
 */
export async function addPiece(
  db: Db,
  { hash, at, total }: { hash: string; at: number; total: number },
  bytes: Uint8Array,
): Promise<PiecesAnswer | { problem: string }> {
  if (total > BYTES.picture)
    return {
      problem: `The picture has ${total} bytes; at most ${BYTES.picture} are allowed. Nothing was taken.`,
    };
  if (bytes.length === 0) return { problem: 'Nothing was sent.' };
  const there = await piecesOf(db, hash);
  if (there.picture || at < there.have) return there;
  if (at > there.have)
    return { problem: `The piece begins at byte ${at}; the next one begins at ${there.have}.` };
  if (at + bytes.length > total)
    return { problem: `The piece ends at byte ${at + bytes.length}; the picture has ${total}.` };
  if (at === 0) await db.rows(sql.FORGET_OLD_PIECES);
  const { waiting } = (await db.row<{ waiting: number }>(sql.ON_THE_WAY))!;
  if (Number(waiting) + bytes.length > ON_THE_WAY)
    return { problem: 'Too many pictures are on their way to the firm at once. Send it again in a while.' };
  await db.rows(sql.ADD_PIECE, [hash, at, total, Buffer.from(bytes)]);
  return { have: at + bytes.length };
}

/** All pieces put together; undefined where they are not what the hash says. */
export async function wholeOf(db: Db, hash: string): Promise<Buffer | undefined> {
  const rows = await db.rows<{ bytes: Buffer }>(sql.PIECES, [hash]);
  const whole = Buffer.concat(rows.map((r) => r.bytes));
  return createHash('sha256').update(whole).digest('hex') === hash ? whole : undefined;
}

export const forgetPieces = async (db: Db, hash: string): Promise<void> => {
  await db.rows(sql.FORGET_PIECES, [hash]);
};
