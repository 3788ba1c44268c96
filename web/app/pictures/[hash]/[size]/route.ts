import type { NextRequest } from 'next/server';
import { asked, plain } from '@/server/accounts/request';
import { GIVEN, pictureFile, type PictureSize } from '@/server/pictures/pictures';

/** A picture of the firm, which never changes: the device may keep it. */
export async function GET(
  request: NextRequest,
  { params }: { params: Promise<{ hash: string; size: string }> },
): Promise<Response> {
  const { hash, size } = await params;
  if (!/^[0-9a-f]{64}$/.test(hash) || !(size in GIVEN)) return plain(404, 'There is no such picture.');
  return asked(request, 'read', async ({ inFirm }) => {
    const bytes = await pictureFile(inFirm, hash, size as PictureSize);
    if (!bytes) return plain(404, 'There is no such picture here.');
    const headers = {
      'content-type': GIVEN[size as PictureSize],
      'cache-control': 'private, max-age=31536000, immutable',
      'accept-ranges': 'bytes',
    };
    const range = /^bytes=(\d+)-(\d*)$/.exec(request.headers.get('range') ?? '');
    if (!range) return new Response(new Uint8Array(bytes), { headers });
    const [from, to] = [Number(range[1]), Math.min(bytes.length - 1, Number(range[2] || Infinity))];
    if (from > to)
      return plain(416, `Bytes ${from} to ${to}: the picture has ${bytes.length}.`, {
        'content-range': `bytes */${bytes.length}`,
      });
    return new Response(new Uint8Array(bytes.subarray(from, to + 1)), {
      status: 206,
      headers: { ...headers, 'content-range': `bytes ${from}-${to}/${bytes.length}` },
    });
  });
}
