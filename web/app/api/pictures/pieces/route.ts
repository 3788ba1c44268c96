import type { NextRequest } from 'next/server';
import { asked, plain } from '@/server/accounts/request';
import { addPiece, forgetPieces, piecesOf, wholeOf } from '@/server/pictures/pieces';
import { keepPicture, pictureFrom, stow } from '@/server/pictures/pictures';
import { sentFor } from '@/server/pictures/sentFor';

const hashIn = (request: NextRequest): string | undefined => {
  const hash = request.nextUrl.searchParams.get('hash') ?? '';
  return /^[0-9a-f]{64}$/.test(hash) ? hash : undefined;
};
const NO_HASH = 'Hash: the SHA-256 of the picture is asked for, 64 hexadecimal letters.';

/** How much of a picture is there. */
export async function GET(request: NextRequest): Promise<Response> {
  const hash = hashIn(request);
  if (!hash) return plain(400, NO_HASH);
  return asked(request, 'measure', async ({ inFirm }) => {
    const there = await inFirm((db) => piecesOf(db, hash));
    return Response.json(there.picture ? { ...there, picture: sentFor(request, there.picture) } : there);
  });
}

/** Takes the next piece of a picture; with the last one it is read as any other. */
export async function POST(request: NextRequest): Promise<Response> {
  const hash = hashIn(request);
  const [at, total] = ['at', 'total'].map((key) => Number(request.nextUrl.searchParams.get(key) ?? NaN));
  return asked(request, 'measure', async ({ body, inFirm, asker }) => {
    if (!hash) return plain(400, NO_HASH);
    if (!Number.isInteger(at) || !Number.isInteger(total) || at! < 0 || total! < 1)
      return plain(400, 'At and total: whole numbers of bytes are asked for.');
    const bytes = await body('piece');
    const there = await inFirm((db) => addPiece(db, { hash, at: at!, total: total! }, bytes));
    if ('problem' in there) return plain(400, there.problem);
    if (there.picture) return Response.json({ ...there, picture: sentFor(request, there.picture) });
    if (there.have < total!) return Response.json(there);
    const whole = await inFirm((db) => wholeOf(db, hash));
    const read = whole
      ? await pictureFrom(whole, asker)
      : { problem: 'The picture did not arrive as it was sent. Send it again.' };
    if ('problem' in read) {
      await inFirm((db) => forgetPieces(db, hash));
      return plain(400, read.problem);
    }
    const stowed = await stow(asker.firmId, read);
    await inFirm(async (db) => {
      await keepPicture(db, stowed);
      await forgetPieces(db, hash);
    });
    return Response.json({ have: there.have, picture: sentFor(request, read) });
  });
}
