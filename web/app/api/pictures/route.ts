import type { NextRequest } from 'next/server';
import { asked, plain } from '@/server/accounts/request';
import { keepPicture, pictureFrom, stow } from '@/server/pictures/pictures';
import { sentFor } from '@/server/pictures/sentFor';

/** Takes a picture and says its hash and size, and its id at a visit that is named; the same again is the same picture. */
export const POST = (request: NextRequest): Promise<Response> =>
  asked(request, 'measure', async ({ body, inFirm, asker }) => {
    const read = await pictureFrom(await body('picture'), asker);
    if ('problem' in read) return plain(400, read.problem);
    const stowed = await stow(asker.firmId, read);
    await inFirm((db) => keepPicture(db, stowed));
    return Response.json(sentFor(request, read));
  });
