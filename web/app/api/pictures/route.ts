import type { NextRequest } from 'next/server';
import { asked, plain } from '@/server/accounts/request';
import { keepPicture, pictureFrom, stow } from '@/server/pictures/pictures';

/** Takes a picture and says its hash and size; the same again is the same picture. */
export const POST = (request: NextRequest): Promise<Response> =>
  asked(request, 'measure', async ({ body, inFirm, asker }) => {
    const read = await pictureFrom(await body('picture'), asker);
    if ('problem' in read) return plain(400, read.problem);
    const stowed = await stow(asker.firmId, read);
    await inFirm((db) => keepPicture(db, stowed));
    const { hash, width, height } = read;
    return Response.json({ hash, width, height });
  });
